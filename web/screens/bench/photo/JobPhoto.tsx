import { useEffect, useState } from 'react';
import { arrowShape } from '#core/model/pictures/mark-shapes';
import type { PictureMark } from '#core/model/pictures/picture';
import { photoUrl } from '../../../ground/api';
import { type BenchJob, waitingPicture } from '../../../sync/bench-job';
import styles from './Photo.module.css';

interface JobPhotoProps {
  readonly photo: string;
  readonly alt: string;
  readonly marks?: readonly PictureMark[] | undefined;
  readonly isThumb?: boolean;
  /** The job it waits in, where it may not be sent yet. */
  readonly bench?: BenchJob;
}

/** A photo of a job with what is drawn on it, from this device as long as it waits to be sent. */
export function JobPhoto({ photo, alt, marks = [], isThumb = false, bench }: JobPhotoProps) {
  const blob = bench && waitingPicture(bench.waiting, photo);
  const [local, setLocal] = useState<string>();
  const [size, setSize] = useState<{ width: number; height: number }>();
  useEffect(() => {
    if (!blob) return setLocal(undefined);
    const url = URL.createObjectURL(blob);
    setLocal(url);
    return () => URL.revokeObjectURL(url);
  }, [blob]);
  const source = blob ? local : photoUrl(photo, isThumb ? 'thumb' : undefined);
  if (!source) return null;
  return (
    <span className={styles.jobPhoto}>
      <img
        src={source}
        alt={alt}
        draggable={false}
        onLoad={({ currentTarget: { naturalWidth: width, naturalHeight: height } }) => setSize({ width, height })}
      />
      {size && marks.length > 0 && <Arrows marks={marks} size={size} />}
    </span>
  );
}

/** Arrows over a picture that is shown whole, or cut to its frame in the middle as the picture is. */
function Arrows({ marks, size }: { marks: readonly PictureMark[]; size: { width: number; height: number } }) {
  return (
    <svg viewBox={`0 0 ${size.width} ${size.height}`} preserveAspectRatio="xMidYMid slice" aria-hidden="true">
      {marks.map((mark) => {
        if (mark.kind !== 'arrow') return null;
        const { line, shaft, head } = arrowShape(mark, size);
        const points = head.map((corner) => corner.join(',')).join(' ');
        return (
          <g key={mark.id}>
            <g stroke="#fff7ef" fill="#fff7ef">
              <line {...shaft} strokeWidth={line * 2} />
              <polygon points={points} strokeWidth={line} />
            </g>
            <g stroke="var(--kaki)" fill="var(--kaki)">
              <line {...shaft} strokeWidth={line} />
              <polygon points={points} strokeWidth={0} />
            </g>
          </g>
        );
      })}
    </svg>
  );
}
