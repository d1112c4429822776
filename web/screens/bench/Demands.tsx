import { type FormEvent, type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { stateAfter } from '#core/bench/state';
import { demandsOf, placeInHand, placesAsked, readingPlaces } from '#core/job/demands';
import type { StepRun } from '#core/job/state';
import { stepPlaces } from '#core/job/to-do';
import type { Pose } from '#core/model/faces';
import { placeNameOf } from '#core/model/lookup';
import type { Decision, Step } from '#core/model/procedure';
import { preferred } from '#core/quantity/preference';
import { readNumber } from '#core/quantity/quantity';
import type { UnitSymbol } from '#core/quantity/units';
import { judgeTorque } from '#core/torque/judge';
import { showNumber, showQuantity } from '../../ground/format';
import { useReader } from '../../state/reader';
import { timelineOn } from '../../state/ways';
import type { BenchJob } from '../../sync/bench-job';
import type { DevicesState } from '../../sync/devices';
import frame from './Bench.module.css';
import { ClothAtBench } from './ClothAtBench';
import { Gauge, PassOver, ReadingFault, UnitAndEnter, UnitDoubt, Window } from './DemandParts';
import styles from './Demands.module.css';
import { JointDemand } from './joint/JointDemand';
import type { Tightening } from './joint/useTightening';
import { LookDemand } from './LookDemand';
import { MeasureDemand } from './measure/MeasureDemand';
import type { ConnectedCalliper } from './measure/useCalliper';
import { PhotoDemand } from './photo/PhotoDemand';
import { Problems } from './problem/Problems';
import { ProofDemand } from './proof/ProofDemand';
import { RunDemand } from './run/RunDemand';
import { ConfirmDemand } from './safety/Confirming';
import { HoldPoint } from './safety/HoldPoint';

export interface DemandsProps {
  readonly bench: BenchJob;
  readonly step: Step;
  readonly run: StepRun;
  readonly inHand: boolean;
}

interface AllDemandsProps extends DemandsProps {
  readonly tightening: Tightening | undefined;
  /** The connected wrench. */
  readonly panel: ReactNode;
  readonly byWrench: boolean;
  readonly connected: DevicesState;
  readonly calliper: ConnectedCalliper;
  /** Whoever does the step has confirmed it by name. */
  readonly isConfirmed: boolean;
  readonly onConfirm: (confirmed: boolean) => void;
}

/** What the step asks for: readings and photos, or else a look at the cloth. */
export function Demands({
  tightening,
  panel,
  byWrench,
  isConfirmed,
  onConfirm,
  connected,
  calliper,
  ...props
}: AllDemandsProps) {
  const { bench, step, run } = props;
  const { workbook } = bench.job.release;
  const inHandAt = placeInHand(step, run, workbook);
  // Gone through one by one, only the position in hand is asked about.
  const here = (places: readonly (string | null)[]) => (inHandAt ? [inHandAt] : [...places]);
  const places = readingPlaces(step, workbook);
  const allAsked = placesAsked(step, workbook);
  const asked = inHandAt && allAsked.includes(inHandAt) ? [inHandAt] : allAsked;
  const parts = {
    ...props,
    places: here(stepPlaces(step, workbook)),
    placeName: (id: string | null) => placeNameOf(workbook.series, id),
  };
  return (
    <section className={frame.right} data-choices>
      {step.decision && <AnswerDemand {...parts} decision={step.decision} places={asked} />}
      {panel}
      {tightening && <JointDemand {...props} tightening={tightening} byWrench={byWrench} />}
      {!tightening && places.length > 0 && <TorqueDemand {...props} places={here(places)} />}
      {step.looks && <LookDemand {...parts} looks={step.looks} />}
      {step.measurements && (
        <MeasureDemand
          {...parts}
          measurements={step.measurements}
          calliper={calliper}
          isConnected={connected.paired.some(({ isHere, device }) => isHere && device.kind === 'calliper')}
        />
      )}
      {/* Turned by hand before it is run. */}
      {step.proofs && <ProofDemand {...props} proofs={step.proofs} />}
      <RunDemand {...props} connected={connected} />
      {(step.photo || run.photos.length > 0) && <PhotoDemand {...props} />}
      <ConfirmDemand bench={bench} step={step} inHand={props.inHand} isConfirmed={isConfirmed} onConfirm={onConfirm} />
      <HoldPoint {...props} />
      <Problems bench={bench} run={run} />
      <ClothAtBench workbook={workbook} answers={bench.state.answers} step={step} after={bench.state.cursor + 1} />
    </section>
  );
}

/** How the housings lie when the step in hand begins. */
export function posesAt({ job, state }: BenchJob): ReadonlyMap<string, Pose> {
  return stateAfter(timelineOn(job.release.workbook, state.answers), state.cursor).poses;
}

interface AnswerProps extends DemandsProps {
  readonly decision: Decision;
  readonly places: readonly (string | null)[];
  placeName(id: string | null): string | undefined;
}

/** The question of the step, asked once or at each place: what is answered decides what follows there. */
function AnswerDemand({ bench, step, run, inHand, decision, places, placeName }: AnswerProps) {
  return (
    <div className={styles.answers}>
      <h2>{decision.question}</h2>
      {places.map((place) => {
        const given = run.answers.find(({ positionId }) => positionId === place)?.answerId;
        const answers = decision.answers.map(({ id, text }) => (
          <button
            key={id}
            type="button"
            className={`${frame.medium} ${given === id ? styles.chosen : ''}`}
            aria-pressed={given === id}
            disabled={!inHand}
            onClick={() =>
              bench.enter({ kind: 'answered', stepId: step.id, answerId: id, ...(place && { positionId: place }) })
            }
          >
            {text}
          </button>
        ));
        if (place === null) return answers;
        return (
          <fieldset key={place} className={styles.answersAt}>
            <legend>{placeName(place)}</legend>
            {answers}
          </fieldset>
        );
      })}
    </div>
  );
}

function TorqueDemand({ bench, step, run, inHand, places }: DemandsProps & { places: (string | null)[] }) {
  const { t } = useTranslation();
  const { workbook } = bench.job.release;
  const units = useReader((state) => state.units);
  const figure = step.torque && preferred(step.torque.figure, units);
  const open = demandsOf(step, run, workbook).some((demand) => demand.what === 'torque');
  return (
    <>
      <div>
        <h2>{t('bench.torqueTo')}</h2>
        {figure ? (
          <div className={styles.figure}>
            {showNumber(figure.value, 3)}
            <small>{figure.unit}</small>
          </div>
        ) : (
          <p>{t('bench.noFigure')}</p>
        )}
        {step.torque && <Window torque={step.torque} />}
        {step.torque && figure !== step.torque.figure && (
          <p className="quiet">{t('bench.asGiven', { figure: showQuantity(step.torque.figure) })}</p>
        )}
        {step.torque?.source && <p className="quiet">{step.torque.source}</p>}
      </div>
      {places.map((place) => (
        <ReadingPlace key={place ?? 'all'} bench={bench} step={step} run={run} inHand={inHand} place={place} />
      ))}
      <PassOver bench={bench} stepId={step.id} run={run} what="torque" offered={inHand && open} />
    </>
  );
}

function ReadingPlace({ bench, step, run, inHand, place }: DemandsProps & { place: string | null }) {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const [unit, setUnit] = useState<UnitSymbol>(
    step.torque ? preferred(step.torque.figure, useReader.getState().units).unit : 'N·m',
  );
  const [fault, setFault] = useState('');
  const latest = run.readings.findLast((reading) => reading.positionId === place);
  const position = placeNameOf(bench.job.release.workbook.series, place);

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const value = readNumber(text);
    if (!Number.isFinite(value) || value <= 0)
      return setFault(text.trim() === '' ? t('bench.readingEmpty') : t('bench.readingBad', { text }));
    setFault('');
    // Empty at once, so that the next key is not for this reading; what could not be kept comes back.
    setText('');
    const reading = { value, unit };
    const isKept = await bench.enter({ kind: 'torque-read', stepId: step.id, positionId: place, reading });
    if (!isKept) setText((typedSince) => typedSince || text);
  };

  return (
    <form className={styles.place} onSubmit={submit}>
      <h2>{position ? t('bench.readingAt', { place: position }) : t('bench.reading')}</h2>
      {inHand && (
        <div className={styles.reading}>
          <input
            className={frame.entry}
            inputMode="decimal"
            autoComplete="off"
            aria-label={position ? t('bench.readingAt', { place: position }) : t('bench.reading')}
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <UnitAndEnter dimension="torque" unit={unit} onUnit={setUnit} />
        </div>
      )}
      <ReadingFault fault={fault} />
      {latest && (
        <output className={styles.verdict}>
          <span className="number">{showQuantity(latest.reading)}</span>
          <span className={latest.verdict === 'within' || latest.verdict === 'unjudged' ? styles.within : styles.out}>
            {t(`verdict.${judgeTorque(latest.reading, step.torque)}`)}
          </span>
        </output>
      )}
      {latest && step.torque && <Gauge reading={latest.reading} torque={step.torque} />}
      {latest && (latest.verdict === 'low' || latest.verdict === 'high') && (
        <p className="quiet">{t(`verdict.advice.${latest.verdict}`)}</p>
      )}
      {latest && <UnitDoubt reading={latest.reading} torque={step.torque} />}
    </form>
  );
}
