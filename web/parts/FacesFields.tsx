import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Faces } from '#core/orientation/faces';
import { DraftText } from './DraftText';
import styles from './FacesFields.module.css';

interface FacesFieldsProps {
  readonly faces: Faces | undefined;
  readonly onFaces: (faces: Faces | undefined) => void;
}

/** Which end looks where, and how to tell. It is saved once both are said; until then the half is kept here. */
export function FacesFields({ faces, onFaces }: FacesFieldsProps) {
  const { t } = useTranslation();
  const [half, setHalf] = useState({ end: '', toward: '', tellBy: '', ...faces });
  useEffect(() => {
    if (faces) setHalf({ tellBy: '', ...faces });
  }, [faces]);
  const say = (part: Partial<typeof half>) => {
    const now = { ...half, ...part };
    setHalf(now);
    const { end, toward, tellBy } = now;
    if (end && toward) onFaces({ end, toward, ...(tellBy && { tellBy }) });
    else if (!end && !toward && faces) onFaces(undefined);
  };
  const missing = (half.end === '') !== (half.toward === '');
  const incomplete = (text: string) => (missing && !text ? t('step.facesIncomplete') : undefined);
  return (
    <div className={styles.fields}>
      <DraftText
        ariaLabel={t('step.facesEnd')}
        placeholder={t('step.facesEndHint')}
        value={half.end}
        maxLength={80}
        error={incomplete(half.end)}
        onCommit={(end) => say({ end })}
      />
      <DraftText
        ariaLabel={t('step.facesToward')}
        placeholder={t('step.facesTowardHint')}
        value={half.toward}
        maxLength={80}
        error={incomplete(half.toward)}
        onCommit={(toward) => say({ toward })}
      />
      <DraftText
        ariaLabel={t('step.facesTellBy')}
        placeholder={t('step.facesTellByHint')}
        value={half.tellBy}
        maxLength={160}
        onCommit={(tellBy) => say({ tellBy })}
      />
    </div>
  );
}
