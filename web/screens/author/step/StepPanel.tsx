import { ActionIcon, Button, Group } from '@mantine/core';
import { IconCopy, IconTrash } from '@tabler/icons-react';
import { memo, type RefObject, useCallback, useEffect, useLayoutEffect, useRef } from 'react';
import { Trans, useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { stepRuns } from '#core/bench/passes';
import { stateAfter } from '#core/bench/state';
import { conditionOf } from '#core/language/en/branches';
import { sayCaution } from '#core/language/en/cautions';
import { sentenceOf, titleOf } from '#core/language/en/sentence';
import { componentById } from '#core/model/lookup';
import type { Procedure, Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { stacksWith } from '#core/orientation/stack-section';
import { CautionNote } from '../../../parts/CautionNote';
import { StepPictures } from '../../../parts/StepPictures';
import { FacingSaid, StepSections } from '../../../parts/StepSections';
import { Tag } from '../../../parts/Tag';
import { useAuthor } from '../../../state/author-store';
import { useReader } from '../../../state/reader';
import { useSettledStep, useSettledWorkbook } from '../../../state/settled';
import { computed, timelineTo } from '../../../state/timeline';
import { removeStep } from '../desk/remove-step';
import { FromTheBench } from './FromTheBench';
import styles from './Step.module.css';
import { StepFacts } from './StepFacts';
import { StepFields } from './StepFields';

/** The step in hand: what it says stands there at once, its fields follow as soon as there is time. */
export function StepPanel({ writes }: { writes: boolean }) {
  const chosen = useAuthor((state) => state.selected);
  const selected = useSettledStep();
  const panel = useRef<HTMLDivElement>(null);
  const fields = useRef<HTMLDivElement>(null);
  useTopOf(panel, chosen);
  const reach = useCallback(
    (slot: string) =>
      fields.current?.querySelector<HTMLElement>(`[data-field="${slot}"] :is(input, textarea)`)?.focus(),
    [],
  );
  const isBehind = selected !== chosen;
  return (
    <div ref={panel} className={styles.inHand}>
      <StepSaid selected={chosen} writes={writes} onReach={reach} />
      {/* What still shows the step before is not seen, and takes no edits meant for the one chosen. */}
      <div ref={fields} className={styles.beneath} inert={isBehind} data-behind={isBehind || undefined}>
        <StepBeneath selected={selected} writes={writes} />
      </div>
    </div>
  );
}

/** Another step begins at its top, wherever the one before was scrolled to; one that was not is left alone, unmeasured. */
function useTopOf(panel: RefObject<HTMLDivElement | null>, chosen: string | null): void {
  const isScrolled = useRef(false);
  useEffect(() => {
    const scroller = panel.current?.parentElement;
    const onScroll = () => {
      isScrolled.current = true;
    };
    scroller?.addEventListener('scroll', onScroll, { passive: true });
    return () => scroller?.removeEventListener('scroll', onScroll);
  }, [panel]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the change of step that scrolls
  useLayoutEffect(() => {
    if (isScrolled.current) panel.current?.parentElement?.scrollTo({ top: 0 });
    isScrolled.current = false;
  }, [chosen]);
}

interface StepSaidProps {
  readonly selected: string | null;
  readonly writes: boolean;
  /** Goes to the field behind a slot of the sentence. */
  readonly onReach: (slot: string) => void;
}

/** A step as a sentence with slots. */
const StepSaid = memo(function StepSaid({ selected, writes, onReach }: StepSaidProps) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const units = useReader((state) => state.units);
  const { series, procedure } = workbook;
  const index = procedure.steps.findIndex((step) => step.id === selected);
  const step = procedure.steps[index];
  if (!step) return <EmptyStep writes={writes} />;

  const condition = conditionOf(step, workbook);
  const block = stepRuns(procedure).find(({ from, to, positionIds }) => positionIds && from <= index && index < to);

  return (
    <>
      <div className={styles.heading}>
        <span className={styles.n}>{index + 1}</span>
        <h1>{titleOf(step, series)}</h1>
        <Tag>
          {t(`stage.${step.stage}`)}
          <Pairs stepId={step.id} />
        </Tag>
        {writes && (
          <Group gap={6} wrap="nowrap">
            <ActionIcon
              variant="default"
              size={32}
              aria-label={t('step.duplicate')}
              title={t('step.duplicate')}
              onClick={() => useAuthor.getState().duplicate(step.id)}
            >
              <IconCopy size={17} />
            </ActionIcon>
            <ActionIcon
              variant="default"
              size={32}
              aria-label={t('step.delete')}
              title={t('step.delete')}
              onClick={() => removeStep(step.id)}
            >
              <IconTrash size={17} />
            </ActionIcon>
          </Group>
        )}
      </div>
      {condition && <p className={styles.only}>{t('step.only', { condition })}</p>}
      {block && <p className={styles.only}>{t('step.inBlock', { from: block.from + 1, to: block.to })}</p>}
      {step.drafted && (
        <div className={styles.drafted}>
          <span>{t('step.drafted')}</span>
          {writes && (
            <Button size="compact-sm" onClick={() => useAuthor.getState().confirm(step.id)}>
              {t('step.confirm')}
            </Button>
          )}
        </div>
      )}
      {step.cautions.map((caution) => (
        <div key={caution.signal + sayCaution(caution)} style={{ marginBottom: 10 }}>
          <CautionNote caution={caution} />
        </div>
      ))}
      <div className={styles.card}>
        <p className={styles.sentence}>
          {sentenceOf(step, series, units).map((piece, i) => {
            const { slot, text } = piece;
            // Pieces have no identity beyond their place in the sentence.
            const key = `${i}-${slot ?? ''}`;
            if (!slot) return <span key={key}>{text}</span>;
            return writes ? (
              <button key={key} type="button" className={styles.slot} onClick={() => onReach(slot)}>
                {text}
              </button>
            ) : (
              <strong key={key}>{text}</strong>
            );
          })}
        </p>
      </div>
    </>
  );
});

/** What stands below the sentence: how the parts sit, where it comes from, and every field. */
const StepBeneath = memo(function StepBeneath({ selected, writes }: { selected: string | null; writes: boolean }) {
  // An edit elsewhere leaves the step as it is, and its fields need not be drawn anew for it.
  const step = useAuthor((state) => state.workbook.procedure.steps.find(({ id }) => id === selected));
  const settled = useSettledWorkbook();
  if (!step) return null;
  // What the step names for the first time is not in what is settled yet.
  const workbook = namesAll(step, settled.series) ? settled : useAuthor.getState().workbook;
  const { series, procedure } = workbook;
  return (
    <>
      {stacksWith(
        series,
        step.targets.map(({ componentId }) => componentId),
      ).length > 0 && (
        <div className={`${styles.card} ${styles.inSection}`}>
          <HowItSits step={step} series={series} />
        </div>
      )}
      <SaidInSource step={step} procedure={procedure} />
      <FromTheBench procedureId={procedure.id} stepId={step.id} writes={writes} />
      {!writes && <StepPictures step={step} />}
      <div className={styles.card}>
        {writes ? (
          <StepFields key={step.id} step={step} workbook={workbook} />
        ) : (
          <StepFacts step={step} workbook={workbook} />
        )}
      </div>
    </>
  );
});

function namesAll({ targets, toolIds, applications }: Step, series: Series): boolean {
  return (
    targets.every(({ componentId }) => componentById(series, componentId)) &&
    toolIds.every((id) => series.tools.some((tool) => tool.id === id)) &&
    applications.every(({ consumableId }) => series.consumables.some(({ id }) => id === consumableId))
  );
}

/** The steps that take off what this one puts back, or put back what it takes off. */
function Pairs({ stepId }: { stepId: string }) {
  const { t } = useTranslation();
  const workbook = useSettledWorkbook();
  const partners = (computed(workbook).fold.partners.get(stepId) ?? []).map(
    (id) => workbook.procedure.steps.findIndex((step) => step.id === id) + 1,
  );
  return partners.length > 0 ? t('step.pairs', { numbers: partners.join(', ') }) : null;
}

/** The parts of the step in section, as the housings lie by then. */
function HowItSits({ step, series }: { step: Step; series: Series }) {
  const workbook = useSettledWorkbook();
  const index = workbook.procedure.steps.findIndex(({ id }) => id === step.id);
  const { poses } = stateAfter(timelineTo(workbook, index), index);
  return (
    <>
      <StepSections step={step} series={series} poses={poses} />
      <FacingSaid step={step} series={series} poses={poses} />
    </>
  );
}

/** The sentences that the step was made of, with the way back to them. */
function SaidInSource({ step, procedure }: { step: Step; procedure: Procedure }) {
  const { t } = useTranslation();
  const narration = procedure.narrations?.find(({ id }) => id === step.source?.narrationId);
  const said = narration?.passages.filter(({ id }) => step.source?.passageIds.includes(id)) ?? [];
  if (!narration || said.length === 0) return null;
  return (
    <blockquote className={styles.fromSource}>
      {said.map(({ text }) => text).join(' ')}{' '}
      <Link to={`/procedures/${procedure.id}/narration?source=${narration.id}`}>
        {t('narration.from', { name: narration.name })}
      </Link>
    </blockquote>
  );
}

function EmptyStep({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  return (
    <div className={styles.empty}>
      <p>{writes ? t('step.none') : t('fold.emptyReader')}</p>
      {writes && (
        <div className={styles.examples}>
          {(['one', 'two', 'three', 'four'] as const).map((key) => (
            <span key={key}>
              <Trans i18nKey={`step.example.${key}`} components={{ c: <code /> }} />
            </span>
          ))}
          <Button component={Link} to="narration" relative="path" variant="default">
            {t('keys.narration')}
          </Button>
        </div>
      )}
    </div>
  );
}
