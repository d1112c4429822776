import { type RefObject, useEffect, useState } from 'react';
import type { Finding } from '#core/findings/finding';
import type { DeskRow } from './desk-rows';
import styles from './Narration.module.css';

interface Thread {
  readonly key: string;
  readonly rowId: string;
  readonly path: string;
}

/** Joins each passage with the step or the proposal it went into, as the fold joins its pairs. */
export function Threads({
  frame,
  rows,
  chosenId,
  gaps,
}: {
  frame: RefObject<HTMLElement | null>;
  rows: readonly DeskRow[];
  chosenId: string | undefined;
  gaps: ReadonlyMap<string, readonly Finding[]>;
}) {
  const [threads, setThreads] = useState<readonly Thread[]>([]);
  useEffect(() => {
    const root = frame.current;
    if (!root) return undefined;
    let asked = 0;
    const draw = () => {
      cancelAnimationFrame(asked);
      asked = requestAnimationFrame(() => setThreads(threadsIn(root, rows)));
    };
    draw();
    const sizes = new ResizeObserver(draw);
    sizes.observe(root);
    root.addEventListener('scroll', draw, true);
    return () => {
      cancelAnimationFrame(asked);
      sizes.disconnect();
      root.removeEventListener('scroll', draw, true);
    };
  }, [frame, rows]);
  const isOpen = (id: string) => {
    const read = rows.find((row) => row.id === id)?.read;
    return read !== undefined && (!read.isWhole || (gaps.get(id) ?? []).length > 0);
  };
  return (
    <svg className={styles.threads} aria-hidden="true">
      {threads.map(({ key, rowId, path }) => (
        <path key={key} d={path} data-open={isOpen(rowId) || undefined} data-chosen={rowId === chosenId || undefined} />
      ))}
    </svg>
  );
}

/** The threads of what is in sight, from the middle of a passage to the middle of its card. */
function threadsIn(root: HTMLElement, rows: readonly DeskRow[]): Thread[] {
  const svg = root.querySelector(`.${styles.threads}`);
  if (!svg) return [];
  const { top, width } = svg.getBoundingClientRect();
  const middle = (element: Element | null) => {
    const list = element?.closest('[data-scrolls]')?.getBoundingClientRect();
    if (!element || !list) return undefined;
    const box = element.getBoundingClientRect();
    const y = (box.top + box.bottom) / 2;
    return y < list.top || y > list.bottom ? undefined : y - top;
  };
  return rows.flatMap(({ id, passageIds }) => {
    const to = middle(root.querySelector(`[data-row="${id}"]`));
    if (to === undefined) return [];
    return passageIds.flatMap((passageId) => {
      const from = middle(root.querySelector(`[data-passage="${passageId}"]`));
      if (from === undefined) return [];
      const half = width / 2;
      const path = `M0 ${from} C${half} ${from} ${half} ${to} ${width} ${to}`;
      return [{ key: `${id} ${passageId}`, rowId: id, path }];
    });
  });
}
