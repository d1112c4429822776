import type { ComponentKind } from '../model/kinds';

/** Outlines of parts in a 40 by 40 box, to be filled by the even-odd rule: on screens, on paper and in demo pictures. */
export const SILHOUETTE_BOX = 40;

const disc = (r: number, cx = 20, cy = 20) =>
  `M${cx - r} ${cy}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}z`;
const round = (x: number, y: number, w: number, h: number, r: number) =>
  `M${x + r} ${y}h${w - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${h - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${-(w - 2 * r)}a${r} ${r} 0 0 1 ${-r} ${-r}v${-(h - 2 * r)}a${r} ${r} 0 0 1 ${r} ${-r}z`;
const hexagon = 'M20 4l13.9 8v16L20 36 6.1 28V12z';
const around = (n: number, radius: number, r: number) =>
  Array.from({ length: n }, (_, i) => {
    const angle = (2 * Math.PI * i) / n;
    return disc(r, round2(20 + radius * Math.cos(angle)), round2(20 + radius * Math.sin(angle)));
  }).join('');
const round2 = (value: number) => Math.round(value * 100) / 100;

/** A rotor of `n` rounded lobes: a circle whose radius swings by `swing`. */
const lobes = (n: number, radius: number, swing: number) => {
  const points = Array.from({ length: 24 * n }, (_, i) => {
    const angle = (2 * Math.PI * i) / (24 * n);
    const r = radius + swing * Math.cos(n * angle);
    return `${round2(20 + r * Math.sin(angle))} ${round2(20 - r * Math.cos(angle))}`;
  });
  return `M${points.join('L')}z`;
};

export const SILHOUETTES: Readonly<Record<ComponentKind, string>> = {
  ring: disc(15) + disc(9.5),
  'o-ring': disc(14) + disc(10.8),
  'lip-seal': disc(16) + disc(12.6) + disc(11.4) + disc(7),
  'seal-face': `${disc(16)}${disc(7.5)}M18 4h4v5h-4z`,
  seal: disc(16) + disc(13) + disc(10.6) + disc(8),
  packing: 'M4 14l16-9 16 9v6L20 11 4 20zM4 25l16-9 16 9v6l-16-9-16 9z',
  nut: hexagon + disc(7.5),
  'dome-nut': `M5 27h30v7H5zM9 25C9 12 14 6 20 6s11 6 11 19z`,
  bolt: 'M12 4h16v9H12zM15.5 14.5h9v21h-9zM13.5 20h13v1.6h-13zM13.5 24h13v1.6h-13zM13.5 28h13v1.6h-13z',
  screw: 'M10 12C10 4 30 4 30 12zM18.6 5h2.8v5h-2.8zM16 13.5h8v17L20 36l-4-5.5z',
  washer: disc(15) + disc(6.5),
  'cup-washer': 'M3 27C9 11 31 11 37 27l-4.5 2C28 18 12 18 7.5 29z',
  pin: 'M20 4a7 7 0 0 1 4.2 12.6L24 36h-3V17h-2v15h-3l-.2-15.4A7 7 0 0 1 20 4zm0 4a3.2 3.2 0 1 0 .01 0z',
  clip: 'M20 4a16 16 0 1 1-3 31.7l.7-3.6a12.4 12.4 0 1 0-9.6-9.6l-3.6.7A16 16 0 0 1 20 4zM5 21h4.5v4H5zM16 31h4v5h-4z',
  key: `${round(5, 14, 30, 12, 6)}`,
  spring: 'M9 5h22v4H9zM9 11l22 4v4L9 15zM9 18l22 4v4L9 22zM9 25l22 4v4L9 29zM9 33h22v3H9z',
  'valve-ball': `${disc(15)}M13 13a9 9 0 0 1 9-3.5l-.8 2.3a7 7 0 0 0-6.3 2.9z`,
  poppet: 'M5 8h30l-6 8h-6v16h-6V16h-6z',
  'valve-seat': `${disc(16)}${disc(12)}${disc(10)}${disc(6)}`,
  retainer: `${disc(16)}${disc(9)}${box(18.4, 2.6, 3.2, 5)}${box(18.4, 32.4, 3.2, 5)}${box(2.6, 18.4, 5, 3.2)}${box(32.4, 18.4, 5, 3.2)}`,
  plunger: 'M14 3h12v21H14zM17 25.5h6V31h-6zM11 31h18v6H11z',
  rotor: lobes(3, 11.5, 4.6) + disc(4.4) + disc(1.6, 20, 8.6),
  impeller: `${disc(16)}${disc(4)}M20 8c4 1 6 4 5 8l-2.4-1c.6-2.5-.4-4.6-2.6-5.4zM32 20c-1 4-4 6-8 5l1-2.4c2.5.6 4.6-.4 5.4-2.6zM20 32c-4-1-6-4-5-8l2.4 1c-.6 2.5.4 4.6 2.6 5.4zM8 20c1-4 4-6 8-5l-1 2.4c-2.5-.6-4.6.4-5.4 2.6z`,
  shaft: 'M2 17h9v-3h11v-3h10v4h6v10h-6v4H22v-3H11v-3H2z',
  diaphragm: `${disc(17)}${disc(14.5)}${disc(12.5)}${disc(5)}${disc(2)}`,
  cover:
    round(3, 7, 34, 26, 12) +
    disc(2, 8.5, 20) +
    disc(2, 31.5, 20) +
    disc(2, 15, 11) +
    disc(2, 25, 11) +
    disc(2, 15, 29) +
    disc(2, 25, 29),
  housing: `M3 12h34v20H3zM7 6h7v6H7zM26 6h7v6h-7z${disc(3.6, 10, 22)}${disc(3.6, 20, 22)}${disc(3.6, 30, 22)}M1 32h7v3H1zM32 32h7v3h-7z`,
  gasket: round(3, 6, 34, 28, 12) + round(8, 11, 24, 18, 8),
  bearing: disc(17) + disc(14.2) + around(9, 11, 2.3) + disc(7.8) + disc(5),
  spacer: `${box(7, 8, 26, 24)}${box(10, 12, 20, 2)}${box(10, 26, 20, 2)}`,
  plug: 'M10 4h20v9H10zM13 14.5h14l-1.5 21h-11zM14 19h12v1.6H14zM14 23.5h12v1.6H14zM14.5 28h11v1.6h-11z',
  fitting: 'M13 3h14v7H13zM9 11.5h22v9H9zM14 22h12v14H14zM12.5 25h15v1.6h-15zM12.5 29h15v1.6h-15zM12.5 33h15v1.6h-15z',
  other: `M20 4l16 16-16 16L4 20z${disc(5)}`,
};

/** A toothed wheel of `n` teeth. */
const toothed = (n: number, outer: number, inner: number) => {
  const points = Array.from({ length: 4 * n }, (_, i) => {
    const angle = (2 * Math.PI * (i - 0.5)) / (4 * n);
    const r = i % 4 < 2 ? outer : inner;
    return `${round2(20 + r * Math.sin(angle))} ${round2(20 - r * Math.cos(angle))}`;
  });
  return `M${points.join('L')}z`;
};

/** Outlines that the name of a part tells, where its kind is drawn more plainly. */
export const NAMED_SILHOUETTES = {
  'v-ring': 'M3 9l17 13L37 9v8L20 30 3 17zM3 22l17 13 17-13v4L20 39 3 26z',
  'u-cup': 'M5 6h8v18h14V6h8v28H5zM9 10v20h22V10h-1v18H10V10z',
  'split-ring': `${disc(16)}${disc(10.5)}M17 3l7 1-3 8-6-1z`,
  circlip: 'M20 5a15 15 0 0 1 10 26l5 4-5 3-6-7a11 11 0 1 0-8 0l-6 7-5-3 5-4A15 15 0 0 1 20 5z',
  slinger: 'M16 2h8v10l11 5v6l-11 5v10h-8V28L5 23v-6l11-5zM18.5 4v32h3V4z',
  cage: `${box(6, 4, 28, 5)}${box(6, 31, 28, 5)}${box(7, 9, 4, 22)}${box(14.7, 9, 4, 22)}${box(21.4, 9, 4, 22)}${box(29, 9, 4, 22)}`,
  adapter: 'M12 3h16v12h6v9h-8v13H14V24H6v-9h6zM16 5v11h8V5zM17 26v9h6v-9z',
  hose: 'M4 10h8c14 0 2 20 16 20h8v-7h-8c-8 0 2-20-16-20H4z',
  gauge: `${disc(15, 20, 16)}${disc(12, 20, 16)}M19 17l8-8 1.4 1.4-7 9zM16 31h8v7h-8z`,
  gear: toothed(10, 17, 13) + disc(5),
  coupling: `${disc(17)}${disc(6)}${box(18.2, 14, 3.6, 4)}${around(3, 11.5, 2.6)}`,
  bush: 'M4 9h32v6h-6v20H10V15H4zM15 11v22h10V11z',
  stud: `${box(16, 2, 8, 36)}${box(13.5, 4, 13, 1.6)}${box(13.5, 8, 13, 1.6)}${box(13.5, 12, 13, 1.6)}${box(13.5, 27, 13, 1.6)}${box(13.5, 31, 13, 1.6)}${box(13.5, 35, 13, 1.6)}`,
  filter: `${round(8, 4, 24, 32, 4)}${box(12, 9, 2, 22)}${box(16.3, 9, 2, 22)}${box(20.6, 9, 2, 22)}${box(25, 9, 2, 22)}`,
  vane: 'M6 12l28-6v22L6 34zM9 15v15l3-.7V14.4z',
  manifold: `M2 14h36v12H2zM6 6h6v8H6zM17 6h6v8h-6zM28 6h6v8h-6z${disc(3, 9, 20)}${disc(3, 20, 20)}${disc(3, 31, 20)}M14 26h12v9H14z`,
  'split-pin': 'M20 3a6 6 0 0 1 3 11.2V37h-2.4V15h-1.2v17H17V14.2A6 6 0 0 1 20 3zm0 3.4a2.6 2.6 0 1 0 .01 0z',
  dowel: 'M15 4h10l2 3v26l-2 3H15l-2-3V7zM16 8v24h2V8z',
  crankshaft: 'M1 17h8v-8h5v10h5V9h5v22h5V19h2v-2h8v6h-8v8h-5v3h-5V21h-2v10h-5V23H9v-2H1z',
  'connecting-rod': `${disc(8, 11, 20)}${disc(4.5, 11, 20)}${disc(5.5, 32, 20)}${disc(2.6, 32, 20)}${box(18, 17.6, 9, 4.8)}`,
  'sight-glass': `${disc(16)}${disc(10)}M11.4 22h17.2a9 9 0 0 1-17.2 0z`,
  clamp: 'M8 4h6v6h12V4h6v10a12 12 0 1 1-24 0zM13 15a8 8 0 1 0 14 0z',
} as const;
export type NamedShape = keyof typeof NAMED_SILHOUETTES;
