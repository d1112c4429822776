import { Button, Modal, NumberInput, Select, Table, Textarea } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { COMPONENT_KINDS, type ComponentKind } from '#core/model/kinds';
import { type Component, RENEWALS } from '#core/model/series';
import { readPartRows } from '#core/supplies/part-rows';
import { tellDone } from '../ground/notify';
import { useAuthor } from '../state/author-store';
import { DraftText } from './DraftText';
import styles from './Parts.module.css';

/** Every part that the procedure names, on one sheet: looked over once, corrected in place, or filled by pasting rows. */
export function PartsDialog({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  const { t } = useTranslation();
  return (
    <Modal opened={opened} onClose={onClose} title={t('parts.title')} size={900}>
      <PartsSheet />
    </Modal>
  );
}

function PartsSheet() {
  const { t } = useTranslation();
  const { series, procedure } = useAuthor((state) => state.workbook);
  const named = new Set(procedure.steps.flatMap(({ targets }) => targets.map(({ componentId }) => componentId)));
  const parts = series.components.filter(({ id }) => named.has(id));
  const change = (id: string, fields: Partial<Component>) => useAuthor.getState().changeComponent(id, fields);
  return (
    <>
      <p className="quiet">{t('parts.about')}</p>
      <Table.ScrollContainer minWidth={640} mah={420} type="native">
        <Table stickyHeader verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('part.name')}</Table.Th>
              <Table.Th w={100}>{t('part.count')}</Table.Th>
              <Table.Th w={210}>{t('part.kind')}</Table.Th>
              <Table.Th w={170}>{t('part.renewal')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {parts.map(({ id, name, count, several, kind, renewal }) => (
              <Table.Tr key={id}>
                <Table.Td>
                  <DraftText
                    ariaLabel={t('parts.nameOf', { name })}
                    value={name}
                    maxLength={120}
                    onCommit={(next) => next && change(id, { name: next })}
                  />
                </Table.Td>
                <Table.Td>
                  <NumberInput
                    aria-label={t('parts.countOf', { name })}
                    min={1}
                    max={96}
                    allowDecimal={false}
                    value={several ? '' : count}
                    placeholder={t('part.countOpen')}
                    onChange={(next) => {
                      const whole = Number(next);
                      if (Number.isInteger(whole) && whole >= 1 && whole <= 96) change(id, { count: whole });
                    }}
                  />
                </Table.Td>
                <Table.Td>
                  <Select
                    aria-label={t('parts.kindOf', { name })}
                    searchable
                    allowDeselect={false}
                    data={COMPONENT_KINDS.map((value) => ({ value, label: t(`kind.${value}`) }))}
                    value={kind}
                    onChange={(next) => next && change(id, { kind: next as ComponentKind })}
                  />
                </Table.Td>
                <Table.Td>
                  <Select
                    aria-label={t('parts.renewalOf', { name })}
                    allowDeselect={false}
                    data={RENEWALS.map((value) => ({ value, label: t(`renewal.${value}`) }))}
                    value={renewal}
                    onChange={(next) => next && change(id, { renewal: next as Component['renewal'] })}
                  />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
      {parts.length === 0 && <p className="quiet">{t('parts.none')}</p>}
      <PasteRows />
    </>
  );
}

/** Rows copied from a spreadsheet; what is wrong is told row by row, and nothing is taken in half. */
function PasteRows() {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const [faults, setFaults] = useState<readonly string[]>([]);
  const take = () => {
    const { workbook, apply } = useAuthor.getState();
    const rows = readPartRows(
      text,
      workbook.series,
      {
        kind: (said) => COMPONENT_KINDS.find((kind) => t(`kind.${kind}`).toLowerCase() === said.toLowerCase()),
        renewal: (said) => RENEWALS.find((one) => t(`renewal.${one}`).toLowerCase() === said.toLowerCase()),
      },
      () => nanoid(10),
    );
    setFaults(rows.faults.map(({ row, column, text: said }) => t(`parts.fault.${column}`, { row, text: said })));
    if (rows.faults.length > 0 || !apply(rows.edits)) return;
    setText('');
    tellDone(t('parts.taken', { added: rows.added, changed: rows.changed }));
  };
  return (
    <div className={styles.paste}>
      <Textarea
        label={t('parts.paste')}
        description={t('parts.pasteHint')}
        autosize
        minRows={2}
        maxRows={8}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        error={faults.length > 0 ? faults.join(' ') : undefined}
      />
      <Button variant="default" disabled={!text.trim()} onClick={take}>
        {t('parts.take')}
      </Button>
    </div>
  );
}
