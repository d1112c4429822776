import type { Faces, Pose } from '../../model/faces';

/** How a housing is said to lie: "on its side", "face down", "ports up". Undefined where nothing tells. Common practice. */
export function poseSaid(detail: string, faces: Faces | undefined): Pose | undefined {
  if (ON_ITS_SIDE.test(detail)) return 'on-its-side';
  if (FACE_DOWN.test(detail)) return 'face-down';
  if (FACE_UP.test(detail)) return 'face-up';
  if (!faces || !OPENS_AT_FACE.test(faces.end ?? '')) return undefined;
  if (faces.toward.is === 'up') return 'face-up';
  return faces.toward.is === 'down' ? 'face-down' : undefined;
}

const ON_ITS_SIDE = /\bon (?:its|the|their) (?:side|edge)\b|\bsideways\b/i;
const FACE_DOWN = /\bface[- ]?down\b|\bupside down\b|\bon (?:its|the) face\b/i;
const FACE_UP = /\bface[- ]?up\b|\bon (?:its|the) back\b/i;
/** What sits on the side that the bores open to. */
const OPENS_AT_FACE = /\b(?:face|bores?|ports?|openings?|seals?|seats?|studs?|mouth|open (?:side|end))$/i;
