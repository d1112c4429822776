import { Select } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sayDirection } from '#core/language/en/directions';
import type { Clocking, Faces } from '#core/model/faces';
import type { Series } from '#core/model/series';
import { readDirection } from '#core/reading/en/direction-words';
import { DraftText } from './DraftText';
import styles from './FacesFields.module.css';

interface FacesFieldsProps {
  readonly faces: Faces | undefined;
  /** The parts that a direction may name. */
  readonly series: Series;
  readonly onFaces: (faces: Faces | undefined) => void;
}

interface Half {
  readonly end: string;
  readonly toward: string;
  readonly tellBy: string;
  readonly trialFit: string;
  readonly clocking?: Clocking | undefined;
}
const NOTHING: Half = { end: '', toward: '', tellBy: '', trialFit: '' };

/** What is said in words. The first two go together: neither says anything without the other. */
const TEXTS = [
  { field: 'end', label: 'step.facesEnd', hint: 'step.facesEndHint', most: 80, needed: true },
  { field: 'toward', label: 'step.facesToward', hint: 'step.facesTowardHint', most: 80, needed: true },
  { field: 'tellBy', label: 'step.facesTellBy', hint: 'step.facesTellByHint', most: 160, needed: false },
  { field: 'trialFit', label: 'faces.trialFit', hint: 'faces.trialFitHint', most: 160, needed: false },
] as const;

/** Which end looks where, and how to tell. It is saved once both are said; until then the half is kept here. */
export function FacesFields({ faces, series, onFaces }: FacesFieldsProps) {
  const { t } = useTranslation();
  const [half, setHalf] = useState<Half>(() => inWords(faces, series));
  useEffect(() => {
    if (faces) setHalf(inWords(faces, series));
  }, [faces, series]);
  const say = (part: Partial<Half>) => {
    const now = { ...half, ...part };
    setHalf(now);
    const { end, toward, tellBy, trialFit, clocking } = now;
    const direction = toward ? readDirection(toward, series) : undefined;
    if (direction && (end || direction.is === 'any'))
      onFaces({
        ...(end && { end }),
        toward: direction,
        ...(tellBy && { tellBy }),
        ...(trialFit && { trialFit }),
        ...(clocking && { clocking }),
      });
    else if (!end && !toward && faces) onFaces(undefined);
  };
  const missing = (half.end === '') !== (half.toward === '') && !faces;
  const incomplete = (text: string) => (missing && !text ? t('step.facesIncomplete') : undefined);
  return (
    <div className={styles.fields}>
      {TEXTS.map(({ field, label, hint, most, needed }) => (
        <div key={field} className={needed ? undefined : styles.whole}>
          <DraftText
            ariaLabel={t(label)}
            placeholder={t(hint)}
            value={half[field]}
            maxLength={most}
            error={needed ? incomplete(half[field]) : undefined}
            onCommit={(text) => say({ [field]: text })}
          />
        </div>
      ))}
      <ClockingFields clocking={half.clocking} onClocking={(clocking) => say({ clocking })} />
    </div>
  );
}

function inWords(faces: Faces | undefined, series: Series): Half {
  return faces ? { ...NOTHING, ...faces, end: faces.end ?? '', toward: sayDirection(faces.toward, series) } : NOTHING;
}

const HOWS = ['tab-in-slot', 'mark-to-mark', 'staggered', 'any'] as const;

/** How the part is turned about its axis. What it is turned by has a usual value until it is said. */
function ClockingFields({
  clocking,
  onClocking,
}: {
  clocking: Clocking | undefined;
  onClocking: (clocking: Clocking | undefined) => void;
}) {
  const { t } = useTranslation();
  const begin = (how: string | null): Clocking | undefined => {
    if (how === 'tab-in-slot' || how === 'mark-to-mark') return { how, of: t('faces.neighbour') };
    if (how === 'staggered') return { how, degrees: 90 };
    return how === 'any' ? { how } : undefined;
  };
  return (
    <div className={clocking && clocking.how !== 'any' ? styles.turned : styles.whole}>
      <Select
        aria-label={t('faces.clocking')}
        placeholder={t('faces.clocking')}
        clearable
        data={HOWS.map((value) => ({ value, label: t(`faces.how.${value}`) }))}
        value={clocking?.how ?? null}
        onChange={(how) => onClocking(begin(how))}
      />
      {(clocking?.how === 'tab-in-slot' || clocking?.how === 'mark-to-mark') && (
        <DraftText
          ariaLabel={t('faces.clockingOf')}
          value={clocking.of}
          maxLength={80}
          onCommit={(of) => of && onClocking({ ...clocking, of })}
        />
      )}
      {clocking?.how === 'staggered' && (
        <DraftText
          ariaLabel={t('faces.degrees')}
          value={`${clocking.degrees}°`}
          maxLength={6}
          onCommit={(text) => {
            const degrees = Number.parseFloat(text);
            if (degrees >= 1 && degrees <= 359) onClocking({ ...clocking, degrees });
          }}
        />
      )}
    </div>
  );
}
