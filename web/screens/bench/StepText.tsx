import { IconArrowsVertical, IconBrush, IconTool } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { aidNames, methodLine, poseLine } from '#core/language/en/branches';
import { sayCaution } from '#core/language/en/cautions';
import { componentPhrase, headingOf, sayTool, unitsMeant } from '#core/language/en/sentence';
import type { Pose } from '#core/model/faces';
import { componentById } from '#core/model/lookup';
import type { Step, Target, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { stacksWith } from '#core/orientation/stack-section';
import { PoseDrawing } from '../../drawings/PoseDrawing';
import { Silhouette } from '../../drawings/Silhouette';
import { CautionNote } from '../../parts/CautionNote';
import { StepPictures } from '../../parts/StepPictures';
import { FacingSaid, StepSections } from '../../parts/StepSections';
import { useReader, useSaid } from '../../state/reader';
import buttons from './Bench.module.css';
import styles from './StepText.module.css';

interface StepTextProps {
  readonly step: Step;
  readonly index: number;
  readonly workbook: Workbook;
  /** How the housings lie as the step is done. */
  readonly poses: ReadonlyMap<string, Pose>;
  /** The position in hand, of a step that is gone through one by one. */
  readonly place?: string | undefined;
  /** The method it is told by, when that is not the step's own way. */
  readonly method?: string | undefined;
  /** What is drawn of it beside its text. */
  readonly drawing?: ReactNode;
  /** Takes another method; null is the step's own way. Without it methods are only told. */
  readonly onMethod?: (methodId: string | null) => void;
}

/** What to do, with what, and which way it faces, to be read at arm's length. Cautions stand before the act. */
export function StepText({ step, index, workbook, poses, place, method, drawing, onMethod }: StepTextProps) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
  const { series, procedure } = workbook;
  const hasSection =
    stacksWith(
      series,
      step.targets.map(({ componentId }) => componentId),
    ).length > 0;
  const tools = step.toolIds.flatMap((id) => series.tools.find((tool) => tool.id === id) ?? []);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a step that says much is scrolled with the arrow keys
    <section className={styles.left} aria-live="polite" tabIndex={0}>
      <div className={styles.count}>
        <span className="number">{t('bench.of', { number: index + 1, steps: procedure.steps.length })}</span>
        <span>{t(`stage.${step.stage}`)}</span>
        {method && <strong className={styles.place}>{method}</strong>}
        {place && <strong className={styles.place}>{place}</strong>}
      </div>
      {step.cautions.map((caution) => (
        <CautionNote key={caution.signal + sayCaution(caution)} caution={caution} />
      ))}
      <h1>{headingOf(step, series, units)}</h1>
      {step.detail && <p className={styles.detail}>{step.detail}</p>}
      <div className={hasSection ? `${styles.beside} ${styles.drawn}` : drawing ? styles.beside : styles.facts}>
        {drawing}
        <div className={styles.facts}>
          {step.targets.length > 0 && (
            <div className={styles.parts}>
              {step.targets.map((target) => (
                <PartInHand key={target.componentId} target={target} step={step} series={series} />
              ))}
            </div>
          )}
          <div className={styles.columns}>
            {tools.map((tool) => (
              <div key={tool.id} className={styles.item}>
                <IconTool size={26} aria-label={t('step.tools')} />
                {sayTool(tool, step.toolCounts?.[tool.id])}
              </div>
            ))}
            {step.faces && (
              <div className={`${styles.item} ${styles.faces}`}>
                <IconArrowsVertical size={26} aria-label={t('step.faces')} />
                <FacingSaid step={step} series={series} poses={poses} />
              </div>
            )}
            {step.applications.map(({ consumableId, where, amount }) => (
              <div key={consumableId} className={styles.item}>
                <IconBrush size={26} aria-label={t('step.apply')} />
                <span>
                  {series.consumables.find((consumable) => consumable.id === consumableId)?.name}
                  {(where || amount) && (
                    <>
                      <br />
                      <small>{[amount, where].filter(Boolean).join(', ')}</small>
                    </>
                  )}
                </span>
              </div>
            ))}
          </div>
        </div>
        <StepSections step={step} series={series} poses={poses} />
      </div>
      {(step.methods ?? []).map((other) => (
        <div key={other.id} className={styles.method}>
          <div className={styles.facts}>
            <p className={styles.detail}>{t('bench.or', { method: methodLine(other, workbook) })}</p>
            {other.cautions.map((caution) => (
              <CautionNote key={caution.signal + sayCaution(caution)} caution={caution} />
            ))}
          </div>
          {onMethod && <TakeMethod name={other.name} onTake={() => onMethod(other.id)} />}
        </div>
      ))}
      {method && onMethod && (
        <div className={styles.method}>
          <p className={styles.detail}>{t('bench.orUsual')}</p>
          <TakeMethod name={t('bench.usualWay')} onTake={() => onMethod(null)} />
        </div>
      )}
      {(['aidsIn', 'aidsOut'] as const).map(
        (field) =>
          step[field] && (
            <p key={field} className={styles.detail}>
              {t(`bench.${field}`, { aids: aidNames(step[field], workbook) })}
            </p>
          ),
      )}
      {step.pose && (
        <div className={styles.pose}>
          <PoseDrawing pose={step.pose.lies} />
          <p className={styles.detail}>{t('bench.pose', { pose: poseLine(step, workbook) })}</p>
        </div>
      )}
      <StepPictures step={step} />
      {step.why && <p className={styles.why}>{step.why}</p>}
    </section>
  );
}

function TakeMethod({ name, onTake }: { name: string; onTake: () => void }) {
  const { t } = useTranslation();
  return (
    <button
      type="button"
      className={buttons.medium}
      aria-label={t('bench.byMethod', { method: name })}
      onClick={onTake}
    >
      {t('bench.thisWay')}
    </button>
  );
}

/** The part as it looks on the cloth, how many, and its number to order or check by. */
function PartInHand({ target, step, series }: { target: Target; step: Step; series: Series }) {
  const { t } = useTranslation();
  const said = useSaid();
  const component = componentById(series, target.componentId);
  if (!component) return null;
  const count = unitsMeant(component, target, step, series);
  return (
    <div className={styles.part}>
      <Silhouette part={component} size={62} />
      <span>
        <strong>
          {count > 1 ? t('bench.partCount', { count, name: componentPhrase(component, count, false) }) : component.name}
        </strong>
        {(component.partNumber || component.massKg) && (
          <>
            <br />
            <small>
              {component.partNumber && <span className="number">{component.partNumber} </span>}
              {component.massKg && said({ value: component.massKg, unit: 'kg' })}
            </small>
          </>
        )}
      </span>
    </div>
  );
}
