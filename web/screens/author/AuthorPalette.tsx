import { Kbd, Modal, Table } from '@mantine/core';
import { Spotlight, type SpotlightActionData, useSpotlight } from '@mantine/spotlight';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { titleOf } from '#core/language/en/sentence';
import { useAuthor } from '../../state/author-store';
import { AUTHOR_ACTIONS, type AuthorAction } from './desk/author-actions';
import { useAuthorView } from './desk/author-view';
import { paletteStore } from './desk/palette';

const MOST_RESULTS = 12;

/** Everything that can be done, and every step to go to, by name. */
export function AuthorPalette({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const actions = useActions(useSpotlight(paletteStore).opened, writes);
  return (
    <Spotlight
      store={paletteStore}
      actions={actions}
      shortcut={null}
      limit={MOST_RESULTS}
      highlightQuery
      scrollable
      maxHeight={460}
      attributes={{ content: { 'aria-label': t('keys.palette') } }}
      overlayProps={{ blur: 0, backgroundOpacity: 0.35, color: '#1d2b45' }}
      nothingFound={t('keys.nothing')}
      searchProps={{ placeholder: t('keys.palette'), 'aria-label': t('keys.palette') }}
    />
  );
}

const NOTHING: SpotlightActionData[] = [];

/** Named only while the palette is open: a long procedure has hundreds of steps to go to. */
function useActions(opened: boolean, writes: boolean): SpotlightActionData[] {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => (opened ? state.workbook : null));
  return useMemo(() => {
    if (!workbook) return NOTHING;
    const { series, procedure } = workbook;
    return [
      ...offered(writes).map(({ id, key, run }) => ({
        id,
        label: t(`keys.${id}` as 'keys.line'),
        rightSection: <Key of={key} />,
        onClick: run,
      })),
      ...procedure.steps.map((step, index) => ({
        id: step.id,
        label: t('fold.stepLabel', { number: index + 1, title: titleOf(step, series) }),
        onClick: () => useAuthor.getState().select(step.id),
      })),
    ];
  }, [workbook, writes, t]);
}

/** All keys, listed under "?". */
export function KeysDialog({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const opened = useAuthorView((state) => state.dialog === 'keys');
  return (
    <Modal opened={opened} onClose={() => useAuthorView.setState({ dialog: null })} title={t('keys.title')} size="lg">
      <Table verticalSpacing={5}>
        <Table.Tbody>
          {[
            ...offered(writes).map(({ id, key }) => [key, t(`keys.${id}` as 'keys.line')] as const),
            ['mod+K', t('keys.palette')] as const,
            ['← ↑ → ↓', t('keys.arrows')] as const,
            ...(writes ? [['Alt+↑ ↓', t('keys.move')] as const, ['Shift+↑ ↓', t('keys.mark')] as const] : []),
          ].map(([key, what]) => (
            <Table.Tr key={key}>
              <Table.Td w={130}>
                <Key of={key} />
              </Table.Td>
              <Table.Td>{what}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}

function offered(writes: boolean): readonly AuthorAction[] {
  return AUTHOR_ACTIONS.filter((action) => writes || !action.writes);
}

function Key({ of }: { of: string }) {
  return <Kbd>{of.replace('mod+', /Mac/.test(navigator.userAgent) ? '⌘ ' : 'Ctrl ')}</Kbd>;
}
