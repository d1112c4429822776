import type { Content } from 'pdfmake/interfaces';
import { sayLabel } from '#core/language/en/sections';
import type { Pose } from '#core/model/faces';
import type { Series, Stack } from '#core/model/series';
import { poseDrawing } from '#core/orientation/pose-drawing';
import { drawSection, type SectionTone } from '#core/orientation/section-drawing';
import { type SaidFacings, stackSection } from '#core/orientation/stack-section';
import { INK } from './document';

const PAINT: Readonly<Record<SectionTone, string>> = {
  wall: `fill="${INK.linen}" stroke="${INK.soft}" stroke-width="1.2"`,
  shaft: `fill="#f6f2e8" stroke="${INK.soft}" stroke-width="1"`,
  piece: `fill="#ffffff" stroke="${INK.text}" stroke-width="1.3"`,
  current: `fill="#e4e9f2" stroke="${INK.indigo}" stroke-width="2.2"`,
  wrong: `fill="#f8e6da" stroke="${INK.kaki}" stroke-width="2.2"`,
  mark: `fill="${INK.text}"`,
  axis: `fill="none" stroke="${INK.soft}" stroke-width="0.8" stroke-dasharray="9 3 2 3"`,
  turn: `fill="none" stroke="${INK.moss}" stroke-width="1.6"`,
  pressure: `fill="none" stroke="${INK.kaki}" stroke-width="2.4"`,
};

/** A stack in section on paper, as it is drawn on the screen. */
export function printedSection(
  stack: Stack,
  series: Series,
  current: readonly string[],
  said: SaidFacings,
  pose: Pose | undefined,
): Content {
  const drawing = drawSection(stackSection(stack, series, said, pose), current);
  const shapes = drawing.shapes.map(({ d, tone }) => `<path d="${d}" ${PAINT[tone]}/>`);
  const labels = drawing.labels.map((label) => {
    const { x, y, atX, atY, componentId, tone } = label;
    const leader = componentId
      ? `<path d="M${atX} ${atY}L${x - 16} ${atY}L${x - 4} ${y - 4}" fill="none" stroke="${INK.soft}" stroke-width="0.8"/>`
      : '';
    const ink = tone === 'current' ? INK.indigo : tone === 'piece' ? INK.text : INK.kaki;
    return `${leader}<text x="${x}" y="${y}" font-size="${drawing.labelSize}" fill="${ink}">${escaped(sayLabel(label))}</text>`;
  });
  return printed(drawing, [...shapes, ...labels], 200);
}

/** How a housing lies after a step, as a small drawing; nothing where it stands as it is fitted. */
export function printedPose(pose: Pose): Content[] {
  const drawing = poseDrawing(pose);
  if (!drawing) return [];
  const shapes = drawing.shapes.map(({ d, tone }) => `<path d="${d}" ${PAINT[tone]}/>`);
  return [printed(drawing, shapes, 110)];
}

/** A drawing on paper, `width` points wide. */
function printed(drawing: { width: number; height: number }, elements: readonly string[], width: number): Content {
  const box = `0 0 ${drawing.width} ${drawing.height}`;
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${elements.join('')}</svg>`,
    width,
    margin: [0, 4, 0, 4],
  };
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}
