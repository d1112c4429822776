import { Autocomplete, Select, TagsInput } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { signsFor } from '#core/language/en/wear-signs';
import { CONSEQUENCES, type Consequence, type Look } from '#core/model/looks';
import type { Measurement, Step } from '#core/model/procedure';
import { componentById, type Series, toolLabel } from '#core/model/series';
import { readQuantity, sayQuantity } from '#core/quantity/quantity';
import { DraftText } from '../../../parts/DraftText';
import styles from './Step.module.css';
import { emptyIsNone, Remove } from './StepFieldKinds';

interface LookFieldsProps {
  readonly step: Step;
  readonly series: Series;
  readonly change: (fields: Partial<Step>) => void;
}

/** What to look at, what is sound, and what may be found instead; a line more than there are waits to be filled. */
export function LookFields({ step, series, change }: LookFieldsProps) {
  const { t } = useTranslation();
  const looks = step.looks ?? [];
  const set = (next: readonly Look[]) => change({ looks: emptyIsNone(next) });
  const kind = componentById(series, step.targets[0]?.componentId ?? '')?.kind ?? 'other';
  return (
    <div className={styles.several}>
      {[...looks, undefined].map((look, i) => (
        <div key={look?.id ?? `new-${looks.length}`} className={styles.method}>
          <div className={styles.look}>
            <DraftText
              ariaLabel={t('look.at')}
              placeholder={t('look.atHint')}
              value={look?.at ?? ''}
              maxLength={600}
              onCommit={(at) => {
                if (look && at) set(looks.with(i, { ...look, at }));
                else if (at) set([...looks, { id: nanoid(8), at, sound: t('look.soundUsual'), faults: [] }]);
              }}
            />
            {look && <Remove onClick={() => set(looks.toSpliced(i, 1))} />}
          </div>
          {look && (
            <>
              <div className={styles.look}>
                <div className={styles.halves}>
                  <DraftText
                    ariaLabel={t('look.by')}
                    placeholder={t('look.byHint')}
                    value={look.by ?? ''}
                    maxLength={120}
                    onCommit={(by) => {
                      const { by: _old, ...rest } = look;
                      set(looks.with(i, by ? { ...rest, by } : rest));
                    }}
                  />
                  <DraftText
                    ariaLabel={t('look.sound')}
                    value={look.sound}
                    maxLength={600}
                    onCommit={(sound) => sound && set(looks.with(i, { ...look, sound }))}
                  />
                </div>
              </div>
              {look.faults.map((fault, j) => {
                const setFault = (next: typeof fault) =>
                  set(looks.with(i, { ...look, faults: look.faults.with(j, next) }));
                return (
                  <div key={fault.id} className={styles.fault}>
                    <DraftText
                      ariaLabel={t('look.sign')}
                      value={fault.sign}
                      maxLength={120}
                      onCommit={(sign) => sign && setFault({ ...fault, sign })}
                    />
                    <DraftText
                      ariaLabel={t('look.means')}
                      placeholder={t('look.meansHint')}
                      value={fault.means ?? ''}
                      maxLength={300}
                      onCommit={(means) => {
                        const { means: _old, ...rest } = fault;
                        setFault(means ? { ...rest, means } : rest);
                      }}
                    />
                    <ConsequenceSelect value={fault.follows} onChange={(follows) => setFault({ ...fault, follows })} />
                    <Remove onClick={() => set(looks.with(i, { ...look, faults: look.faults.toSpliced(j, 1) }))} />
                  </div>
                );
              })}
              <AddFault
                names={signsFor(kind).map(({ sign }) => sign)}
                onAdd={(sign) => {
                  // What the trade reads in a sign comes with it; the trainer may say otherwise.
                  const known = signsFor(kind).find((usual) => usual.sign === sign);
                  const fault = {
                    id: nanoid(8),
                    sign,
                    follows: known?.follows ?? ('renew' as const),
                    ...(known && { means: known.means }),
                  };
                  set(looks.with(i, { ...look, faults: [...look.faults, fault] }));
                }}
              />
            </>
          )}
        </div>
      ))}
    </div>
  );
}

function AddFault({ names, onAdd }: { names: readonly string[]; onAdd: (sign: string) => void }) {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const add = (sign: string) => {
    if (sign.trim()) onAdd(sign.trim());
    setText('');
  };
  return (
    <Autocomplete
      aria-label={t('look.addFault')}
      placeholder={t('look.addFault')}
      data={[...names]}
      value={text}
      onChange={setText}
      onOptionSubmit={add}
      onKeyDown={(event) => {
        if (event.key === 'Enter') add(text);
      }}
    />
  );
}

function ConsequenceSelect({ value, onChange }: { value: Consequence; onChange: (follows: Consequence) => void }) {
  const { t } = useTranslation();
  return (
    <Select
      aria-label={t('look.follows')}
      allowDeselect={false}
      data={CONSEQUENCES.map((follows) => ({ value: follows, label: t(`consequence.${follows}`) }))}
      value={value}
      onChange={(follows) => follows && onChange(follows as Consequence)}
    />
  );
}

/** Lengths to measure, with their limits and the points to measure at. */
export function MeasurementFields({ step, series, change }: LookFieldsProps) {
  const { t } = useTranslation();
  const measurements = step.measurements ?? [];
  const set = (next: readonly Measurement[]) => change({ measurements: emptyIsNone(next) });
  return (
    <div className={styles.several}>
      {measurements.map((measurement, i) => (
        <OneMeasurement
          key={measurement.id}
          measurement={measurement}
          series={series}
          onChange={(next) => set(measurements.with(i, next))}
          onRemove={() => set(measurements.toSpliced(i, 1))}
        />
      ))}
      <DraftText
        // What is typed here becomes a measurement of its own; the next one starts empty.
        key={measurements.length}
        ariaLabel={t('measure.what')}
        placeholder={t('measure.whatHint')}
        value=""
        maxLength={120}
        onCommit={(what) =>
          what && set([...measurements, { id: nanoid(8), what, points: [], directions: 1, follows: 'renew' }])
        }
      />
    </div>
  );
}

interface OneMeasurementProps {
  readonly measurement: Measurement;
  readonly series: Series;
  readonly onChange: (measurement: Measurement) => void;
  readonly onRemove: () => void;
}

function OneMeasurement({ measurement, series, onChange, onRemove }: OneMeasurementProps) {
  const { t } = useTranslation();
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const without = (key: keyof Measurement) => {
    const { [key]: _old, ...rest } = measurement;
    return rest as Measurement;
  };
  const length = (key: 'nominal' | 'least' | 'most', text: string) => {
    const reading = readQuantity(text, 'length');
    setFaults({ ...faults, [key]: text === '' || reading.ok ? '' : t(`quantity.${reading.fault}`) });
    if (text === '') onChange(without(key));
    else if (reading.ok) onChange({ ...measurement, [key]: reading.quantity });
  };
  const gauges = series.tools.filter(
    ({ kind, name }) => kind === 'measuring' || /gauge|meter|calliper|rule/i.test(name),
  );
  return (
    <div className={styles.method}>
      <div className={styles.look}>
        <DraftText
          ariaLabel={t('measure.what')}
          value={measurement.what}
          maxLength={120}
          onCommit={(what) => what && onChange({ ...measurement, what })}
        />
        <Remove onClick={onRemove} />
      </div>
      <div className={styles.thirds}>
        {(['nominal', 'least', 'most'] as const).map((key) => (
          <DraftText
            key={key}
            ariaLabel={t(`measure.${key}`)}
            placeholder={t(`measure.${key}Hint`)}
            value={measurement[key] ? sayQuantity(measurement[key], 6) : ''}
            error={faults[key] || undefined}
            onCommit={(text) => length(key, text)}
          />
        ))}
      </div>
      <div className={styles.halves}>
        <TagsInput
          className={styles.whole ?? ''}
          aria-label={t('measure.points')}
          placeholder={measurement.points.length === 0 ? t('measure.pointsHint') : ''}
          value={[...measurement.points]}
          onChange={(points) => onChange({ ...measurement, points })}
          acceptValueOnBlur
        />
        <Select
          aria-label={t('measure.directions')}
          allowDeselect={false}
          data={[1, 2].map((n) => ({ value: String(n), label: t(`measure.direction.d${n as 1 | 2}`) }))}
          value={String(measurement.directions)}
          onChange={(n) => onChange({ ...measurement, directions: n === '2' ? 2 : 1 })}
        />
        <Select
          aria-label={t('measure.with')}
          placeholder={t('measure.with')}
          clearable
          searchable
          data={(gauges.length > 0 ? gauges : series.tools).map((tool) => ({ value: tool.id, label: toolLabel(tool) }))}
          value={measurement.toolId ?? null}
          onChange={(toolId) => onChange(toolId ? { ...measurement, toolId } : without('toolId'))}
        />
        <ConsequenceSelect value={measurement.follows} onChange={(follows) => onChange({ ...measurement, follows })} />
      </div>
    </div>
  );
}
