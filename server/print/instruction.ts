import type { Content, TableCell } from 'pdfmake/interfaces';
import { replay, type Timeline } from '#core/bench/replay';
import { cellOf, stateAfter } from '#core/bench/state';
import { safetyPage } from '#core/cautions/safety-page';
import { SIGNALS } from '#core/cautions/signal-words';
import { springOrderOf } from '#core/job/spring-order';
import { jointOfStep } from '#core/job/tightening';
import { aidNames, conditionOf, methodLine, poseLine } from '#core/language/en/branches';
import { sayCaution } from '#core/language/en/cautions';
import { sayDirection } from '#core/language/en/directions';
import { sayMeasurement } from '#core/language/en/measurement';
import { photoShows } from '#core/language/en/photo';
import { sayAsked } from '#core/language/en/proofs';
import { sayStep, sayTool } from '#core/language/en/sentence';
import type { Pose } from '#core/model/faces';
import { benchMinutes, componentById } from '#core/model/lookup';
import type { Caution, Procedure, Step, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { STAGES, verbOf } from '#core/model/verbs';
import { otherWay, poseAround } from '#core/orientation/directions';
import { saidFacings, stacksWith } from '#core/orientation/stack-section';
import { sayNumber, sayQuantity } from '#core/quantity/quantity';
import { type ListedTool, toolList } from '#core/supplies/tool-list';
import { torqueWindow } from '#core/torque/judge';
import { facts, HAIRLINES, INK, renderPdf } from './document';
import { printedJoint, printedSpringOrder } from './joint';
import { printedPose, printedSection } from './section';
import { printedMoment, WORDS, zoneOfWorkshop } from './words';

export interface PrintedRelease {
  readonly number: number;
  readonly workbook: Workbook;
  readonly releasedAt: string;
  readonly releasedBy: string;
  readonly note: string | null;
}

/** The whole instruction of a release on paper. */
export async function instructionPdf(release: PrintedRelease, readPhoto: ReadPhoto): Promise<Buffer> {
  const { series, procedure } = release.workbook;
  const pictures = await printedPictures(procedure, readPhoto);
  const timeline = replay(release.workbook);
  const { minutes } = benchMinutes(procedure);
  const title = `${series.name} ${series.code}: ${procedure.title}`;
  const consumables = inOrderOfUse(
    procedure.steps.flatMap((step) => step.applications.map((a) => a.consumableId)),
  ).flatMap((id) => series.consumables.find((consumable) => consumable.id === id) ?? []);
  return renderPdf(`${title}, release ${release.number}`, [
    { text: procedure.title, style: 'title' },
    { text: `${series.name} ${series.code}, release ${release.number}`, style: 'under' },
    ...(procedure.purpose ? [{ text: procedure.purpose, margin: [0, 8, 0, 0] } as Content] : []),
    facts([
      [
        WORDS.released,
        `${printedMoment(release.releasedAt, zoneOfWorkshop())}, ${release.releasedBy}${release.note ? `: ${release.note}` : ''}`,
      ],
      [WORDS.steps, `${procedure.steps.length}${minutes > 0 ? `, ${sayNumber(minutes)} ${WORDS.minutes}` : ''}`],
      [WORDS.tools, toolList(release.workbook).map(toolLine).join('; ') || '-'],
      ...(procedure.kits ? [[WORDS.kits, kitLine(release.workbook)] as const] : []),
      [WORDS.consumables, consumables.map((consumable) => consumable.name).join('; ') || '-'],
    ]),
    ...safetyLines(release.workbook),
    ...STAGES.flatMap((stage): Content[] => {
      const steps = procedure.steps.map((step, index) => ({ step, index })).filter(({ step }) => step.stage === stage);
      if (steps.length === 0) return [];
      return [
        {
          table: {
            widths: [22, '*', 46],
            dontBreakRows: true,
            // The stage never stands alone at the foot of a page, and heads every page it goes on to.
            headerRows: 1,
            keepWithHeaderRows: 1,
            body: [
              [{ text: WORDS.stages[stage], style: 'section', colSpan: 3 }, '', ''],
              ...steps.map(({ step, index }): TableCell[] => {
                const { poses } = stateAfter(timeline, index);
                return [
                  { text: String(index + 1), bold: true, color: INK.soft },
                  besides(
                    stepLines(step, release.workbook, poses),
                    drawnFor(step, series, poses, pictures.get(step.id) ?? []),
                  ),
                  { text: cellText(timeline, index), color: INK.soft, alignment: 'right' },
                ];
              }),
            ],
          },
          layout: HAIRLINES,
        },
      ];
    }),
  ]);
}

/** What to know before the first step, made from all of them. */
function safetyLines(workbook: Workbook): Content[] {
  const { cautions, makingSafe, heavy, substances } = safetyPage(workbook);
  const list = (numbers: readonly number[]) => `${WORDS.step} ${numbers.join(', ')}`;
  return [
    { text: WORDS.beforeYouBegin, style: 'section' },
    { text: WORDS.safety, bold: true },
    ...(makingSafe.length > 0 ? [{ text: `${WORDS.madeSafe}: ${list(makingSafe)}` }] : []),
    ...cautions.map(
      (caution): Content => ({
        columns: [cautionLine(caution), { text: list(caution.steps), style: 'soft', width: 90 }],
      }),
    ),
    ...(heavy.length > 0
      ? [
          {
            text: `${WORDS.heavy}: ${heavy.map(({ name, massKg = 0 }) => `${name} ${sayNumber(massKg)} kg`).join(', ')}`,
          },
        ]
      : []),
    ...substances.map(({ name, hazard }): Content => ({ text: [{ text: `${name}: `, bold: true }, hazard ?? ''] })),
  ];
}

function toolLine({ tool, steps, pickups, pieces }: ListedTool): string {
  const number = tool.specialNumber ? ` (${tool.specialNumber})` : '';
  return `${sayTool(tool, pieces)}${number}, ${WORDS.step} ${steps[0]}${pickups > 1 ? `, ${pickups} ×` : ''}`;
}

type Poses = ReadonlyMap<string, Pose>;

export type ReadPhoto = (hash: string) => Promise<Buffer | undefined>;

/** The pictures of each step as they are drawn on, with their captions. */
async function printedPictures(procedure: Procedure, readPhoto: ReadPhoto): Promise<Map<string, Content[]>> {
  const printed = new Map<string, Content[]>();
  for (const step of procedure.steps) {
    for (const { photo, flat, caption } of step.pictures ?? []) {
      const bytes = await readPhoto(flat ?? photo);
      if (!bytes) continue;
      const image = `data:image/jpeg;base64,${bytes.toString('base64')}`;
      const shown: Content[] = [
        { image, fit: [160, 105], margin: [0, 4, 0, 2] },
        ...(caption ? [{ text: caption, style: 'soft', fontSize: 9 }] : []),
      ];
      printed.set(step.id, [...(printed.get(step.id) ?? []), ...shown]);
    }
  }
  return printed;
}

function cautionLine(caution: Caution): Content {
  const { signal } = caution;
  const text = sayCaution(caution);
  const { panel, word } = SIGNALS[signal];
  return {
    columns: [
      { text: ` ${signal} `, bold: true, background: panel, color: word, width: SIGNAL_WIDTH },
      { text, width: '*' },
    ],
    columnGap: 6,
    margin: [0, 1, 0, 2],
  };
}

/** As wide as the longest signal word; what is said stands beside it and never under it. */
const SIGNAL_WIDTH = 58;
/** As wide as a section. */
const DRAWN_WIDTH = 204;

/** What a step says, and beside it how that looks. */
function besides(lines: Content[], drawn: Content[]): Content {
  if (drawn.length === 0) return { stack: lines };
  return {
    columns: [
      { stack: lines, width: '*' },
      { stack: drawn, width: DRAWN_WIDTH },
    ],
    columnGap: 12,
  };
}

/** The section of the stack a step fits into, how the housing lies after it, and its pictures below. */
function drawnFor(step: Step, series: Series, poses: Poses, pictures: Content[]): Content[] {
  const ids = step.targets.map(({ componentId }) => componentId);
  const stacks = verbOf(step.verb).effect === 'refits' ? stacksWith(series, ids) : [];
  const sections = stacks.map((stack) =>
    printedSection(stack, series, ids, saidFacings(step), poseAround(stack.hostId ?? ids[0], poses, series)?.pose),
  );
  const pose = step.pose ? printedPose(step.pose.lies) : [];
  return [...sections, ...pose, ...pictures];
}

/** Everything a step says, one line each, cautions before the act. */
export function stepLines(step: Step, workbook: Workbook, poses: Poses): Content[] {
  const { series } = workbook;
  const condition = conditionOf(step, workbook);
  const lines: Content[] = condition ? [{ text: `Only ${condition}`, italics: true, color: INK.soft }] : [];
  lines.push(...step.cautions.map(cautionLine));
  lines.push({ text: sayStep(step, series), bold: true });
  const say = (label: string, text: string) => lines.push({ text: [{ text: `${label}: `, color: INK.soft }, text] });
  if (step.detail) lines.push({ text: step.detail });
  const other = otherWayLine(step, series, poses);
  if (other) say(WORDS.faces, other);
  if (step.faces?.tellBy) say(WORDS.faces, `${WORDS.tellBy} ${step.faces.tellBy}`);
  if (step.faces?.trialFit) say(WORDS.faces, step.faces.trialFit);
  for (const { consumableId, where, amount } of step.applications) {
    const name = series.consumables.find((consumable) => consumable.id === consumableId)?.name ?? '';
    say(WORDS.apply, [name, amount, where].filter(Boolean).join(', '));
  }
  if (step.torque) {
    const { low, high } = torqueWindow(step.torque);
    const range = `${sayNumber(low.value)} to ${sayQuantity(high)}`;
    say(
      WORDS.torque,
      `${sayQuantity(step.torque.figure)}, ${WORDS.window} ${range}; ${step.torque.source ?? WORDS.noSource}`,
    );
    const joint = jointOfStep(step, workbook);
    if (joint) lines.push(printedJoint(joint));
    const spring = springOrderOf(step, workbook);
    if (spring) lines.push(printedSpringOrder(spring));
  }
  for (const { at, by, sound, faults } of step.looks ?? []) {
    say(WORDS.look, `${at}${by ? `, ${by}` : ''}. ${WORDS.sound}: ${sound}`);
    for (const { sign, means, follows } of faults)
      lines.push({ text: `${sign}: ${means ? `${means} ` : ''}${WORDS.follows[follows]}`, margin: [10, 0, 0, 0] });
  }
  for (const measurement of step.measurements ?? []) say(WORDS.measure, sayMeasurement(measurement));
  if (step.proofs) say(WORDS.proofs, sayAsked(step.proofs));
  for (const method of step.methods ?? []) {
    say(WORDS.methods, methodLine(method, workbook));
    lines.push(...method.cautions.map(cautionLine));
  }
  if (step.aidsIn) say(WORDS.aidsIn, aidNames(step.aidsIn, workbook));
  if (step.aidsOut) say(WORDS.aidsOut, aidNames(step.aidsOut, workbook));
  const pose = poseLine(step, workbook);
  if (pose) say(WORDS.after, pose);
  if (step.decision) say(step.decision.question, step.decision.answers.map(({ text }) => text).join(' / '));
  if (step.photo) say(WORDS.photo, photoShows(step, workbook.series));
  if (step.why) say(WORDS.why, step.why);
  return lines;
}

/** A facing said for the pump as it is on the bench, or the other way about. */
function otherWayLine({ faces, targets }: Step, series: Series, poses: Poses): string | undefined {
  const component = componentById(series, targets[0]?.componentId ?? '');
  const other = faces && component && otherWay(faces, component, series, poses);
  if (!other) return undefined;
  return other.is === 'on-bench'
    ? WORDS.onBench[other.direction]
    : `${WORDS.inPump} ${sayDirection(other.toward, series)}`;
}

function kitLine({ series, procedure }: Workbook): string {
  return (procedure.kits ?? [])
    .map(({ kitId, count }) => `${count} × ${series.kits.find((kit) => kit.id === kitId)?.name ?? ''}`)
    .join('; ');
}

function cellText(timeline: Timeline, index: number): string {
  const numbers = new Set(
    (timeline.frames[index]?.moves ?? [])
      .filter((move) => move.act !== 'along' && (move.to === 'cloth' || move.from === 'cloth'))
      .flatMap((move) => cellOf(timeline, move.unitId)?.number ?? []),
  );
  return numbers.size > 0 ? `${WORDS.cell} ${[...numbers].join(', ')}` : '';
}

function inOrderOfUse(ids: readonly string[]): string[] {
  return [...new Set(ids)];
}
