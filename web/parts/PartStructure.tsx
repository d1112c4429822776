import { Button, Group, MultiSelect, NumberInput, Select, Stack, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Timeline } from '#core/bench/replay';
import { isFastener } from '#core/model/kinds';
import { componentById, positionSetById } from '#core/model/lookup';
import type { Component, Cover, Series } from '#core/model/series';
import { Covers } from '#core/reach/covers';
import { whatMustComeOff } from '#core/reach/reach';
import { DraftText } from './DraftText';
import { FacesFields } from './FacesFields';
import { LookList } from './LookList';
import { OrInstead } from './OrInstead';
import styles from './PartStructure.module.css';
import { Remove } from './Remove';

interface PartStructureProps {
  readonly component: Component;
  readonly series: Series;
  readonly onChange: (change: Partial<Component>) => void;
  /** What a procedure suggests about the order; without it only what is said is shown. */
  readonly timeline?: Timeline;
}

/** What a part sits in, what holds it, what lies over it, how it faces and what is put on it. */
export function PartStructure({ component, series, onChange, timeline }: PartStructureProps) {
  const { t } = useTranslation();
  const others = series.components.filter((other) => other.id !== component.id);
  const choices = (list: readonly Component[]) => list.map((other) => ({ value: other.id, label: other.name }));
  return (
    <Stack gap="xs">
      <Select
        label={t('part.host')}
        placeholder={t('part.hostNone')}
        clearable
        searchable
        data={choices(others.filter((other) => !sitsIn(series, other, component.id)))}
        value={component.hostId ?? null}
        onChange={(hostId) => onChange({ hostId: hostId ?? undefined })}
      />
      <HostsElsewhere component={component} series={series} onChange={onChange} />
      <MultiSelect
        label={t('part.heldBy')}
        placeholder={component.heldBy?.length ? '' : t('part.heldByNone')}
        data={choices(others.filter((other) => isFastener(other.kind)))}
        value={component.heldBy ?? []}
        onChange={(heldBy) => onChange({ heldBy: heldBy.length > 0 ? heldBy : undefined })}
      />
      <CoverList component={component} series={series} onChange={onChange} {...(timeline && { timeline })} />
      {timeline && <Reach component={component} timeline={timeline} />}
      <div>
        <Text size="sm" fw={500}>
          {t('part.faces')}
        </Text>
        <FacesFields faces={component.faces} series={series} onFaces={(faces) => onChange({ faces })} />
      </div>
      <Wants component={component} series={series} onChange={onChange} />
      <div>
        <Text size="sm" fw={500}>
          {t('part.looks')}
        </Text>
        <LookList
          looks={component.looks ?? []}
          kind={component.kind}
          onChange={(looks) => onChange({ looks: looks.length > 0 ? [...looks] : undefined })}
        />
      </div>
      <Group grow gap={6}>
        <NumberInput
          label={t('part.soak')}
          min={1}
          max={2880}
          value={component.soakMinutes ?? ''}
          onChange={(value) => onChange({ soakMinutes: Number(value) >= 1 ? Number(value) : undefined })}
        />
        <NumberInput
          label={t('part.mass')}
          min={0}
          max={50_000}
          value={component.massKg ?? ''}
          onChange={(value) => onChange({ massKg: Number(value) > 0 ? Number(value) : undefined })}
        />
      </Group>
    </Stack>
  );
}

/** At some places a part may sit in another host than at the rest. */
function HostsElsewhere({ component, series, onChange }: PartStructureProps) {
  const { t } = useTranslation();
  const set = positionSetById(series, component.positionSetId);
  if (!set || !component.hostId) return null;
  const hosts = component.hostsAt ?? [];
  const say = (next: typeof hosts) => onChange({ hostsAt: next.length > 0 ? next : undefined });
  const names = new Map(set.positions.map(({ id, name }) => [id, name]));
  const free = set.positions.filter(({ id }) => !hosts.some((host) => host.positionId === id));
  const parts = series.components.filter(({ id }) => id !== component.id);
  return (
    <div>
      {hosts.map((host, i) => (
        <div key={host.positionId} className={styles.hostAt}>
          <span>{t('part.hostAt', { place: names.get(host.positionId) })}</span>
          <Select
            aria-label={t('part.hostAt', { place: names.get(host.positionId) })}
            allowDeselect={false}
            searchable
            data={parts.map(({ id, name }) => ({ value: id, label: name }))}
            value={host.hostId}
            onChange={(hostId) => hostId && say(hosts.with(i, { ...host, hostId }))}
          />
          <Remove onClick={() => say(hosts.toSpliced(i, 1))} />
        </div>
      ))}
      {free.length > 0 && (
        <Select
          aria-label={t('part.hostElsewhere')}
          placeholder={t('part.hostElsewhere')}
          data={free.map(({ id, name }) => ({ value: id, label: name }))}
          value={null}
          onChange={(positionId) =>
            positionId && component.hostId && say([...hosts, { positionId, hostId: component.hostId }])
          }
        />
      )}
    </div>
  );
}

/** What lies over the part: said by the trainer, or presumed from the order until it is confirmed or struck out. */
function CoverList({ component, series, onChange, timeline }: PartStructureProps) {
  const { t } = useTranslation();
  const said = component.coveredBy ?? [];
  const presumed = timeline ? new Covers(timeline).presumed(component.id) : [];
  const say = (componentId: string, how: Cover['said'] | undefined) => {
    const rest = said.filter((cover) => cover.componentId !== componentId);
    const next = how ? [...rest, { componentId, said: how }] : rest;
    onChange({ coveredBy: next.length > 0 ? next : undefined });
  };
  const name = (id: string) => componentById(series, id)?.name ?? '';
  const known = new Set([component.id, ...said.map((cover) => cover.componentId), ...presumed]);
  return (
    <div>
      <Text size="sm" fw={500}>
        {t('part.coveredBy')}
      </Text>
      {said.map(({ componentId, said: how }) => (
        <div key={componentId} className={styles.cover}>
          <span className={how === 'clear' ? styles.struck : ''}>{name(componentId)}</span>
          <span className="quiet">{t(`part.cover.${how}`)}</span>
          <Button size="compact-xs" variant="default" onClick={() => say(componentId, undefined)}>
            {t('part.cover.forget')}
          </Button>
        </div>
      ))}
      <div className={styles.presumed}>
        {presumed.map((id) => (
          <div key={id} className={styles.cover}>
            <span>{name(id)}</span>
            <span className="quiet">{t('part.cover.presumed')}</span>
            <Group gap={4} wrap="nowrap">
              <Button
                size="compact-xs"
                variant="default"
                aria-label={t('part.cover.confirmLabel', { name: name(id) })}
                onClick={() => say(id, 'covers')}
              >
                {t('part.cover.confirm')}
              </Button>
              <Button
                size="compact-xs"
                variant="default"
                aria-label={t('part.cover.strikeLabel', { name: name(id) })}
                onClick={() => say(id, 'clear')}
              >
                {t('part.cover.strike')}
              </Button>
            </Group>
          </div>
        ))}
      </div>
      <Select
        mt={4}
        aria-label={t('part.cover.add')}
        placeholder={t('part.cover.add')}
        searchable
        data={series.components.filter(({ id }) => !known.has(id)).map(({ id, name: label }) => ({ value: id, label }))}
        value={null}
        onChange={(id) => id && say(id, 'covers')}
      />
    </div>
  );
}

/** Grease, oil or compound that belongs on the part whenever it is fitted. */
function Wants({ component, series, onChange }: PartStructureProps) {
  const { t } = useTranslation();
  const wants = component.wants ?? [];
  const set = (next: typeof wants) => onChange({ wants: next.length > 0 ? next : undefined });
  if (series.consumables.length === 0) return null;
  return (
    <div>
      <Text size="sm" fw={500}>
        {t('part.wants')}
      </Text>
      {wants.map((want, i) => (
        <div key={want.consumableId} className={styles.want}>
          <span>{series.consumables.find(({ id }) => id === want.consumableId)?.name}</span>
          <DraftText
            ariaLabel={t('step.applyWhere')}
            placeholder={t('step.applyWhereHint')}
            value={want.where ?? ''}
            maxLength={160}
            onCommit={(where) => {
              const { where: _old, ...rest } = want;
              set(wants.with(i, where ? { ...rest, where } : rest));
            }}
          />
          <Button size="compact-xs" variant="default" onClick={() => set(wants.toSpliced(i, 1))}>
            {t('part.cover.forget')}
          </Button>
          <OrInstead application={want} series={series} onChange={(next) => set(wants.with(i, next))} />
        </div>
      ))}
      <Select
        mt={4}
        aria-label={t('part.wantsAdd')}
        placeholder={t('part.wantsAdd')}
        data={series.consumables
          .filter(({ id }) => !wants.some((want) => want.consumableId === id))
          .map(({ id, name }) => ({ value: id, label: name }))}
        value={null}
        onChange={(id) => id && set([...wants, { consumableId: id }])}
      />
    </div>
  );
}

/** What must come off to reach the part, in order. */
function Reach({ component, timeline }: { component: Component; timeline: Timeline }) {
  const { t } = useTranslation();
  const { series } = timeline.workbook;
  const [unit] = timeline.structure.byComponent.get(component.id) ?? [];
  if (!unit) return null;
  const first = whatMustComeOff(timeline, unit);
  const place = series.positionSets.flatMap((set) => set.positions).find(({ id }) => id === unit.positionId)?.name;
  return (
    <div>
      <Text size="sm" fw={500}>
        {place ? t('part.reachAt', { place }) : t('part.reach')}
      </Text>
      {first.length === 0 ? (
        <Text size="sm" className="quiet">
          {t('part.reachFree')}
        </Text>
      ) : (
        <ol className={styles.reach}>
          {first.map((spot) => (
            <li key={`${spot.componentId}${spot.positionId}`}>
              {componentById(series, spot.componentId)?.name}
              <span className="quiet">{t(`part.reason.${spot.reason}`)}</span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** Whether a part sits in another, by whatever way round. */
function sitsIn(series: Series, part: Component, hostId: string): boolean {
  const seen = new Set<string>();
  for (let id = part.hostId; id && !seen.has(id); id = componentById(series, id)?.hostId) {
    if (id === hostId) return true;
    seen.add(id);
  }
  return false;
}
