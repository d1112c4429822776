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
