/** Strokes on a sheet of 1000 by 300, as they were drawn with a finger. */
export function DrawnSignature({ strokes, label }: { strokes: readonly (readonly number[])[]; label: string }) {
  return (
    <svg viewBox="0 0 1000 300" role="img" aria-label={label} width="100%">
      {strokes.map((stroke) => (
        <path
          key={stroke.join(' ')}
          d={pathOf(stroke)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={6}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}

function pathOf(stroke: readonly number[]): string {
  const points = Array.from(
    { length: Math.floor(stroke.length / 2) },
    (_, i) => `${stroke[2 * i]} ${stroke[2 * i + 1]}`,
  );
  // A tap is a dot.
  return points.length === 1 ? `M${points[0]}h1` : `M${points.join('L')}`;
}
