import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isGauged } from '#core/job/demands';
import { GAPS } from '#core/job/entry-words';
import type { JudgedMeasure, StepRun } from '#core/job/state';
import { guardBand, instrumentOf, prove } from '#core/judging/guard';
import { type MeasuringPlace, placesOf } from '#core/judging/measure';
import { dimensionOf, toolLabel } from '#core/model/lookup';
import type { Measurement, Step } from '#core/model/procedure';
import { preferred } from '#core/quantity/preference';
import { convert, readNumber } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import type { UnitSymbol } from '#core/quantity/units';
import { showNumber } from '../../../ground/format';
import { useReader, useSaid } from '../../../state/reader';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
import { PassOver, ReadingFault, UnitAndEnter } from '../DemandParts';
import styles from '../Demands.module.css';
import type { ConnectedCalliper } from './useCalliper';

const ONE = { length: { value: 1, unit: 'mm' }, force: { value: 1, unit: 'N' } } satisfies Record<string, Quantity>;

interface MeasureDemandProps {
  readonly bench: BenchJob;
  readonly step: Step;
  readonly run: StepRun;
  readonly inHand: boolean;
  readonly measurements: readonly Measurement[];
  readonly places: readonly (string | null)[];
  readonly placeName: (positionId: string | null) => string | undefined;
  readonly calliper: ConnectedCalliper;
  /** A calliper is connected: a spot can be tapped for its next reading. */
  readonly isConnected: boolean;
}

/** The lengths a step asks for, each judged as it is entered, with loss from new, taper and out-of-round. */
export function MeasureDemand(props: MeasureDemandProps) {
  const { bench, step, run, inHand, measurements, places } = props;
  const open = measurements.some((measurement) =>
    places.some(
      (place) =>
        !isGauged(run, measurement.id, place) &&
        readingsOf(run, measurement, place).length < placesOf(measurement).length,
    ),
  );
  return (
    <>
      {measurements.map((measurement) => (
        <div key={measurement.id} className={styles.place}>
          <h2>{measurement.what}</h2>
          <p>
            <Limits measurement={measurement} />
            <Instrument bench={bench} measurement={measurement} />
          </p>
          {places.map((place) => (
            <MeasuredPart key={place ?? 'all'} {...props} measurement={measurement} place={place} />
          ))}
        </div>
      ))}
      <PassOver bench={bench} stepId={step.id} run={run} what="measure" offered={inHand && open} />
    </>
  );
}

function Limits({ measurement: { least, most, nominal } }: { measurement: Measurement }) {
  const { t } = useTranslation();
  const said = useSaid();
  const limits =
    least && most
      ? t('measure.between', { least: said(least), most: said(most) })
      : least
        ? t('measure.atLeast', { least: said(least) })
        : most
          ? t('measure.atMost', { most: said(most) })
          : t('measure.noLimits');
  return <>{nominal ? t('measure.newIs', { limits, nominal: said(nominal) }) : limits}</>;
}

/** What it is measured with, and how close to a limit that can tell. */
function Instrument({ bench, measurement }: { bench: BenchJob; measurement: Measurement }) {
  const { t } = useTranslation();
  const said = useSaid();
  const { tool, error } = instrumentOf(measurement, bench.job.release.workbook.series);
  if (!tool) return null;
  const guard = error && said({ ...guardBand(error), value: Number(guardBand(error).value.toPrecision(2)) });
  return (
    <span className="quiet">
      {` ${t('measure.by', { tool: toolLabel(tool) })}`}
      {guard && ` ${t('measure.guard', { guard })}`}
    </span>
  );
}

/** How a reading looks, by what it tells. */
const TOLD = {
  within: styles.within,
  unjudged: styles.within,
  near: styles.near,
  under: styles.out,
  over: styles.out,
} as const;
const ENTERED = {
  within: styles.entered,
  unjudged: styles.entered,
  near: styles.enteredNear,
  under: styles.enteredOut,
  over: styles.enteredOut,
} as const;

function readingsOf(run: StepRun, measurement: Measurement, place: string | null): JudgedMeasure[] {
  return run.measured.filter((one) => one.measurementId === measurement.id && one.positionId === place);
}

const isOut = ({ verdict }: JudgedMeasure) => verdict === 'under' || verdict === 'over';

const spotKey = ({ point, direction }: MeasuringPlace) => `${point ?? ''}/${direction}`;

function MeasuredPart({
  bench,
  step,
  run,
  inHand,
  measurement,
  place,
  placeName,
  calliper,
  isConnected,
}: MeasureDemandProps & { measurement: Measurement; place: string | null }) {
  const { t } = useTranslation();
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [fault, setFault] = useState('');
  const units = useReader((state) => state.units);
  const dimension = dimensionOf(measurement) === 'force' ? 'force' : 'length';
  const [unit, setUnit] = useState<UnitSymbol>(
    preferred(measurement.nominal ?? measurement.least ?? measurement.most ?? ONE[dimension], units).unit,
  );
  const spots = placesOf(measurement);
  const points = [...new Set(spots.map(({ point }) => point))];
  const readings = readingsOf(run, measurement, place);
  const at = (spot: MeasuringPlace) =>
    readings.find((one) => one.point === spot.point && one.direction === spot.direction);
  /** What was entered at a spot, in the unit that stands beside it. */
  const entered = (spot: MeasuringPlace) => {
    const reading = at(spot)?.reading;
    return reading ? showNumber(convert(reading, unit).value, 6) : '';
  };
  const out = readings.some(isOut);
  const { error } = instrumentOf(measurement, bench.job.release.workbook.series);
  const verdictOf = (one: JudgedMeasure) =>
    !isOut(one) && prove(one.reading, measurement, error) === 'uncertain' ? 'near' : one.verdict;
  const isNear = !out && readings.some((one) => verdictOf(one) === 'near');
  const gauged = run.gauged.find((one) => one.measurementId === measurement.id && one.positionId === place);
  const label = (spot: MeasuringPlace) =>
    [placeName(place), spot.point, measurement.directions === 2 ? t(`measure.way.w${spot.direction}`) : undefined]
      .filter(Boolean)
      .join(', ') || measurement.what;

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const said = spots.flatMap((spot) => {
      const text = texts[spotKey(spot)]?.trim();
      return text && text !== entered(spot) ? [{ spot, text, value: readNumber(text) }] : [];
    });
    const bad = said.find(({ value }) => !Number.isFinite(value) || value < 0);
    if (said.length === 0) return setFault(t('bench.readingEmpty'));
    if (bad) return setFault(t('bench.readingBad', { text: bad.text }));
    setFault('');
    for (const { spot, value } of said) {
      const isKept = await bench.enter({
        kind: 'measured',
        stepId: step.id,
        measurementId: measurement.id,
        positionId: place,
        ...spot,
        reading: { value, unit },
      });
      if (!isKept) return;
    }
    // What was typed meanwhile stays.
    setTexts((now) => Object.fromEntries(Object.entries(now).filter(([key, text]) => text !== texts[key])));
    // What was typed here is not for the calliper any more.
    calliper.tap(undefined);
  };

  return (
    <form className={styles.measured} onSubmit={submit} aria-label={placeName(place) ?? measurement.what}>
      {placeName(place) && <h3>{placeName(place)}</h3>}
      {points.map((point) => (
        <div key={point ?? 'one'} className={measurement.directions === 2 ? styles.twoWays : styles.oneWay}>
          {point && <span className={styles.point}>{point}</span>}
          {spots
            .filter((spot) => spot.point === point)
            .map((spot) => {
              const reading = at(spot);
              const tells = reading && verdictOf(reading);
              const typed = texts[spotKey(spot)] ?? entered(spot);
              const way = measurement.directions === 2 ? t(`measure.way.w${spot.direction}`) : '';
              return (
                <div key={spotKey(spot)} className={styles.spot}>
                  {inHand && (
                    <input
                      inputMode="decimal"
                      autoComplete="off"
                      aria-label={label(spot)}
                      className={tells && ENTERED[tells]}
                      placeholder={way}
                      value={typed}
                      data-entered={reading && typed === entered(spot) ? '' : undefined}
                      onFocus={() =>
                        isConnected && calliper.tap({ measurementId: measurement.id, positionId: place, ...spot })
                      }
                      onChange={(event) => setTexts({ ...texts, [spotKey(spot)]: event.currentTarget.value })}
                    />
                  )}
                  {reading && tells && (
                    <output className={TOLD[tells]}>
                      {inHand && reading.reading.unit === unit
                        ? t(`measure.verdict.${tells}`)
                        : `${showNumber(reading.reading.value, 6)} ${reading.reading.unit}, ${t(`measure.verdict.${tells}`)}`}
                    </output>
                  )}
                </div>
              );
            })}
        </div>
      ))}
      {inHand && (
        <div className={styles.reading}>
          <UnitAndEnter dimension={dimension} unit={unit} onUnit={setUnit} />
        </div>
      )}
      <ReadingFault fault={fault} />
      {isNear && (
        <p className={styles.consequence} role="status">
          <strong>{t('measure.near')}</strong>
        </p>
      )}
      {out && (
        <p className={styles.consequence} role="status">
          <strong>{t(`consequence.do.${measurement.follows}`)}</strong>
        </p>
      )}
      {inHand && readings.length === 0 && dimension === 'length' && (
        <details className={styles.ring} open={gauged !== undefined}>
          <summary>{t('measure.ring.title')}</summary>
          <p className="quiet">{t('measure.ring.how')}</p>
          <div className={styles.signs}>
            {GAPS.map((gap) => (
              <button
                key={gap}
                type="button"
                className={`${frame.medium} ${gauged?.gap === gap ? styles.chosen : ''}`}
                aria-pressed={gauged?.gap === gap}
                onClick={() =>
                  bench.enter({
                    ...{ kind: 'gauged', stepId: step.id, measurementId: measurement.id, positionId: place, gap },
                  })
                }
              >
                {t(`measure.ring.${gap}`)}
              </button>
            ))}
          </div>
        </details>
      )}
    </form>
  );
}
