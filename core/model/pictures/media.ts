import type { Procedure } from '../procedure';

/** The photos and videos that documents name, by the hash of their bytes. */
export interface Media {
  readonly photos: ReadonlySet<string>;
  readonly videos: ReadonlySet<string>;
}

export function mediaOf(procedures: readonly Procedure[]): Media {
  const steps = procedures.flatMap((procedure) => procedure.steps);
  return {
    photos: new Set(
      steps.flatMap((step) => (step.pictures ?? []).flatMap(({ photo, flat }) => (flat ? [photo, flat] : [photo]))),
    ),
    videos: new Set(steps.flatMap((step) => (step.clips ?? []).map(({ video }) => video))),
  };
}
