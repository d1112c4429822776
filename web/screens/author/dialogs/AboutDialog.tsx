import { ActionIcon, Checkbox, Modal, MultiSelect, NumberInput, Select, Stack, Text } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useTranslation } from 'react-i18next';
import { componentById } from '#core/model/lookup';
import type { IntendedChange, Procedure } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { DraftText } from '../../../parts/DraftText';
import { useAuthor } from '../../../state/author-store';
import { useProceduresOf } from '../../shelf/shelf';
import { useAuthorView } from '../desk/author-view';
import styles from './Dialogs.module.css';

type About = Partial<Omit<Procedure, 'id' | 'seriesId' | 'steps'>>;

/** What the whole procedure is for: its kits, the module before and after it, and what it means to change. */
export function AboutDialog({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const opened = useAuthorView((state) => state.dialog === 'about');
  return (
    <Modal opened={opened} onClose={() => useAuthorView.setState({ dialog: null })} title={t('about.title')} size={680}>
      {opened && (
        <fieldset disabled={!writes} style={{ border: 0, margin: 0, padding: 0 }}>
          <AboutFields />
        </fieldset>
      )}
    </Modal>
  );
}

function AboutFields() {
  const { t } = useTranslation();
  const { series, procedure } = useAuthor((state) => state.workbook);
  const change = (fields: About) => useAuthor.getState().apply([{ kind: 'change-procedure', fields }]);
  const siblings = (useProceduresOf(series.id) ?? []).filter(({ id }) => id !== procedure.id);
  return (
    <Stack gap="sm">
      <DraftText
        label={t('about.name')}
        value={procedure.title}
        maxLength={160}
        onCommit={(title) => title && change({ title })}
      />
      <DraftText
        lines
        label={t('about.purpose')}
        value={procedure.purpose ?? ''}
        maxLength={1200}
        onCommit={(purpose) => change({ purpose: purpose || undefined })}
      />
      <Kits series={series} procedure={procedure} onChange={change} />
      <Select
        label={t('about.takesOver')}
        description={t('about.takesOverHint')}
        placeholder={t('about.takesOverNone')}
        clearable
        data={siblings.map(({ id, title }) => ({ value: id, label: title }))}
        value={procedure.takesOver ?? null}
        onChange={(takesOver) => change({ takesOver: takesOver ?? undefined })}
      />
      {!procedure.takesOver && <StartsFrom series={series} procedure={procedure} onChange={change} />}
      <Checkbox
        label={t('about.handsOn')}
        checked={procedure.handsOn ?? false}
        onChange={(event) => change({ handsOn: event.currentTarget.checked || undefined })}
      />
      <Intentions series={series} procedure={procedure} onChange={change} />
    </Stack>
  );
}

interface PartProps {
  readonly series: Series;
  readonly procedure: Procedure;
  readonly onChange: (fields: About) => void;
}

/** A complete pump, or parts that lie on the bench. */
function StartsFrom({ series, procedure, onChange }: PartProps) {
  const { t } = useTranslation();
  const { startsFrom } = procedure;
  return (
    <>
      <Checkbox
        label={t('about.startsFrom')}
        checked={startsFrom !== undefined}
        onChange={(event) => onChange({ startsFrom: event.currentTarget.checked ? { is: 'parts' } : undefined })}
      />
      {startsFrom && (
        <MultiSelect
          searchable
          clearable
          label={t('about.onBench')}
          placeholder={startsFrom.componentIds ? '' : t('about.onBenchAll')}
          data={series.components.map(({ id, name }) => ({ value: id, label: name }))}
          value={startsFrom.componentIds ?? []}
          onChange={(ids) => onChange({ startsFrom: { is: 'parts', ...(ids.length > 0 && { componentIds: ids }) } })}
        />
      )}
    </>
  );
}

function Kits({ series, procedure, onChange }: PartProps) {
  const { t } = useTranslation();
  const kits = procedure.kits ?? [];
  const set = (next: typeof kits) => onChange({ kits: next.length > 0 ? next : undefined });
  return (
    <div>
      <Text size="sm" fw={500} mb={4}>
        {t('about.kits')}
      </Text>
      {kits.map(({ kitId, count }, i) => (
        <div key={kitId} className={styles.kit}>
          <span>{series.kits.find(({ id }) => id === kitId)?.name}</span>
          <NumberInput
            aria-label={t('about.kitCount')}
            min={1}
            max={99}
            value={count}
            onChange={(value) => {
              const kit = kits[i];
              if (kit && Number(value) >= 1) set(kits.with(i, { ...kit, count: Number(value) }));
            }}
          />
          <KitWhen procedure={procedure} kit={kits[i] ?? { kitId, count }} onKit={(kit) => set(kits.with(i, kit))} />
          <RemoveRow onClick={() => set(kits.toSpliced(i, 1))} />
        </div>
      ))}
      <Select
        aria-label={t('about.addKit')}
        placeholder={series.kits.length > 0 ? t('about.addKit') : t('about.noKits')}
        disabled={series.kits.length === 0}
        data={series.kits
          .filter(({ id }) => !kits.some(({ kitId }) => kitId === id))
          .map(({ id, name }) => ({ value: id, label: name }))}
        value={null}
        onChange={(kitId) => kitId && set([...kits, { kitId, count: 1 }])}
      />
    </div>
  );
}

type LaidOutKit = NonNullable<Procedure['kits']>[number];

interface KitWhenProps {
  readonly procedure: Procedure;
  readonly kit: LaidOutKit;
  readonly onKit: (kit: LaidOutKit) => void;
}

/** The leather set or the PTFE set: a kit that only one answer asks for. */
function KitWhen({ procedure, kit, onKit }: KitWhenProps) {
  const { t } = useTranslation();
  const answers = procedure.steps.flatMap(({ id, decision }, i) =>
    (decision?.answers ?? []).map((answer) => ({
      value: `${id} ${answer.id}`,
      label: t('about.kitOn', { number: i + 1, answer: answer.text }),
    })),
  );
  if (answers.length === 0) return <span />;
  const [condition] = kit.when ?? [];
  const { when: _always, ...always } = kit;
  return (
    <Select
      aria-label={t('about.kitWhen')}
      placeholder={t('about.kitAlways')}
      clearable
      data={answers}
      value={condition ? `${condition.stepId} ${condition.answerIds[0]}` : null}
      onChange={(chosen) => {
        const [stepId, answerId] = chosen?.split(' ') ?? [];
        onKit(stepId && answerId ? { ...kit, when: [{ stepId, answerIds: [answerId] }] } : always);
      }}
    />
  );
}

const KINDS = ['leaves', 'joins', 'moves', 'turns', 'exchanges'] as const;

/** A shaft swapped to the other side, a seal style converted: the end the procedure aims at. */
function Intentions({ series, procedure, onChange }: PartProps) {
  const { t } = useTranslation();
  const intends = procedure.intends ?? [];
  const set = (next: readonly IntendedChange[]) => onChange({ intends: next.length > 0 ? [...next] : undefined });
  const places = (componentId: string) =>
    series.positionSets.find(({ id }) => id === componentById(series, componentId)?.positionSetId)?.positions ?? [];
  /** The same part with another kind of change; one that moves starts between its first two positions. */
  const as = (kind: (typeof KINDS)[number], componentId: string): IntendedChange => {
    const [from, to] = places(componentId);
    if (kind === 'moves')
      return from && to
        ? { kind, componentId, fromPositionId: from.id, toPositionId: to.id }
        : { kind: 'leaves', componentId };
    const other = series.components.find(({ id }) => id !== componentId);
    if (kind === 'exchanges')
      return other ? { kind, componentId, withComponentId: other.id } : { kind: 'leaves', componentId };
    return { kind, componentId };
  };
  return (
    <div>
      <Text size="sm" fw={500} mb={4}>
        {t('about.intends')}
      </Text>
      {intends.map((change, i) => {
        const data = places(change.componentId).map(({ id, name }) => ({ value: id, label: name }));
        return (
          <div key={`${change.kind} ${change.componentId}`} className={styles.row}>
            <Select
              aria-label={t('about.intendsKind')}
              allowDeselect={false}
              data={KINDS.map((value) => ({
                value,
                label: t(`about.kind.${value}`),
                disabled: value === 'moves' && data.length < 2,
              }))}
              value={change.kind}
              onChange={(kind) => kind && set(intends.with(i, as(kind as IntendedChange['kind'], change.componentId)))}
            />
            <span>{componentById(series, change.componentId)?.name}</span>
            {change.kind === 'moves' ? (
              <span style={{ display: 'flex', gap: 6 }}>
                {(['fromPositionId', 'toPositionId'] as const).map((end) => (
                  <Select
                    key={end}
                    aria-label={t(`about.${end}`)}
                    allowDeselect={false}
                    data={data}
                    value={change[end]}
                    onChange={(id) => id && set(intends.with(i, { ...change, [end]: id }))}
                  />
                ))}
              </span>
            ) : change.kind === 'exchanges' ? (
              <Select
                aria-label={t('about.exchangesWith')}
                allowDeselect={false}
                searchable
                data={series.components
                  .filter(({ id }) => id !== change.componentId)
                  .map(({ id, name }) => ({ value: id, label: name }))}
                value={change.withComponentId}
                onChange={(id) => id && set(intends.with(i, { ...change, withComponentId: id }))}
              />
            ) : (
              <span />
            )}
            <RemoveRow onClick={() => set(intends.toSpliced(i, 1))} />
          </div>
        );
      })}
      <Select
        aria-label={t('about.addIntends')}
        placeholder={t('about.addIntends')}
        searchable
        data={series.components
          .filter(({ id }) => !intends.some(({ componentId }) => componentId === id))
          .map(({ id, name }) => ({ value: id, label: name }))}
        value={null}
        onChange={(id) => id && set([...intends, as('leaves', id)])}
      />
    </div>
  );
}

function RemoveRow({ onClick }: { onClick: () => void }) {
  const { t } = useTranslation();
  return (
    <ActionIcon variant="subtle" color="gray" size={32} aria-label={t('step.removeOne')} onClick={onClick}>
      <IconX size={16} />
    </ActionIcon>
  );
}
