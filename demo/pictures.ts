import sharp from 'sharp';
import { replay, type Timeline } from '#core/bench/replay';
import { stateAfter } from '#core/bench/state';
import { SILHOUETTE_BOX, SILHOUETTES } from '#core/cloth/silhouettes';
import type { ComponentKind } from '#core/model/kinds';
import { componentById, positionSetById } from '#core/model/lookup';
import type { PictureMark } from '#core/model/pictures/picture';
import type { Step, Workbook } from '#core/model/procedure';
import { verbOf } from '#core/model/verbs';

/** Drawn stand-ins for bench photos: the parts of a step, large, on the bench or on the cloth. */
const WIDTH = 1280;
const HEIGHT = 960;
/** Drawn at three quarters of that: enough for a tablet, and the demo is there sooner. */
const SIZE = `width="${WIDTH * 0.75}" height="${HEIGHT * 0.75}" viewBox="0 0 ${WIDTH} ${HEIGHT}"`;

/** A JPEG of what the photo check of `step` asks for. */
export async function drawPhoto(workbook: Workbook, step: Step): Promise<Buffer> {
  const timeline = replay(workbook);
  const onCloth =
    verbOf(step.verb).effect !== 'refits' &&
    timeline.frames.find((frame) => frame.step === step)?.moves.some((move) => move.to === 'cloth');
  const svg = onCloth ? clothScene(workbook, timeline, step) : benchScene(workbook, step);
  return sharp(Buffer.from(svg)).jpeg({ quality: 84 }).toBuffer();
}

/** The photo with marks drawn into it, as the author screen stores it beside the photo. */
export async function drawMarks(photo: Buffer, marks: readonly PictureMark[]): Promise<Buffer> {
  const shapes = marks.map((mark) => {
    switch (mark.kind) {
      case 'ring':
        return `<ellipse cx="${(mark.x + mark.width / 2) * WIDTH}" cy="${(mark.y + mark.height / 2) * HEIGHT}" rx="${(mark.width / 2) * WIDTH}" ry="${(mark.height / 2) * HEIGHT}" fill="none" stroke="#c8471a" stroke-width="7"/>`;
      case 'arrow':
        return `<path d="M${mark.fromX * WIDTH} ${mark.fromY * HEIGHT}L${mark.toX * WIDTH} ${mark.toY * HEIGHT}" stroke="#c8471a" stroke-width="7" marker-end="url(#tip)"/>`;
      case 'number':
        return `<circle cx="${mark.x * WIDTH}" cy="${mark.y * HEIGHT}" r="30" fill="#24406e"/><text x="${mark.x * WIDTH}" y="${mark.y * HEIGHT + 13}" font-size="36" font-family="sans-serif" font-weight="700" fill="#fff" text-anchor="middle">${mark.number}</text>`;
      default:
        return '';
    }
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" ${SIZE}><defs><marker id="tip" markerWidth="5" markerHeight="5" refX="3" refY="2.5" orient="auto"><path d="M0 0L5 2.5L0 5Z" fill="#c8471a"/></marker></defs>${shapes.join('')}</svg>`;
  return sharp(photo)
    .composite([{ input: Buffer.from(svg) }])
    .jpeg({ quality: 84 })
    .toBuffer();
}

function clothScene({ series, procedure }: Workbook, timeline: Timeline, step: Step): string {
  const state = stateAfter(timeline, procedure.steps.indexOf(step) + 1);
  const filled = timeline.cells.filter((cell) => cell.unitIds.some((id) => state.places.get(id) === 'cloth'));
  const columns = Math.min(4, Math.max(2, Math.ceil(Math.sqrt(filled.length))));
  const rows = Math.ceil(filled.length / columns);
  const cell = Math.min((WIDTH - 160) / columns, (HEIGHT - 140) / Math.max(rows, 1));
  const left = (WIDTH - cell * columns) / 2;
  const top = (HEIGHT - cell * rows) / 2;
  const parts = filled.map((laid, i) => {
    const x = left + (i % columns) * cell;
    const y = top + Math.floor(i / columns) * cell;
    const isNew = laid.openedBy === step.id;
    return `<rect x="${x + 10}" y="${y + 10}" width="${cell - 20}" height="${cell - 20}" rx="10" fill="none" stroke="#9c8f72" stroke-width="3" stroke-dasharray="12 9"/>
      ${part(componentById(series, laid.componentId)?.kind ?? 'other', x + cell * 0.2, y + cell * 0.2, cell * 0.6, isNew)}`;
  });
  return scene(
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="#d9cfb8"/><rect width="${WIDTH}" height="${HEIGHT}" fill="url(#weave)"/>
     <rect x="26" y="26" width="${WIDTH - 52}" height="${HEIGHT - 52}" fill="none" stroke="#fbf7ea" stroke-width="5" stroke-dasharray="18 12"/>`,
    parts.join(''),
  );
}

function benchScene({ series }: Workbook, step: Step): string {
  const kinds = step.targets.flatMap((target): ComponentKind[] => {
    const component = componentById(series, target.componentId);
    if (!component) return [];
    const places = positionSetById(series, component.positionSetId)?.positions.length ?? 1;
    return Array.from({ length: places }, () => component.kind);
  });
  const shown = kinds.length > 0 ? kinds.slice(0, 4) : (['housing'] as const);
  const size = Math.min(560, (WIDTH - 200) / shown.length);
  const left = (WIDTH - size * shown.length) / 2;
  const parts = shown.map((kind, i) =>
    part(kind, left + size * (i + 0.08), (HEIGHT - size) / 2 + size * 0.08, size * 0.84, true),
  );
  return scene(
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#bench)"/>
     <circle cx="${WIDTH / 2}" cy="${HEIGHT / 2}" r="440" fill="url(#lamp)"/>
     <path d="M0 ${HEIGHT - 130}h${WIDTH}" stroke="#2c3138" stroke-width="6"/>`,
    parts.join(''),
  );
}

function part(kind: ComponentKind, x: number, y: number, size: number, bright: boolean): string {
  const scale = size / SILHOUETTE_BOX;
  return `<g transform="translate(${x} ${y}) scale(${scale})">
    <path d="${SILHOUETTES[kind]}" fill="#000" fill-opacity="0.28" fill-rule="evenodd" transform="translate(0.9 1.3)"/>
    <path d="${SILHOUETTES[kind]}" fill="url(#${bright ? 'steel' : 'worn'})" stroke="#20252c" stroke-width="0.35" fill-rule="evenodd"/>
  </g>`;
}

function scene(ground: string, parts: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" ${SIZE}>
    <defs>
      <linearGradient id="steel" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#eef1f4"/><stop offset=".45" stop-color="#9aa4b0"/><stop offset=".55" stop-color="#c8ced6"/><stop offset="1" stop-color="#5c6672"/></linearGradient>
      <linearGradient id="worn" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#a3a9b0"/><stop offset="1" stop-color="#545b64"/></linearGradient>
      <linearGradient id="bench" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#59616b"/><stop offset=".85" stop-color="#3d444c"/><stop offset="1" stop-color="#262b31"/></linearGradient>
      <radialGradient id="lamp"><stop offset="0" stop-color="#fff3d0" stop-opacity=".55"/><stop offset="1" stop-color="#fff3d0" stop-opacity="0"/></radialGradient>
      <pattern id="weave" width="8" height="8" patternUnits="userSpaceOnUse"><path d="M0 2h8M2 0v8" stroke="#7d6f4c" stroke-opacity=".16" stroke-width="1.5"/></pattern>
    </defs>${ground}${parts}</svg>`;
}
