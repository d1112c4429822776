import { silhouetteOf } from '#core/cloth/shapes';
import { SILHOUETTE_BOX } from '#core/cloth/silhouettes';
import type { Component } from '#core/model/series';

/** The outline of a part, in the colour of the text around it. */
export function Silhouette({ part, size }: { part: Pick<Component, 'kind' | 'name'>; size: number }) {
  return (
    <svg viewBox={`0 0 ${SILHOUETTE_BOX} ${SILHOUETTE_BOX}`} width={size} height={size} aria-hidden="true">
      <path d={silhouetteOf(part)} fill="currentColor" fillRule="evenodd" />
    </svg>
  );
}
