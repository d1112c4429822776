import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { latestAt, torqueAt } from '#core/job/tightening';
import { capital } from '#core/language/en/counted';
import { componentById, placeNameOf } from '#core/model/lookup';
import { preferred } from '#core/quantity/preference';
import { readNumber } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import type { UnitSymbol } from '#core/quantity/units';
import { showNumber, showQuantity } from '../../../ground/format';
import { Tag } from '../../../parts/Tag';
import { useReader } from '../../../state/reader';
import frame from '../Bench.module.css';
import { Gauge, PassOver, ReadingFault, UnitAndEnter, UnitDoubt, Window } from '../DemandParts';
import type { DemandsProps } from '../Demands';
import demands from '../Demands.module.css';
import { openAcceptance } from '../dialogs';
import styles from './Joint.module.css';
import { JointPasses } from './JointPasses';
import type { Tightening } from './useTightening';
import { WrenchDates } from './WrenchDates';

interface JointDemandProps extends DemandsProps {
  readonly tightening: Tightening;
  /** A connected wrench is at hand: nobody has to say that it clicked. */
  readonly byWrench: boolean;
}

/** The fastener in hand with the target of its pass, its reading, and the passes so far. */
export function JointDemand({ bench, step, run, inHand, tightening, byWrench }: JointDemandProps) {
  const { t } = useTranslation();
  const { workbook } = bench.job.release;
  const { series } = workbook;
  const units = useReader((state) => state.units);
  const { joint, place, spot } = tightening;
  const pass = spot && joint.passes[spot.pass];
  const torque = spot && torqueAt(step, workbook, spot);
  const target = torque && preferred(torque.figure, units);
  const latest = spot && latestAt(run, place, spot);
  const component = componentById(series, step.targets[0]?.componentId ?? '');
  const rises = joint.passes.filter(({ plan }) => plan.is !== 'check').length;
  const where = placeNameOf(series, place);
  return (
    <div className={styles.demand}>
      {where && <strong>{where}</strong>}
      {component?.leftHand && <Tag tone="kaki">{t('bench.joint.leftHand')}</Tag>}
      {spot && pass && (
        <>
          <div className={styles.head}>
            <strong>
              {pass.plan.is === 'check'
                ? t('bench.joint.check')
                : t('bench.joint.pass', { pass: spot.pass + 1, passes: rises })}
            </strong>
            <span>
              {t('bench.joint.fastener', {
                name: capital(component?.name ?? ''),
                number: pass.order.indexOf(spot.slot) + 1,
                count: pass.order.length,
              })}
            </span>
          </div>
          {pass.afterPins && <Tag tone="ochre">{t('bench.joint.afterPins')}</Tag>}
          {pass.plan.is === 'angle' ? (
            <>
              <div className={demands.figure}>{t('torque.angle', { degrees: pass.plan.degrees })}</div>
              <button
                type="button"
                className={frame.medium}
                disabled={!inHand}
                onClick={() => void bench.enter({ kind: 'turned-on', stepId: step.id, positionId: place, spot })}
              >
                {t('bench.joint.turned')}
              </button>
            </>
          ) : (
            target && (
              <>
                <div className={demands.figure}>
                  {showNumber(target.value, 3)}
                  <small>{target.unit}</small>
                </div>
                {torque && <Window torque={torque} />}
                {pass.plan.is === 'check' && <p className="quiet">{t('bench.joint.checkHelp')}</p>}
                {inHand && (
                  <ReadingEntry
                    key={`${place} ${spot.pass} ${spot.slot} ${run.readings.length}`}
                    target={target}
                    offersClick={!byWrench}
                    onReading={(reading) =>
                      bench.enter({ kind: 'torque-read', stepId: step.id, positionId: place, spot, reading })
                    }
                  />
                )}
              </>
            )
          )}
          {latest && torque && (
            <>
              <output className={demands.verdict}>
                <span className="number">{showQuantity(latest.reading)}</span>
                <span className={demands.out}>{t(`verdict.${latest.verdict}`)}</span>
              </output>
              <Gauge reading={latest.reading} torque={torque} />
              <UnitDoubt reading={latest.reading} torque={torque} />
              <p>{latest.verdict === 'high' ? t('bench.joint.tooHigh') : t('bench.joint.tooLow')}</p>
              {inHand && (
                <button
                  type="button"
                  className={frame.medium}
                  onClick={() => openAcceptance(bench, step.id, place, spot)}
                >
                  {t('bench.joint.accept')}
                </button>
              )}
            </>
          )}
        </>
      )}
      <JointPasses tightening={tightening} />
      {step.torque?.source && <p className="quiet">{step.torque.source}</p>}
      <WrenchDates step={step} series={series} />
      <PassOver bench={bench} stepId={step.id} run={run} what="torque" offered={inHand && spot !== undefined} />
    </div>
  );
}

interface ReadingEntryProps {
  readonly target: Quantity;
  readonly offersClick: boolean;
  readonly onReading: (reading: Quantity) => Promise<unknown>;
}

/** A number and Enter; Enter alone, or the button, for a wrench that clicks and shows nothing. */
function ReadingEntry({ target, offersClick, onReading }: ReadingEntryProps) {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const [unit, setUnit] = useState<UnitSymbol>(target.unit);
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() === '') return onReading(target);
    const value = readNumber(text);
    if (!Number.isFinite(value) || value <= 0) return setFault(t('bench.readingBad', { text }));
    return onReading({ value, unit });
  };
  return (
    <form className={demands.place} onSubmit={submit}>
      {offersClick && (
        <button type="button" className={frame.medium} onClick={() => void onReading(target)}>
          {t('bench.joint.clicked', { figure: showQuantity(target, 3) })}
        </button>
      )}
      <div className={demands.reading}>
        <input
          // biome-ignore lint/a11y/noAutofocus: one fastener after the other is read without touching the screen
          autoFocus
          className={frame.entry}
          inputMode="decimal"
          autoComplete="off"
          aria-label={t('bench.reading')}
          placeholder={t('bench.joint.type')}
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <UnitAndEnter dimension="torque" unit={unit} onUnit={setUnit} />
      </div>
      <ReadingFault fault={fault} />
    </form>
  );
}
