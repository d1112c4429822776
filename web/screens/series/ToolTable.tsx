import {
  Button,
  Group,
  Modal,
  MultiSelect,
  Select,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
  UnstyledButton,
} from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { toolLabel } from '#core/model/lookup';
import { type Series, TOOL_KINDS, type Tool, type ToolKind } from '#core/model/series';
import { readQuantity, sayQuantity } from '#core/quantity/quantity';
import { DIMENSIONS } from '#core/quantity/units';
import { outOfCalibration } from '#core/supplies/tool-list';
import { showDay, today } from '../../ground/format';
import { DraftText } from '../../parts/DraftText';
import { QuantityText } from '../../parts/QuantityText';
import { Tag } from '../../parts/Tag';
import { Delete } from './Delete';
import styles from './Series.module.css';
import { TakeOver } from './TakeOver';

interface ToolTableProps {
  readonly series: Series;
  readonly onChange: ((series: Series) => void) | undefined;
}

/** The tools of a series: range, order number, what also does, and whether the gauge is still in date. */
export function ToolTable({ series, onChange }: ToolTableProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<string | null>(null);
  const set = (tools: readonly Tool[]) => onChange?.({ ...series, tools: [...tools] });
  const opened = series.tools.find(({ id }) => id === open);
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb="xs">
        {t('series.tools')}
      </Title>
      {series.tools.length === 0 ? (
        <Text className="quiet">{t('series.noneYet')}</Text>
      ) : (
        <Table verticalSpacing={7} bg="var(--sheet)" withTableBorder>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('tool.name')}</Table.Th>
              <Table.Th>{t('tool.kind')}</Table.Th>
              <Table.Th>{t('tool.range')}</Table.Th>
              <Table.Th>{t('tool.special')}</Table.Th>
              <Table.Th>{t('tool.substitutes')}</Table.Th>
              <Table.Th>{t('tool.assets')}</Table.Th>
              {onChange && <Table.Th w={52}>{t('series.actions')}</Table.Th>}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {series.tools.map((tool) => (
              <Table.Tr key={tool.id}>
                <Table.Td>
                  {onChange ? (
                    <UnstyledButton td="underline" onClick={() => setOpen(tool.id)}>
                      {toolLabel(tool)}
                    </UnstyledButton>
                  ) : (
                    toolLabel(tool)
                  )}
                </Table.Td>
                <Table.Td>{tool.kind ? t(`tool.kinds.${tool.kind}`) : ''}</Table.Td>
                <Table.Td className="number">
                  {tool.range
                    ? t('tool.fromTo', { from: sayQuantity(tool.range.from), to: sayQuantity(tool.range.to) })
                    : ''}
                </Table.Td>
                <Table.Td className="number">{tool.specialNumber ?? ''}</Table.Td>
                <Table.Td>{namesOf(series, tool.substituteIds)}</Table.Td>
                <Table.Td>
                  {(tool.assets ?? []).map(({ number, calibratedUntil }) => (
                    <div key={number} className={styles.piece}>
                      <span className="number">{number}</span>
                      {calibratedUntil && (
                        <Tag
                          tone={outOfCalibration(tool, today()).some((a) => a.number === number) ? 'kaki' : undefined}
                        >
                          {t('tool.until', { day: showDay(calibratedUntil) })}
                        </Tag>
                      )}
                    </div>
                  ))}
                </Table.Td>
                {onChange && (
                  <Table.Td>
                    <Delete
                      name={toolLabel(tool)}
                      onDelete={() => set(series.tools.filter((other) => other.id !== tool.id))}
                    />
                  </Table.Td>
                )}
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {onChange && <TakeOver what="tools" series={series} onChange={onChange} />}
      <Modal
        opened={opened !== undefined}
        size={640}
        onClose={() => setOpen(null)}
        title={opened ? toolLabel(opened) : ''}
      >
        {opened && (
          <ToolFields
            tool={opened}
            series={series}
            onChange={(tool) => set(series.tools.map((other) => (other.id === tool.id ? tool : other)))}
          />
        )}
      </Modal>
    </section>
  );
}

function namesOf(series: Series, ids: readonly string[] = []): string {
  return ids
    .flatMap((id) => series.tools.find((tool) => tool.id === id) ?? [])
    .map(toolLabel)
    .join('; ');
}

interface ToolFieldsProps {
  readonly tool: Tool;
  readonly series: Series;
  readonly onChange: (tool: Tool) => void;
}

function ToolFields({ tool, series, onChange }: ToolFieldsProps) {
  const { t } = useTranslation();
  const [fault, setFault] = useState('');
  const [ends, setEnds] = useState({
    from: tool.range ? sayQuantity(tool.range.from) : '',
    to: tool.range ? sayQuantity(tool.range.to) : '',
  });
  const say = (fields: Partial<Tool>) =>
    onChange(Object.fromEntries(Object.entries({ ...tool, ...fields }).filter(([, v]) => v !== undefined)) as Tool);
  /** Both ends have to be said before there is a range; what is half said stays on the screen. */
  const sayRange = (next: typeof ends) => {
    setEnds(next);
    setFault('');
    if (!next.from && !next.to) return say({ range: undefined });
    if (!next.from || !next.to) return;
    for (const dimension of DIMENSIONS) {
      const [from, to] = [readQuantity(next.from, dimension), readQuantity(next.to, dimension)];
      if (!from.ok || !to.ok) continue;
      if (from.quantity.value >= to.quantity.value && from.quantity.unit === to.quantity.unit) break;
      return say({ range: { from: from.quantity, to: to.quantity } });
    }
    setFault(t('tool.badRange'));
  };
  const assets = tool.assets ?? [];
  const setAssets = (next: typeof assets) => say({ assets: next.length > 0 ? next : undefined });
  return (
    <Stack gap="xs">
      <Group grow>
        <DraftText
          label={t('tool.name')}
          value={tool.name}
          maxLength={120}
          onCommit={(name) => name && say({ name })}
        />
        <DraftText
          label={t('tool.size')}
          value={tool.size ?? ''}
          maxLength={60}
          onCommit={(size) => say({ size: size || undefined })}
        />
      </Group>
      <Group grow>
        <Select
          label={t('tool.kind')}
          placeholder={t('stack.unsaid')}
          clearable
          data={TOOL_KINDS.map((value) => ({ value, label: t(`tool.kinds.${value}`) }))}
          value={tool.kind ?? null}
          onChange={(kind) => say({ kind: (kind as ToolKind | null) ?? undefined })}
        />
        <DraftText
          label={t('tool.special')}
          value={tool.specialNumber ?? ''}
          maxLength={60}
          onCommit={(specialNumber) => say({ specialNumber: specialNumber || undefined })}
        />
      </Group>
      <Group grow align="flex-start">
        <DraftText
          label={t('tool.from')}
          placeholder="10 N·m"
          value={ends.from}
          error={fault || undefined}
          onCommit={(from) => sayRange({ ...ends, from })}
        />
        <DraftText
          label={t('tool.to')}
          placeholder="60 N·m"
          value={ends.to}
          onCommit={(to) => sayRange({ ...ends, to })}
        />
      </Group>
      {(tool.kind === 'measuring' || tool.accuracy) && (
        <QuantityText
          label={t('tool.accuracy')}
          dimension="length"
          placeholder="0.02 mm"
          value={tool.accuracy}
          onQuantity={(accuracy) => say({ accuracy })}
        />
      )}
      <MultiSelect
        label={t('tool.substitutes')}
        data={series.tools
          .filter(({ id }) => id !== tool.id)
          .map((other) => ({ value: other.id, label: toolLabel(other) }))}
        value={[...(tool.substituteIds ?? [])]}
        onChange={(ids) => say({ substituteIds: ids.length > 0 ? ids : undefined })}
      />
      <div className={styles.asset}>
        <Text size="sm" fw={500}>
          {t('tool.assets')}
        </Text>
        <Text size="sm" className="quiet">
          {t('tool.calibratedUntil')}
        </Text>
      </div>
      {[...assets, undefined].map((asset, i) => (
        <div key={asset?.number ?? `new-${assets.length}`} className={styles.asset}>
          <DraftText
            ariaLabel={t('tool.asset')}
            placeholder={t('tool.asset')}
            value={asset?.number ?? ''}
            maxLength={60}
            onCommit={(number) =>
              number &&
              !assets.some((other) => other.number === number) &&
              setAssets(assets.toSpliced(i, asset ? 1 : 0, { ...asset, number }))
            }
          />
          <TextInput
            type="date"
            aria-label={t('tool.calibratedUntil')}
            disabled={!asset}
            value={asset?.calibratedUntil ?? ''}
            onChange={(event) => {
              if (!asset) return;
              const day = event.currentTarget.value;
              setAssets(assets.with(i, { number: asset.number, ...(day && { calibratedUntil: day }) }));
            }}
          />
          {asset && (
            <Button
              size="compact-sm"
              variant="subtle"
              color="gray"
              aria-label={t('step.removeOne')}
              onClick={() => setAssets(assets.toSpliced(i, 1))}
            >
              <IconX size={16} />
            </Button>
          )}
        </div>
      ))}
    </Stack>
  );
}
