import type { Content } from 'pdfmake/interfaces';
import { cellOf, replay, type Timeline } from '#core/cloth/replay';
import { aidNames, conditionOf, methodLine, poseLine } from '#core/narration/branches';
import { sayStep } from '#core/narration/sentence';
import { benchMinutes, type Caution, type Step, type Workbook } from '#core/procedure/procedure';
import { STAGES } from '#core/procedure/verbs';
import { toolLabel } from '#core/pump/series';
import { sayNumber, sayQuantity } from '#core/quantity/quantity';
import { torqueWindow } from '#core/torque/judge';
import { facts, HAIRLINES, INK, renderPdf } from './document';
import { printedMoment, WORDS } from './words';

export interface PrintedRelease {
  readonly number: number;
  readonly workbook: Workbook;
  readonly releasedAt: string;
  readonly releasedBy: string;
  readonly note: string | null;
}

/** The whole instruction of a release on paper. */
export async function instructionPdf(release: PrintedRelease): Promise<Buffer> {
  const { series, procedure } = release.workbook;
  const timeline = replay(release.workbook);
  const { minutes } = benchMinutes(procedure);
  const title = `${series.name} ${series.code}: ${procedure.title}`;
  const tools = inOrderOfUse(procedure.steps.flatMap((step) => step.toolIds)).flatMap(
    (id) => series.tools.find((tool) => tool.id === id) ?? [],
  );
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
        `${printedMoment(release.releasedAt)}, ${release.releasedBy}${release.note ? `: ${release.note}` : ''}`,
      ],
      [WORDS.steps, `${procedure.steps.length}${minutes > 0 ? `, ${sayNumber(minutes)} ${WORDS.minutes}` : ''}`],
      [WORDS.tools, tools.map(toolLabel).join('; ') || '-'],
      ...(procedure.kits ? [[WORDS.kits, kitLine(release.workbook)] as const] : []),
      [WORDS.consumables, consumables.map((consumable) => consumable.name).join('; ') || '-'],
    ]),
    { text: WORDS.safety, bold: true, margin: [0, 6, 0, 0] },
    ...STAGES.flatMap((stage): Content[] => {
      const steps = procedure.steps.map((step, index) => ({ step, index })).filter(({ step }) => step.stage === stage);
      if (steps.length === 0) return [];
      return [
        { text: WORDS.stages[stage], style: 'section', headlineLevel: 1 },
        {
          table: {
            widths: [22, '*', 46],
            dontBreakRows: true,
            body: steps.map(({ step, index }) => [
              { text: String(index + 1), bold: true, color: INK.soft },
              { stack: stepLines(step, release.workbook) },
              { text: cellText(timeline, index), color: INK.soft, alignment: 'right' },
            ]),
          },
          layout: HAIRLINES,
        },
      ];
    }),
  ]);
}

function cautionLine({ signal, text }: Caution): Content {
  return { text: [{ text: `${signal}  `, bold: true, color: signal === 'NOTICE' ? INK.indigo : INK.kaki }, text] };
}

/** Everything a step says, one line each, cautions before the act. */
export function stepLines(step: Step, workbook: Workbook): Content[] {
  const { series } = workbook;
  const condition = conditionOf(step, workbook);
  const lines: Content[] = condition ? [{ text: `Only ${condition}`, italics: true, color: INK.soft }] : [];
  lines.push(...step.cautions.map(cautionLine));
  lines.push({ text: sayStep(step, series), bold: true });
  const say = (label: string, text: string) => lines.push({ text: [{ text: `${label}: `, color: INK.soft }, text] });
  if (step.detail) lines.push({ text: step.detail });
  if (step.faces?.tellBy) say(WORDS.faces, `${WORDS.tellBy} ${step.faces.tellBy}`);
  for (const { consumableId, where } of step.applications) {
    const name = series.consumables.find((consumable) => consumable.id === consumableId)?.name ?? '';
    say(WORDS.apply, where ? `${name}, ${where}` : name);
  }
  if (step.torque) {
    const { low, high } = torqueWindow(step.torque);
    const range = `${sayNumber(low.value)} to ${sayQuantity(high)}`;
    say(
      WORDS.torque,
      `${sayQuantity(step.torque.figure)}, ${WORDS.window} ${range}; ${step.torque.source ?? WORDS.noSource}`,
    );
  }
  for (const method of step.methods ?? []) {
    say(WORDS.methods, methodLine(method, workbook));
    lines.push(...method.cautions.map(cautionLine));
  }
  if (step.aidsIn) say(WORDS.aidsIn, aidNames(step.aidsIn, workbook));
  if (step.aidsOut) say(WORDS.aidsOut, aidNames(step.aidsOut, workbook));
  const pose = poseLine(step, workbook);
  if (pose) say(WORDS.after, pose);
  if (step.decision) say(step.decision.question, step.decision.answers.map(({ text }) => text).join(' / '));
  if (step.photo) say(WORDS.photo, step.photo.mustShow);
  if (step.why) say(WORDS.why, step.why);
  return lines;
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
