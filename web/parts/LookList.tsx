import { Autocomplete, Select } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { signsFor } from '#core/language/en/wear-signs';
import type { ComponentKind } from '#core/model/kinds';
import { CONSEQUENCES, type Consequence, type Look } from '#core/model/looks';
import { DraftText } from './DraftText';
import styles from './LookList.module.css';
import { Remove } from './Remove';

interface LookListProps {
  readonly looks: readonly Look[];
  /** Of the part that is looked at; its usual signs of wear are offered. */
  readonly kind: ComponentKind;
  readonly onChange: (looks: readonly Look[]) => void;
}

/** What to look at, what is sound, and what may be found instead; a line more than there are waits to be filled. */
export function LookList({ looks, kind, onChange: set }: LookListProps) {
  const { t } = useTranslation();
  return (
    <div className={styles.list}>
      {[...looks, undefined].map((look, i) => (
        <div key={look?.id ?? `new-${looks.length}`} className={styles.item}>
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

export function ConsequenceSelect({
  value,
  onChange,
}: {
  value: Consequence;
  onChange: (follows: Consequence) => void;
}) {
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
