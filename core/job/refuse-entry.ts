import { placesOf } from '../judging/measure';
import { dimensionOf } from '../model/lookup';
import type { Workbook } from '../model/procedure';
import { unitOf } from '../quantity/units';
import { demandsAt, demandsOf, isAnswered, placesAsked, readingPlaces } from './demands';
import type { EntryContent } from './entry';
import { sentReading } from './entry-words';
import { indexOfStep, runOf } from './job';
import type { JobState } from './state';
import { jointOfStep, latestAt, type TighteningSpot } from './tightening';
import { stepInJob, stepPlaces } from './to-do';

export type EntryRefusal =
  | 'job-finished'
  | 'job-paused'
  | 'not-holder'
  | 'unknown-step'
  | 'step-not-in-hand'
  | 'demands-open'
  | 'steps-open'
  | 'not-paused'
  | 'already-holder'
  | 'nothing-to-override'
  | 'not-a-torque-step'
  | 'reading-known'
  | 'no-such-answer'
  | 'not-asked-there'
  | 'nothing-to-measure'
  | 'nothing-to-look-at'
  | 'no-such-place'
  | 'no-such-method'
  | 'nothing-to-approve'
  | 'own-approval'
  | 'no-such-photo';

/** Why an entry cannot be taken now, or undefined when it can. */
export function refuseEntry(
  workbook: Workbook,
  state: JobState,
  by: string,
  content: EntryContent,
): EntryRefusal | undefined {
  if (state.phase === 'finished') return 'job-finished';
  if (content.kind === 'taken-over') return state.holder === by ? 'already-holder' : undefined;
  if (state.holder !== by) return 'not-holder';
  if (content.kind === 'resumed') return state.phase === 'paused' ? undefined : 'not-paused';
  // Paused again, it says what it waits for.
  if (state.phase === 'paused') return content.kind === 'paused' ? undefined : 'job-paused';
  if (content.kind === 'paused' || content.kind === 'setting-chosen' || content.kind === 'locks-checked')
    return undefined;
  if (state.wrenchReadings.has(sentReading(content) ?? '')) return 'reading-known';
  if (content.kind === 'reading-set-aside') return undefined;
  if (content.kind === 'finished' || content.kind === 'signed')
    return state.cursor >= workbook.procedure.steps.length ? undefined : 'steps-open';

  const index = indexOfStep(workbook.procedure, content.stepId);
  const said = workbook.procedure.steps[index];
  if (!said) return 'unknown-step';
  if (content.kind === 'went-back') return index < state.cursor ? undefined : 'step-not-in-hand';
  // What was wrong may reach the server after the step was done.
  if (content.kind === 'problem') return index <= state.cursor ? undefined : 'step-not-in-hand';
  if (index !== state.cursor) return 'step-not-in-hand';
  const run = runOf(state, said.id);
  const step = stepInJob(said, state, run.chosenMethodId, workbook) ?? said;
  switch (content.kind) {
    case 'step-done':
      return demandsOf(step, run, workbook).length > 0 ? 'demands-open' : undefined;
    case 'torque-read':
      return readingPlaces(step, workbook).includes(content.positionId) && isSpotOf(content.spot)
        ? undefined
        : 'not-a-torque-step';
    case 'torque-accepted': {
      const latest = latestAt(run, content.positionId, content.spot);
      return latest && latest.verdict !== 'within' ? undefined : 'nothing-to-override';
    }
    case 'torque-moved': {
      const isKnown = run.readings.some(({ entryId, spot }) => entryId === content.entryId && spot);
      const isThere = readingPlaces(step, workbook).includes(content.positionId) && isSpotOf(content.spot);
      return isKnown && isThere ? undefined : 'not-a-torque-step';
    }
    case 'turned-on': {
      const { plan } = jointOfStep(step, workbook)?.passes[content.spot.pass] ?? {};
      const isThere = stepPlaces(step, workbook).includes(content.positionId) && isSpotOf(content.spot);
      return plan?.is === 'angle' && isThere ? undefined : 'not-a-torque-step';
    }
    case 'measured': {
      const asked = step.measurements?.find(({ id }) => id === content.measurementId);
      const known =
        asked && placesOf(asked).some((p) => p.point === content.point && p.direction === content.direction);
      const isInKind = asked && unitOf(content.reading.unit).dimension === dimensionOf(asked);
      return known && isInKind && stepPlaces(step, workbook).includes(content.positionId)
        ? undefined
        : 'nothing-to-measure';
    }
    case 'run-read':
      return step.run ? undefined : 'nothing-to-measure';
    case 'proved':
      return step.proofs?.[content.proof.what] ? undefined : 'nothing-to-measure';
    case 'gauged': {
      const isAsked = step.measurements?.some(({ id }) => id === content.measurementId);
      return isAsked && stepPlaces(step, workbook).includes(content.positionId) ? undefined : 'nothing-to-measure';
    }
    case 'looked': {
      const asked = step.looks?.find(({ id }) => id === content.lookId);
      const known = asked && (content.faultId === null || asked.faults.some(({ id }) => id === content.faultId));
      return known && stepPlaces(step, workbook).includes(content.positionId) ? undefined : 'nothing-to-look-at';
    }
    case 'place-done': {
      if (!step.oneByOne || !stepPlaces(step, workbook).includes(content.positionId)) return 'no-such-place';
      const open = demandsAt(step, run, content.positionId, workbook);
      const unanswered =
        placesAsked(step, workbook).includes(content.positionId) && !isAnswered(run, content.positionId);
      return open.every(({ what }) => what === 'place') && !unanswered ? undefined : 'demands-open';
    }
    case 'method-chosen':
      return content.methodId === null || step.methods?.some(({ id }) => id === content.methodId)
        ? undefined
        : 'no-such-method';
    case 'answered':
      if (!step.decision?.answers.some(({ id }) => id === content.answerId)) return 'no-such-answer';
      return placesAsked(step, workbook).includes(content.positionId ?? null) ? undefined : 'not-asked-there';
    case 'overridden': {
      const open = demandsOf(step, run, workbook);
      return open.some((demand) => demand.what === content.what) ? undefined : 'nothing-to-override';
    }
    case 'approved': {
      if (!step.holdPoint) return 'nothing-to-approve';
      if (content.approver === by) return 'own-approval';
      const open = demandsOf(step, run, workbook).filter(({ what }) => what !== 'approval' && what !== 'place');
      return open.length > 0 ? 'demands-open' : undefined;
    }
    case 'photo-marked':
      return run.photos.some(({ hash }) => hash === content.photo) ? undefined : 'no-such-photo';
    case 'photo-taken':
      return undefined;
  }

  /** A joint with a plan is read fastener by fastener, any other as a whole. */
  function isSpotOf(spot: TighteningSpot | undefined): boolean {
    const joint = step && jointOfStep(step, workbook);
    if (!joint || !spot) return joint === undefined && spot === undefined;
    return joint.passes[spot.pass]?.order.includes(spot.slot) ?? false;
  }
}
