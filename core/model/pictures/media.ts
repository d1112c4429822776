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

/** Photos of which some part is blurred in what everybody but the trainer sees. */
export function blurredOriginals(procedures: readonly Procedure[]): ReadonlySet<string> {
  const pictures = procedures.flatMap(({ steps }) => steps.flatMap((step) => step.pictures ?? []));
  return new Set(
    pictures.flatMap(({ photo, flat, marks }) => (flat && marks.some(({ kind }) => kind === 'blur') ? [photo] : [])),
  );
}

/** The same procedures with some of their media under other names. */
export function renamingMedia(procedures: readonly Procedure[], names: ReadonlyMap<string, string>): Procedure[] {
  const renamed = (hash: string) => names.get(hash) ?? hash;
  return procedures.map((procedure) => ({
    ...procedure,
    steps: procedure.steps.map((step) => ({
      ...step,
      ...(step.pictures && {
        pictures: step.pictures.map((picture) => ({
          ...picture,
          photo: renamed(picture.photo),
          ...(picture.flat && { flat: renamed(picture.flat) }),
        })),
      }),
      ...(step.clips && { clips: step.clips.map((clip) => ({ ...clip, video: renamed(clip.video) })) }),
    })),
  }));
}
