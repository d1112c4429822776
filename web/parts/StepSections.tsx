import { useTranslation } from 'react-i18next';
import { sayClocking, sayDirection, sayFacing } from '#core/language/en/directions';
import type { Pose } from '#core/model/faces';
import { componentById } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { verbOf } from '#core/model/verbs';
import { otherWay, poseAround } from '#core/orientation/directions';
import { saidFacings, stacksWith } from '#core/orientation/stack-section';
import { StackSection } from '../drawings/StackSection';

type Poses = ReadonlyMap<string, Pose>;

interface StepSectionsProps {
  readonly step: Step;
  readonly series: Series;
  /** How the housings lie as the step is done. */
  readonly poses: Poses;
}

/** The stacks a step works in, with its parts pointed out and shown as the step says they face. */
export function StepSections({ step, series, poses }: StepSectionsProps) {
  if (verbOf(step.verb).object !== 'parts') return null;
  const ids = step.targets.map(({ componentId }) => componentId);
  return stacksWith(series, ids).map((stack) => (
    <StackSection
      key={stack.id}
      stack={stack}
      series={series}
      current={ids}
      said={saidFacings(step)}
      pose={poseAround(stack.hostId ?? ids[0], poses, series)?.pose}
    />
  ));
}

/** How a facing reads in the pump and, for the housing as it lies, on the bench; with turning and trial fit. */
export function FacingSaid({ step, series, poses }: StepSectionsProps) {
  const { t } = useTranslation();
  const { faces } = step;
  const component = componentById(series, step.targets[0]?.componentId ?? '');
  if (!faces) return null;
  const other = component && otherWay(faces, component, series, poses);
  const lines = [
    other &&
      (other.is === 'on-bench'
        ? t(`faces.onBench.${other.direction}`)
        : t('faces.inPump', { toward: sayDirection(other.toward, series) })),
    faces.clocking && sayClocking(faces.clocking),
    faces.tellBy && t('bench.tellBy', { by: faces.tellBy }),
    faces.trialFit && t('faces.trial', { fit: faces.trialFit }),
  ].filter(Boolean);
  return (
    <span>
      <strong>{sayFacing(faces, series)}</strong>
      {lines.map((line) => (
        <span key={line}>
          <br />
          <small>{line}</small>
        </span>
      ))}
    </span>
  );
}
