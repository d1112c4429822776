import { ActionIcon, Button, List, Popover, Slider, UnstyledButton } from '@mantine/core';
import { IconPrinter, IconX } from '@tabler/icons-react';
import { memo, useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Cell } from '#core/bench/cells';
import { journeyOf } from '#core/bench/journey';
import type { Timeline } from '#core/bench/replay';
import { lyingFree, stateAfter, unitsIn } from '#core/bench/state';
import type { Unit } from '#core/bench/units';
import { findingKey } from '#core/findings/finding';
import { cellName } from '#core/language/en/cells';
import { capital } from '#core/language/en/counted';
import { componentPhrase, titleOf } from '#core/language/en/sentence';
import { componentById } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { Cloth } from '../../../drawings/Cloth';
import { Tag } from '../../../parts/Tag';
import { useAuthor } from '../../../state/author-store';
import { useSettledStep, useSettledWorkbook } from '../../../state/settled';
import { computed, timelineTo } from '../../../state/timeline';
import author from '../desk/Author.module.css';
import { useAuthorView } from '../desk/author-view';
import styles from './ClothPanel.module.css';
import { FindingsPanel } from './FindingsPanel';

/** The cloth after the step in hand, and what would go wrong. Going through the fold goes before both. */
export function ClothPanel({ writes }: { writes: boolean }) {
  const selected = useSettledStep();
  return (
    <>
      <ClothAfter selected={selected} />
      <FindingsPanel writes={writes} />
    </>
  );
}

const ClothAfter = memo(function ClothAfter({ selected }: { selected: string | null }) {
  const { t } = useTranslation();
  const workbook = useSettledWorkbook();
  const findingInHand = useAuthorView((state) => state.finding);
  const bareFrom = useAuthorView((state) => state.bareFrom);
  const [opened, setOpened] = useState<number | null>(null);
  const { procedure, series } = workbook;
  const index = procedure.steps.findIndex((step) => step.id === selected);
  const count = stepsDone(procedure.steps, selected, bareFrom);
  const timeline = timelineTo(workbook, index);
  const state = stateAfter(timeline, count);
  const marked = computed(workbook).findings.find((finding) => findingKey(finding) === findingInHand)?.componentIds;
  const cell = timeline.cells.find((candidate) => candidate.number === opened);
  const mat = useRef<HTMLDivElement>(null);
  // A large cloth scrolls by itself, so that what would go wrong stays in sight.
  useEffect(() => {
    if (count > 0) mat.current?.querySelector('[data-now]')?.scrollIntoView({ block: 'nearest' });
  }, [count]);
  return (
    <>
      <div className={author.head}>
        <h2>{count > 0 ? t('cloth.after', { number: count }) : t('cloth.before')}</h2>
        <span className={author.small}>{t('cloth.out', { count: lyingFree(timeline, state).length })}</span>
      </div>
      {procedure.steps.length > 1 && <Scrubber />}
      <div ref={mat} className={styles.mat}>
        <Cloth
          timeline={timeline}
          after={count}
          {...(marked && { marked })}
          onChoose={({ number }) => setOpened(number === opened ? null : number)}
        />
      </div>
      {cell && <CellDetails timeline={timeline} cell={cell} onClose={() => setOpened(null)} />}
      <div className={styles.trays}>
        <Tray label={t('cloth.bin')} series={series} units={unitsIn(timeline, state, 'bin')} />
        <Tray label={t('cloth.tray')} series={series} units={unitsIn(timeline, state, 'tray')} />
        <Button
          variant="default"
          size="compact-sm"
          leftSection={<IconPrinter size={16} />}
          onClick={() => useAuthorView.setState({ dialog: 'print' })}
        >
          {t('cloth.print')}
        </Button>
      </div>
    </>
  );
});

/** How many steps are carried out when this one is in hand; none while the bare bench is looked at. */
function stepsDone(steps: readonly Step[], selected: string | null, bareFrom: string | null | undefined): number {
  if (bareFrom !== undefined && bareFrom === selected) return 0;
  const index = steps.findIndex((step) => step.id === selected);
  return index < 0 ? steps.length : index + 1;
}

/** Going along the steps with a slider; it follows the hand at once, whatever the cloth still has to draw. */
function Scrubber() {
  const { t } = useTranslation();
  const { steps } = useAuthor((state) => state.workbook.procedure);
  const selected = useAuthor((state) => state.selected);
  const bareFrom = useAuthorView((state) => state.bareFrom);
  const scrub = (value: number) => {
    const step = steps[value - 1];
    if (step) useAuthor.getState().select(step.id);
    useAuthorView.setState({ bareFrom: value === 0 ? useAuthor.getState().selected : undefined });
  };
  return (
    <Slider
      className={styles.scrub}
      size="sm"
      min={0}
      max={steps.length}
      value={stepsDone(steps, selected, bareFrom)}
      label={null}
      thumbLabel={t('cloth.scrub')}
      onChange={scrub}
    />
  );
}

interface CellDetailsProps {
  readonly timeline: Timeline;
  readonly cell: Cell;
  readonly onClose: () => void;
}

/** Where the parts of a cell came off, where they go back, and every step that touches them. */
function CellDetails({ timeline, cell, onClose }: CellDetailsProps) {
  const { t } = useTranslation();
  const { series, procedure } = timeline.workbook;
  const journey = journeyOf(timeline, cell.componentId, cell.unitIds);
  const lines = (['off', 'touched', 'binned', 'back'] as const).filter((kind) => journey[kind].length > 0);
  return (
    <section className={styles.details} aria-label={t('cloth.details')}>
      <header>
        {t('cloth.cellLabel', { number: cell.number, name: capital(cellName(timeline, cell)) })}
        <ActionIcon variant="subtle" color="gray" size={28} aria-label={t('app.close')} onClick={onClose}>
          <IconX size={16} />
        </ActionIcon>
      </header>
      {lines.map((kind) => (
        <div key={kind} className={styles.line}>
          <span className="quiet">{t(`cloth.journey.${kind}`)}</span>
          <span className={styles.steps}>
            {journey[kind].map((at) => {
              const step = procedure.steps[at];
              return (
                step && (
                  <button
                    key={at}
                    type="button"
                    className={styles.go}
                    onClick={() => useAuthor.getState().select(step.id)}
                  >
                    {`${at + 1}  ${titleOf(step, series)}`}
                  </button>
                )
              );
            })}
          </span>
        </div>
      ))}
      {journey.back.length === 0 && <span>{t('cloth.neverBack')}</span>}
    </section>
  );
}

function Tray({ label, series, units }: { label: string; series: Series; units: readonly Unit[] }) {
  const { t } = useTranslation();
  const counts = new Map<string, number>();
  for (const unit of units) counts.set(unit.componentId, (counts.get(unit.componentId) ?? 0) + 1);
  return (
    <Popover position="top" withArrow>
      <Popover.Target>
        <UnstyledButton>
          <Tag>
            {label} <b className="number">{units.length}</b>
          </Tag>
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown>
        {units.length === 0 && t('cloth.nothing')}
        <List size="sm">
          {[...counts].map(([id, count]) => {
            const component = componentById(series, id);
            return (
              <List.Item key={id}>{component && `${count} × ${componentPhrase(component, count, false)}`}</List.Item>
            );
          })}
        </List>
      </Popover.Dropdown>
    </Popover>
  );
}
