import { ActionIcon, Button, Group, Kbd, Menu } from '@mantine/core';
import { IconArrowBackUp, IconArrowForwardUp, IconDots } from '@tabler/icons-react';
import { type ReactNode, useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { sayProblem } from '#core/language/en/problems';
import { Crumbs, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { tellProblem } from '../../ground/notify';
import { mayWrite } from '../../ground/session';
import { PartsDialog } from '../../parts/PartsDialog';
import { Tag } from '../../parts/Tag';
import { useAuthor, useHistory } from '../../state/author-store';
import { Settled, useSettledWorkbook } from '../../state/settled';
import { computed } from '../../state/timeline';
import { useOpened } from '../procedure/ProcedureScreen';
import { AuthorPalette, KeysDialog } from './AuthorPalette';
import { ClothPanel } from './cloth/ClothPanel';
import styles from './desk/Author.module.css';
import { AUTHOR_ACTIONS } from './desk/author-actions';
import { useAuthorView } from './desk/author-view';
import { AboutDialog } from './dialogs/AboutDialog';
import { PrintDialog } from './dialogs/PrintDialog';
import { StaleDialog } from './dialogs/StaleDialog';
import { SuppliesDialog } from './dialogs/SuppliesDialog';
import { ToolOrderDialog } from './dialogs/ToolOrderDialog';
import { FoldPanel } from './fold/FoldPanel';
import { TypedLine } from './line/TypedLine';
import { SaveStateNote } from './SaveStateNote';
import { StepPanel } from './step/StepPanel';
import { useAuthorKeys } from './useAuthorKeys';
import { useStepInHand } from './useStepInHand';

/** What the menu offers beside the keys. */
const IN_MENU: readonly string[] = [
  'narration',
  'parts',
  'copy',
  'paste',
  'about',
  'supplies',
  'tools',
  'print',
  'search',
  'keys',
];

const ONLY_WRITERS: readonly string[] = ['narration', 'parts', 'copy', 'paste', 'tools'];

/** Where a procedure is written: the fold, the step in hand, and the cloth after it. */
export function AuthorScreen() {
  const { t } = useTranslation();
  const { id = '' } = useParams();
  const writes = mayWrite(usePerson());
  const { releases, releasedAsIs } = useOpened();

  useEffect(() => () => useAuthorView.setState(useAuthorView.getInitialState()), []);
  useStepInHand(id, releasedAsIs);
  useAuthorKeys(writes);
  useRefusalsTold();

  const seriesId = useAuthor(({ workbook }) => workbook.series.id);
  const seriesName = useAuthor(({ workbook: { series } }) => `${series.name} ${series.code}`);
  const title = useAuthor(({ workbook }) => workbook.procedure.title);
  const [latest] = releases;
  const partsOpen = useAuthorView((state) => state.dialog === 'parts');
  return (
    <Settled>
      <div className={styles.screen}>
        <TopBar
          path={
            <>
              <Crumbs to={[{ label: seriesName, href: `/series/${seriesId}` }]} here={title} />
              <Tag>{latest ? t('author.draftAfter', { number: latest.number }) : t('shelf.draft')}</Tag>
            </>
          }
          actions={
            <Group gap="xs" wrap="nowrap">
              {writes && (
                <>
                  <SaveStateNote />
                  <UndoButtons />
                </>
              )}
              <Menu position="bottom-end" width={300}>
                <Menu.Target>
                  <ActionIcon variant="default" size={36} aria-label={t('author.more')} title={t('author.more')}>
                    <IconDots size={20} />
                  </ActionIcon>
                </Menu.Target>
                <Menu.Dropdown>
                  {AUTHOR_ACTIONS.filter(
                    ({ id }) => IN_MENU.includes(id) && (writes || !ONLY_WRITERS.includes(id)),
                  ).map((action) => (
                    <Menu.Item key={action.id} rightSection={<Kbd>{action.key}</Kbd>} onClick={action.run}>
                      {t(`keys.${action.id}` as 'keys.line')}
                    </Menu.Item>
                  ))}
                </Menu.Dropdown>
              </Menu>
              <Button component={Link} to={`/procedures/${id}/walk`} variant="default">
                {t('author.walk')}
              </Button>
              {writes && <ReleaseButton id={id} />}
            </Group>
          }
        />
        <main className={styles.body}>
          <section className={`${styles.column} ${styles.fold}`} aria-label={t('fold.title')}>
            <FoldPanel writes={writes} />
          </section>
          <section className={`${styles.column} ${styles.step}`} aria-label={t('step.title')}>
            <div className={styles.stepBody}>
              <StepPanel writes={writes} />
            </div>
            {writes && <TypedLine />}
          </section>
          <section className={`${styles.column} ${styles.cloth}`} aria-label={t('cloth.title')}>
            <ClothPanel writes={writes} />
          </section>
        </main>
        <StaleDialog />
        <AboutDialog writes={writes} />
        <PrintDialog />
        <SuppliesDialog />
        <ToolOrderDialog />
        <PartsDialog opened={partsOpen} onClose={() => useAuthorView.setState({ dialog: null })} />
        <KeysDialog writes={writes} />
        <AuthorPalette writes={writes} />
      </div>
    </Settled>
  );
}

/** Undo and redo, greyed where there is nothing to undo. */
function UndoButtons() {
  const { t } = useTranslation();
  const history = useHistory();
  return (
    <>
      <IconAction label={t('author.undo')} disabled={!history.canUndo} onClick={history.undo}>
        <IconArrowBackUp size={20} />
      </IconAction>
      <IconAction label={t('author.redo')} disabled={!history.canRedo} onClick={history.redo}>
        <IconArrowForwardUp size={20} />
      </IconAction>
    </>
  );
}

/** To the release; quiet while something stops it. */
function ReleaseButton({ id }: { id: string }) {
  const { t } = useTranslation();
  const stops = computed(useSettledWorkbook()).findings.filter(({ severity }) => severity === 'stop').length;
  return (
    <Button
      component={Link}
      to={`/procedures/${id}/release`}
      color={stops > 0 ? 'gray' : 'indigo'}
      variant={stops > 0 ? 'default' : 'filled'}
    >
      {stops > 0 ? t('author.releaseStops', { count: stops }) : t('author.release')}
    </Button>
  );
}

interface IconActionProps {
  readonly label: string;
  readonly disabled: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function IconAction({ label, disabled, onClick, children }: IconActionProps) {
  return (
    <ActionIcon variant="default" size={36} aria-label={label} title={label} disabled={disabled} onClick={onClick}>
      {children}
    </ActionIcon>
  );
}

/** Says why an edit was not taken, with where in the documents it would have broken something. */
function useRefusalsTold(): void {
  const { t } = useTranslation();
  useEffect(
    () =>
      useAuthor.subscribe(({ refused }, before) => {
        if (refused && refused !== before.refused)
          tellProblem(t('author.notTaken'), [
            ...refused.map(({ path, problem }) => `${path}: ${sayProblem(problem)}`),
            t('author.notTakenTodo'),
          ]);
      }),
    [t],
  );
}
