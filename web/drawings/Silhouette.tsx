import { SILHOUETTE_BOX, SILHOUETTES } from '#core/cloth/silhouettes';
import type { ComponentKind } from '#core/model/kinds';

/** The outline of a kind of part, in the colour of the text around it. */
export function Silhouette({ kind, size }: { kind: ComponentKind; size: number }) {
  return (
    <svg viewBox={`0 0 ${SILHOUETTE_BOX} ${SILHOUETTE_BOX}`} width={size} height={size} aria-hidden="true">
      <path d={SILHOUETTES[kind]} fill="currentColor" fillRule="evenodd" />
    </svg>
  );
}
