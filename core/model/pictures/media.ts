import type { Procedure, Step } from '../procedure';
import type { Picture } from './picture';

/** The photos and videos that documents name, by the hash of their bytes. */
export interface Media {
  readonly photos: ReadonlySet<string>;
  readonly videos: ReadonlySet<string>;
}

export function mediaOf(procedures: readonly Procedure[]): Media {
  const steps = procedures.flatMap((procedure) => procedure.steps);
  const narrations = procedures.flatMap((procedure) => procedure.narrations ?? []);
  const shown = steps.flatMap((step) =>
    (step.pictures ?? []).flatMap(({ photo, flat }) => (flat ? [photo, flat] : [photo])),
  );
  const grabbed = narrations.flatMap(({ proposals }) => proposals.flatMap(({ photos }) => photos ?? []));
  return {
    photos: new Set([...shown, ...grabbed]),
    videos: new Set([
      ...steps.flatMap((step) => (step.clips ?? []).map(({ video }) => video)),
      ...narrations.flatMap(({ video }) => video ?? []),
    ]),
  };
}

/**
 * The photos behind the pictures of some steps: those of which a part is blurred in what everybody but the trainer sees,
 * and those that everybody sees as they are. A photo that one step shows as it is is no secret.
 */
export function blurredAndOpen(steps: readonly Pick<Step, 'pictures'>[]): { blurred: string[]; open: string[] } {
  const pictures = steps.flatMap((step) => step.pictures ?? []);
  const isBlurred = ({ flat, marks }: Picture) => flat !== undefined && marks.some(({ kind }) => kind === 'blur');
  const open = new Set(pictures.filter((picture) => !isBlurred(picture)).map(({ photo }) => photo));
  const blurred = new Set(pictures.filter(isBlurred).map(({ photo }) => photo));
  return { blurred: [...blurred].filter((photo) => !open.has(photo)), open: [...open] };
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
    ...(procedure.narrations && {
      narrations: procedure.narrations.map((narration) => ({
        ...narration,
        ...(narration.video && { video: renamed(narration.video) }),
        proposals: narration.proposals.map((proposal) => ({
          ...proposal,
          ...(proposal.photos && { photos: proposal.photos.map(renamed) }),
        })),
      })),
    }),
  }));
}
