import { Modal, Stack, Table, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { sayTool } from '#core/language/en/sentence';
import { toolLabel } from '#core/model/lookup';
import type { Workbook } from '#core/model/procedure';
import { outOfCalibration, toolList } from '#core/supplies/tool-list';
import { showDay, today } from '../../../ground/format';
import { SafetyList } from '../../../parts/SafetyList';
import { useAuthor } from '../../../state/author-store';
import { useAuthorView } from '../desk/author-view';
import styles from './Dialogs.module.css';

/** What is laid out before the first step, computed from all of them: tools, consumables, and what to know. */
export function SuppliesDialog() {
  const { t } = useTranslation();
  const opened = useAuthorView((state) => state.dialog === 'supplies');
  return (
    <Modal
      opened={opened}
      onClose={() => useAuthorView.setState({ dialog: null })}
      title={t('supplies.title')}
      size={860}
    >
      {opened && <Supplies />}
    </Modal>
  );
}

function Supplies() {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const tools = toolList(workbook);
  return (
    <Stack gap="md">
      <section>
        <Title order={3} size="h5" mb={4}>
          {t('supplies.tools')}
        </Title>
        {tools.length === 0 ? (
          <Text className="quiet">{t('supplies.noTools')}</Text>
        ) : (
          <Table verticalSpacing={5}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t('tool.name')}</Table.Th>
                <Table.Th>{t('supplies.steps')}</Table.Th>
                <Table.Th>{t('supplies.pickups')}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {tools.map(({ tool, steps, pickups, otherMethod, pieces, substitutes }) => (
                <Table.Tr key={tool.id}>
                  <Table.Td>
                    {sayTool(tool, pieces)}
                    {tool.specialNumber && <span className="number quiet">{` ${tool.specialNumber}`}</span>}
                    {otherMethod && <span className="quiet">{` ${t('supplies.otherMethod')}`}</span>}
                    {substitutes.length > 0 && (
                      <span className="quiet">{` ${t('supplies.or', { tools: substitutes.map(toolLabel).join(', ') })}`}</span>
                    )}
                    {outOfCalibration(tool, today()).map(({ number, calibratedUntil = '' }) => (
                      <Text key={number} size="sm" className={styles.overdue}>
                        {t('supplies.overdue', { number, day: showDay(calibratedUntil) })}
                      </Text>
                    ))}
                  </Table.Td>
                  <Table.Td className="number">{steps.join(', ')}</Table.Td>
                  <Table.Td className="number">{pickups}</Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        )}
      </section>
      <section>
        <Title order={3} size="h5" mb={4}>
          {t('series.consumables')}
        </Title>
        <Applied workbook={workbook} />
      </section>
      <section>
        <Title order={3} size="h5" mb={4}>
          {t('safety.title')}
        </Title>
        <SafetyList workbook={workbook} />
      </section>
    </Stack>
  );
}

/** What is put on, in the order of first use, with where. */
function Applied({ workbook: { series, procedure } }: { workbook: Workbook }) {
  const { t } = useTranslation();
  const uses = procedure.steps.flatMap((step, index) =>
    step.applications.map(({ consumableId, where }) => ({ consumableId, where, number: index + 1 })),
  );
  const ids = [...new Set(uses.map(({ consumableId }) => consumableId))];
  if (ids.length === 0) return <Text className="quiet">{t('supplies.nothingApplied')}</Text>;
  return ids.map((id) => (
    <Text key={id}>
      {series.consumables.find((consumable) => consumable.id === id)?.name}
      <span className="quiet">
        {` ${uses
          .filter(({ consumableId }) => consumableId === id)
          .map(({ number, where }) => (where ? `${number}: ${where}` : String(number)))
          .join('; ')}`}
      </span>
    </Text>
  ));
}
