import { Button, Group, Loader, Modal, Stack, Text } from '@mantine/core';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { titleOf } from '#core/language/en/sentence';
import { orderEdits, type ToolOrder } from '#core/reach/tool-order';
import { tellFault } from '../../../ground/notify';
import { useAuthor } from '../../../state/author-store';
import type { Orders } from '../../../workers/order.worker';
import { useAuthorView } from '../desk/author-view';
import styles from './Dialogs.module.css';

/** Which order of a stage needs the fewest tool changes, and what it would save. */
export function ToolOrderDialog() {
  const { t } = useTranslation();
  const opened = useAuthorView((state) => state.dialog === 'tools');
  const close = () => useAuthorView.setState({ dialog: null });
  return (
    <Modal opened={opened} onClose={close} title={t('tools.title')} size="lg">
      {opened && <Orderings onDone={close} />}
    </Modal>
  );
}

function Orderings({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const [found, setFound] = useState<readonly ToolOrder[] | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../../../workers/order.worker.ts', import.meta.url), { type: 'module' });
    let here = true;
    wrap<Orders>(worker)
      .fewestToolChanges(workbook)
      .then((orders) => here && setFound(orders), tellFault);
    return () => {
      here = false;
      worker.terminate();
    };
  }, [workbook]);
  if (!found) {
    return (
      <Group>
        <Loader size="sm" />
        <Text>{t('tools.looking')}</Text>
      </Group>
    );
  }
  if (found.length === 0) return <Text>{t('tools.none')}</Text>;
  const { series, procedure } = workbook;
  return (
    <Stack>
      {found.map((order) => (
        <section key={order.from}>
          <Text fw={650}>
            {t('tools.saving', { stage: t(`stage.${order.stage}`), before: order.before, after: order.after })}
          </Text>
          <Text size="sm" className="quiet">
            {order.exact ? t('tools.exact') : t('tools.searched')}
          </Text>
          <ol className={styles.order}>
            {order.order.map((id) => {
              const was = procedure.steps.findIndex((step) => step.id === id);
              const step = procedure.steps[was];
              return (
                step && (
                  <li key={id}>
                    {titleOf(step, series)}
                    <span className="quiet">{t('tools.was', { number: was + 1 })}</span>
                  </li>
                )
              );
            })}
          </ol>
          <Button
            onClick={() => {
              useAuthor.getState().apply(orderEdits(order));
              onDone();
            }}
          >
            {t('tools.apply')}
          </Button>
        </section>
      ))}
    </Stack>
  );
}
