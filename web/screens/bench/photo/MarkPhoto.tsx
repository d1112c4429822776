import i18next from 'i18next';
import { nanoid } from 'nanoid';
import { type PointerEvent, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { TakenPhoto } from '#core/job/state';
import type { PictureMark } from '#core/model/pictures/picture';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
import { JobPhoto } from './JobPhoto';
import styles from './Photo.module.css';

/** Shows a photo large; whoever has the job in hand draws arrows on it with a finger. */
export function openMarkPhoto(bench: BenchJob, stepId: string, taken: TakenPhoto, mayDraw: boolean): void {
  modals.open({
    title: i18next.t(mayDraw ? 'bench.mark.title' : 'bench.photo'),
    size: 'xl',
    children: <MarkPhoto bench={bench} stepId={stepId} taken={taken} mayDraw={mayDraw} />,
  });
}

interface MarkPhotoProps {
  readonly bench: BenchJob;
  readonly stepId: string;
  readonly taken: TakenPhoto;
  readonly mayDraw: boolean;
}

type Arrow = PictureMark & { kind: 'arrow' };
/** Shorter than this share of the picture it was a tap. */
const SHORTEST = 0.02;
const MOST = 20;

function MarkPhoto({ bench, stepId, taken, mayDraw }: MarkPhotoProps) {
  const { t } = useTranslation();
  const [marks, setMarks] = useState<readonly PictureMark[]>(taken.marks ?? []);
  const [drawn, setDrawn] = useState<Arrow>();
  const sheet = useRef<HTMLDivElement>(null);
  const at = ({ clientX, clientY }: PointerEvent) => {
    const box = sheet.current?.getBoundingClientRect();
    const share = (value: number) => Math.min(1, Math.max(0, value));
    return box
      ? { x: share((clientX - box.left) / box.width), y: share((clientY - box.top) / box.height) }
      : { x: 0, y: 0 };
  };
  const begin = (event: PointerEvent) => {
    if (!mayDraw || marks.length >= MOST) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const { x, y } = at(event);
    setDrawn({ id: nanoid(8), kind: 'arrow', colour: 'persimmon', fromX: x, fromY: y, toX: x, toY: y });
  };
  const move = (event: PointerEvent) => {
    const { x, y } = at(event);
    setDrawn((now) => now && { ...now, toX: x, toY: y });
  };
  const end = () => {
    if (drawn && Math.hypot(drawn.toX - drawn.fromX, drawn.toY - drawn.fromY) > SHORTEST) setMarks([...marks, drawn]);
    setDrawn(undefined);
  };
  const save = async () => {
    await bench.enter({ kind: 'photo-marked', stepId, photo: taken.hash, marks: [...marks] });
    modals.closeAll();
  };
  return (
    <div className={styles.marking}>
      {mayDraw && <p>{t('bench.mark.how')}</p>}
      <div
        ref={sheet}
        className={styles.sheet}
        onPointerDown={begin}
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={end}
      >
        <JobPhoto bench={bench} photo={taken.hash} marks={drawn ? [...marks, drawn] : marks} alt={t('bench.photo')} />
      </div>
      {mayDraw && (
        <div className={styles.markFoot}>
          <button
            type="button"
            className={frame.medium}
            disabled={marks.length === 0}
            onClick={() => setMarks(marks.slice(0, -1))}
          >
            {t('bench.mark.undo')}
          </button>
          <button type="button" className={`${frame.medium} ${frame.go}`} onClick={() => void save()}>
            {t('bench.mark.save')}
          </button>
        </div>
      )}
    </div>
  );
}
