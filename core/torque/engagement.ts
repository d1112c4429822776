import type { TappedMaterial } from '../model/fastener-group';
import { pitchDiameter, type Thread } from './threads';

/** Shear strength in MPa of what is tapped. Common practice: about 0.6 of a usual tensile strength, less for castings. */
const SHEAR: Readonly<Record<TappedMaterial, number>> = {
  steel: 280,
  stainless: 300,
  'cast-iron': 180,
  bronze: 150,
  brass: 160,
  aluminium: 130,
  plastic: 25,
};

/** Up to this share of what strips the thread it is used again and again. Common practice. */
export const MOST_OF_STRIPPING = 0.8;

/**
 * The pull in N that strips the inside thread: shear strength times its shear area π·d·(L/P)·(P/2 + (d − d2)·tan 30°),
 * the basic-profile form of the area in VDI 2230 and FED-STD-H28. `engagement` in mm.
 */
export function strippingLoad(thread: Thread, engagement: number, into: TappedMaterial): number {
  const { diameter, pitch } = thread;
  const width = pitch / 2 + (diameter - pitchDiameter(thread)) * Math.tan(Math.PI / 6);
  return SHEAR[into] * Math.PI * diameter * (engagement / pitch) * width;
}
