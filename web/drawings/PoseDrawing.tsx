import type { Pose } from '#core/model/faces';
import { poseDrawing } from '#core/orientation/pose-drawing';
import styles from './StackSection.module.css';

/** How a housing lies, drawn small; nothing where it stands as it is fitted. What it shows stands beside it in words. */
export function PoseDrawing({ pose }: { pose: Pose }) {
  const drawing = poseDrawing(pose);
  if (!drawing) return null;
  return (
    <svg width={160} viewBox={`0 0 ${drawing.width} ${drawing.height}`} aria-hidden="true">
      {drawing.shapes.map(({ d, tone }) => (
        <path key={d} d={d} className={styles[tone]} />
      ))}
    </svg>
  );
}
