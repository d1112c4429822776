import { type CSSProperties, useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { demandsOf, placeInHand } from '#core/job/demands';
import { runOf } from '#core/job/job';
import { springOrderOf } from '#core/job/spring-order';
import { stepInJob } from '#core/job/to-do';
import { componentById, placeNameOf } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import { methodTaken } from '#core/model/setting';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { usePerson } from '../../frame/SignedIn';
import { mayWorkAtBench } from '../../ground/session';
import { useBenchView } from '../../state/bench-view';
import { type BenchJob, useBenchJob } from '../../sync/bench-job';
import styles from './Bench.module.css';
import { BenchFoot } from './BenchFoot';
import { BenchNotice, BenchTop, Hem } from './BenchTop';
import { Clock } from './Clock';
import { Demands, posesAt } from './Demands';
import { AllDone } from './end/AllDone';
import { useBenchTheme, useScreenAwake } from './hands/screen';
import { useBenchKeys } from './hands/useBenchKeys';
import { JointPlan } from './joint/JointPlan';
import { SpringPlan } from './joint/SpringPlan';
import { useTightening } from './joint/useTightening';
import { Profiles } from './measure/Profiles';
import { useCalliper } from './measure/useCalliper';
import { RunResult } from './run/RunDemand';
import { StepText } from './StepText';
import { LocksToCheck } from './safety/Confirming';
import { SafetyStart } from './safety/SafetyStart';
import { useWrench } from './wrench/useWrench';
import { WrenchPanel } from './wrench/WrenchPanel';

/** One step at a time, large, with what must be entered before going on. */
export function BenchScreen() {
  const { id = '' } = useParams();
  const person = usePerson();
  const { bench, error } = useBenchJob(id, person.id);
  if (error && !bench) return <FaultNotice error={error} />;
  if (!bench) return <Loading />;
  if (bench.state.phase === 'finished' && bench.waiting.length === 0)
    return <Navigate to={`/jobs/${id}/record`} replace />;
  return <Bench bench={bench} />;
}

function Bench({ bench }: { bench: BenchJob }) {
  const person = usePerson();
  const { job, state } = bench;
  const { workbook } = job.release;
  const said = workbook.procedure.steps[state.cursor];
  const inHand = state.holder === person.id && state.phase === 'running' && mayWorkAtBench(person);
  const run = said && runOf(state, said.id);
  // By the method taken, and only at the places that the answers lead to.
  const step = said && stepInJob(said, state, run?.chosenMethodId, workbook);
  const { hand, text } = useBenchView();
  useBenchTheme();
  useBenchKeys();
  useScreenAwake(inHand);
  const [begun, setBegun] = useState(false);
  const [confirmed, setConfirmed] = useState<string>();
  // Until something was entered for a step, the job starts with what to know before the first one.
  const starting = !begun && state.cursor === 0 && state.runs.size === 0;
  const place = step && run && placeInHand(step, run, workbook);
  const tightening = useTightening(step, run, workbook);
  const wrench = useWrench({ bench, me: person.id, step, inHand: inHand && !starting, tightening });
  const calliper = useCalliper({
    ...{ bench, step: inHand && !starting ? step : undefined, me: person.id },
    ...{ devices: wrench.devices, connected: wrench.state },
  });
  const spring = step && springOrderOf(step, workbook);
  const [moving, setMoving] = useState(false);
  const moved = (slot: number) => {
    const pass = wrench.told?.entry?.spot?.pass;
    if (pass !== undefined) wrench.move({ pass, slot });
    setMoving(false);
  };
  const method = said && methodTaken(said, state.setting, run?.chosenMethodId);
  return (
    <div className={styles.screen} data-hand={hand} style={{ '--bench-text': text } as CSSProperties}>
      <BenchTop bench={bench} step={starting ? undefined : step} />
      <div>
        <Hem bench={bench} />
        <Clock bench={bench} />
      </div>
      <BenchNotice bench={bench} />
      {starting && <SafetyStart bench={bench} inHand={inHand} onBegin={() => setBegun(true)} />}
      {!starting && step && run && (
        <main className={styles.main}>
          <StepText
            step={shownStep(step, place)}
            index={state.cursor}
            workbook={workbook}
            poses={posesAt(bench)}
            place={place && placeNameOf(workbook.series, place)}
            method={method?.name}
            drawing={
              tightening ? (
                <JointPlan
                  tightening={tightening}
                  step={step}
                  workbook={workbook}
                  inHand={inHand}
                  onMove={moving ? moved : undefined}
                />
              ) : (
                <>
                  {spring && (
                    <SpringPlan
                      order={spring}
                      name={componentById(workbook.series, step.targets[0]?.componentId ?? '')?.name ?? ''}
                    />
                  )}
                  <Profiles bench={bench} step={step} run={run} />
                  <RunResult bench={bench} step={step} run={run} />
                </>
              )
            }
            {...(inHand && {
              onMethod: (methodId) => void bench.enter({ kind: 'method-chosen', stepId: step.id, methodId }),
            })}
          />
          {/* Keyed by the step: a reading half typed belongs to its own step only. */}
          <Demands
            key={`${step.id} ${place ?? ''}`}
            bench={bench}
            step={step}
            run={run}
            inHand={inHand}
            tightening={tightening}
            isConfirmed={confirmed === step.id}
            onConfirm={(yes) => setConfirmed(yes ? step.id : undefined)}
            byWrench={wrench.state.paired.some(({ isHere, device }) => isHere && device.kind === 'torque-wrench')}
            connected={wrench.state}
            calliper={calliper}
            panel={
              <>
                {inHand && <LocksToCheck bench={bench} />}
                <WrenchPanel
                  wrench={wrench}
                  series={workbook.series}
                  step={step}
                  inHand={inHand}
                  tightening={tightening}
                  torque={wrench.torque}
                  calliper={calliper.told}
                  moving={moving}
                  onMoving={setMoving}
                />
              </>
            }
          />
        </main>
      )}
      {!starting && !step && <AllDone bench={bench} inHand={inHand} />}
      {!starting && (
        <BenchFoot
          bench={bench}
          inHand={inHand}
          demands={step && run ? demandsOf(step, run, workbook) : []}
          isConfirmed={step !== undefined && confirmed === step.id}
        />
      )}
    </div>
  );
}

/** The step as it is told beside its demands: for the position in hand, without what stands there. */
function shownStep(step: Step, place: string | undefined): Step {
  const pictures = step.pictures?.filter(({ id }) => id !== step.photo?.referenceId);
  return { ...step, ...(pictures && { pictures }), ...(place && { positionIds: [place] }) };
}
