import { useTranslation } from 'react-i18next';
import { sayLabel } from '#core/language/en/sections';
import type { Pose } from '#core/model/faces';
import type { Series, Stack } from '#core/model/series';
import { drawSection } from '#core/orientation/section-drawing';
import { type SaidFacings, stackSection } from '#core/orientation/stack-section';
import styles from './StackSection.module.css';

interface StackSectionProps {
  readonly stack: Stack;
  readonly series: Series;
  /** Parts to point out. */
  readonly current?: readonly string[];
  /** What a step says of how parts face. */
  readonly said?: SaidFacings;
  readonly pose?: Pose | undefined;
}

/** A cross-section through a stack, computed from what is said about it; the mouth of the bore is at the top. */
export function StackSection({ stack, series, current = [], said, pose }: StackSectionProps) {
  const { t } = useTranslation();
  const section = stackSection(stack, series, said, pose);
  const drawing = drawSection(section, current);
  const wrong = section.pieces.filter((piece) => piece.wrong).map((piece) => piece.name);
  const order = section.pieces
    .filter((piece) => piece.number === 1)
    .map(({ name, of }) => (of > 1 ? `${of} × ${name}` : name));
  const about = t('stack.drawing', { name: stack.name, parts: order.toReversed().join(', ') });
  return (
    <figure className={styles.figure}>
      <svg
        className={styles.section}
        viewBox={`0 0 ${drawing.width} ${drawing.height}`}
        preserveAspectRatio="xMidYMin meet"
        role="img"
        aria-label={wrong.length > 0 ? `${about} ${t('stack.wrong', { parts: wrong.join(', ') })}` : about}
      >
        <defs>
          <pattern id="section-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="6" className={styles.hatch} />
          </pattern>
        </defs>
        {drawing.shapes.map((shape, i) => (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no identity beyond their place in the drawing
            key={`${i}-${shape.tone}`}
            d={shape.d}
            className={styles[shape.tone]}
          />
        ))}
        {drawing.labels.map((label) => (
          <g key={`${label.name}-${label.y}`} className={styles[`label-${label.tone}`]}>
            {label.componentId && (
              <path
                className={styles.leader}
                d={`M${label.atX} ${label.atY}L${label.x - 16} ${label.atY}L${label.x - 4} ${label.y - 4}`}
              />
            )}
            <text x={label.x} y={label.y} fontSize={drawing.labelSize}>
              {sayLabel(label)}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}
