import { z } from 'zod';
import { Id } from '../ids';
import { PhotoHash } from './photo-hash';

/** Places on a picture are shares of its width and height, so that they hold at any size. */
const Share = z.number().min(-0.5).max(1.5);
const Box = { x: Share, y: Share, width: Share, height: Share };

export const MARK_COLOURS = ['persimmon', 'indigo', 'moss', 'white'] as const;
const Colour = z.enum(MARK_COLOURS);

/** What is drawn on a picture; it stays editable, since the picture itself is never changed. */
export const PictureMark = z.discriminatedUnion('kind', [
  z.strictObject({
    id: Id,
    kind: z.literal('arrow'),
    colour: Colour,
    fromX: Share,
    fromY: Share,
    toX: Share,
    toY: Share,
  }),
  z.strictObject({ id: Id, kind: z.literal('ring'), colour: Colour, ...Box }),
  z.strictObject({
    id: Id,
    kind: z.literal('number'),
    colour: Colour,
    x: Share,
    y: Share,
    number: z.int().min(1).max(99),
  }),
  z.strictObject({
    id: Id,
    kind: z.literal('text'),
    colour: Colour,
    x: Share,
    y: Share,
    text: z.string().trim().min(1).max(80),
  }),
  /** Faces, plates and papers that are nobody's business. */
  z.strictObject({ id: Id, kind: z.literal('blur'), ...Box }),
]);
export type PictureMark = z.infer<typeof PictureMark>;

/** A photo that shows how a step is done or how it should look after it. */
export const Picture = z.strictObject({
  id: Id,
  photo: PhotoHash,
  /** The photo with its marks drawn into it, which is what everybody but the trainer sees. */
  flat: PhotoHash.optional(),
  caption: z.string().trim().max(200).optional(),
  marks: z.array(PictureMark).max(60).default([]),
});
export type Picture = z.infer<typeof Picture>;

/** A stretch of a video; seconds from its beginning. */
export const Clip = z
  .strictObject({
    id: Id,
    video: PhotoHash,
    from: z.number().min(0).max(7200),
    to: z.number().min(0).max(7200),
    caption: z.string().trim().max(200).optional(),
  })
  .refine(({ from, to }) => to > from, 'ends-before-start');
export type Clip = z.infer<typeof Clip>;
