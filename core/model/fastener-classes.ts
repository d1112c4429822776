/**
 * What fasteners are made of: property classes of ISO 898-1, grades of SAE J429, stainless steels of ISO 3506-1, and
 * plugs of brass or plastic.
 */
export const FASTENER_CLASSES = [
  '4.6',
  '4.8',
  '5.6',
  '5.8',
  '6.8',
  '8.8',
  '9.8',
  '10.9',
  '12.9',
  'SAE 1',
  'SAE 2',
  'SAE 5',
  'SAE 8',
  'A2-50',
  'A2-70',
  'A2-80',
  'A4-50',
  'A4-70',
  'A4-80',
  'brass',
  'plastic',
] as const;
export type FastenerClass = (typeof FASTENER_CLASSES)[number];
