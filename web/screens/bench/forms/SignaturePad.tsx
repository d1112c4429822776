import { TextInput } from '@mantine/core';
import { type PointerEvent, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { MOST_IN_SIGNATURE, type Signer } from '#core/job/entry-words';
import { DrawnSignature } from '../../../drawings/DrawnSignature';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
import styles from './Forms.module.css';

/** As many points of a stroke are kept; a signature has far fewer. */
const MOST_POINTS = 300;
const MOST_STROKES = 40;
/** Points closer than this, in thousandths of the width, say nothing new. */
const CLOSE = 4;

/** A sheet to sign on with a finger. */
export function SignaturePad({ bench, as, first }: { bench: BenchJob; as: Signer; first: string }) {
  const { t } = useTranslation();
  const [name, setName] = useState(first);
  const [strokes, setStrokes] = useState<readonly (readonly number[])[]>([]);
  const sheet = useRef<HTMLDivElement>(null);
  const isDrawing = useRef(false);
  const at = (event: PointerEvent): [number, number] => {
    const box = sheet.current?.getBoundingClientRect();
    if (!box) return [0, 0];
    const share = (value: number, most: number) => Math.round(Math.min(1, Math.max(0, value)) * most);
    return [share((event.clientX - box.left) / box.width, 1000), share((event.clientY - box.top) / box.height, 300)];
  };
  const hasRoom = (drawn: typeof strokes) => drawn.flat().length < MOST_IN_SIGNATURE;
  const isFull = strokes.length >= MOST_STROKES || !hasRoom(strokes);
  const begin = (event: PointerEvent) => {
    if (isFull) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    isDrawing.current = true;
    setStrokes([...strokes, at(event)]);
  };
  const move = (event: PointerEvent) => {
    if (!isDrawing.current) return;
    const [x, y] = at(event);
    setStrokes((before) => {
      const last = before.at(-1) ?? [];
      const [lastX = 0, lastY = 0] = last.slice(-2);
      const takesMore = last.length < 2 * MOST_POINTS && hasRoom(before);
      if (!takesMore || Math.hypot(x - lastX, y - lastY) < CLOSE) return before;
      return [...before.slice(0, -1), [...last, x, y]];
    });
  };
  const end = () => {
    isDrawing.current = false;
  };
  const save = async () => {
    await bench.enter({ kind: 'signed', as, name: name.trim(), strokes: strokes.map((stroke) => [...stroke]) });
    modals.closeAll();
  };
  return (
    <div className={styles.pad}>
      <TextInput
        size="lg"
        label={t('bench.signature.name')}
        value={name}
        maxLength={120}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <div
        ref={sheet}
        className={styles.sheet}
        data-testid="signature-sheet"
        onPointerDown={begin}
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={end}
      >
        <DrawnSignature strokes={strokes} label={t('bench.signature.sheet')} />
      </div>
      {isFull && <p role="status">{t('bench.signature.full')}</p>}
      <div className={styles.buttons}>
        <button type="button" className={frame.medium} disabled={strokes.length === 0} onClick={() => setStrokes([])}>
          {t('bench.signature.clear')}
        </button>
        <button
          type="button"
          className={`${frame.medium} ${frame.go}`}
          disabled={strokes.length === 0 || name.trim() === ''}
          onClick={() => void save()}
        >
          {t('bench.signature.keep')}
        </button>
      </div>
    </div>
  );
}
