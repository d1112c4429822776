import type { Content, TableCell } from 'pdfmake/interfaces';
import type { SpringOrder } from '#core/job/spring-order';
import type { StepRun } from '#core/job/state';
import { jointOfStep, passesRead } from '#core/job/tightening';
import { saySpringOrder } from '#core/language/en/spring-order';
import type { Plan, Point } from '#core/model/fastener-group';
import type { Step, Workbook } from '#core/model/procedure';
import { preferred, preferredAs, type UnitPreference } from '#core/quantity/preference';
import { convert, sayNumber, sayQuantity } from '#core/quantity/quantity';
import { drawPlan, hexagon } from '#core/torque/plan-drawing';
import type { TighteningPlan } from '#core/torque/tightening-plan';
import { INK } from './document';
import { WORDS } from './words';

/** A plan with large numbers, and what lies below it. */
function printedPlan(plan: Plan, slots: readonly Point[], order: readonly number[]): Content[] {
  const { width, height, outline, opening, places, radius } = drawPlan(plan, slots);
  const heads = places.map((place, slot) => {
    const at = order.indexOf(slot);
    const number = at < 0 ? '' : String(at + 1);
    const size = radius * 0.95;
    const left = place.x - number.length * size * 0.28;
    return `<polygon points="${hexagon(place, radius)}" fill="${INK.indigo}"/><text x="${left.toFixed(1)}" y="${(place.y + size * 0.36).toFixed(1)}" font-size="${size.toFixed(1)}" font-weight="bold" fill="#ffffff">${number}</text>`;
  });
  const shapes = [
    `<path d="${outline}" fill="${INK.linen}" stroke="${INK.text}" stroke-width="2"/>`,
    ...(opening ? [`<path d="${opening}" fill="none" stroke="#b9ad93" stroke-width="3"/>`] : []),
  ];
  const drawing = [...shapes, ...heads].join('');
  return [
    { svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${drawing}</svg>`, width: 180 },
    ...(plan.below ? [{ text: `${WORDS.below}: ${plan.below}`, color: INK.soft }] : []),
  ];
}

/** In which order fasteners over a spring come out, or go in. */
export function printedSpringOrder({ is, plan, slots, stages }: SpringOrder): Content {
  return {
    columns: [
      { width: 190, stack: printedPlan(plan, slots, stages.flat()) },
      { width: '*', text: saySpringOrder(is, stages) },
    ],
    columnGap: 14,
    margin: [0, 6, 0, 6],
  };
}

/** The plan of a joint with large numbers, and its passes beside it. */
export function printedJoint(joint: TighteningPlan): Content {
  const passes = joint.passes.map(({ plan, target, afterPins }, i): TableCell[] => [
    { text: plan.is === 'check' ? WORDS.check : `${i + 1}${afterPins ? `, ${WORDS.pinsOut}` : ''}` },
    { text: plan.is === 'angle' ? `${plan.degrees}°` : target ? sayQuantity(target) : '', bold: true },
    { text: plan.is === 'check' ? WORDS.clockwise : WORDS.patterns[joint.pattern] },
  ]);
  return {
    columns: [
      { width: 190, stack: printedPlan(joint.plan, joint.slots, joint.order) },
      {
        width: '*',
        table: { body: [WORDS.passHead.map((text) => ({ text, color: INK.soft })), ...passes] },
        layout: 'lightHorizontalLines',
      },
    ],
    columnGap: 14,
    margin: [0, 6, 0, 6],
  };
}

/** Every reading of a joint in the unit of its target, a row for each pass; what was read again stands behind. */
export function printedReadings(
  step: Step,
  run: StepRun,
  workbook: Workbook,
  placeName: (id: string | null) => string | undefined,
  units: UnitPreference,
): Content[] {
  const joint = jointOfStep(step, workbook);
  const passes = passesRead(run);
  if (!joint || passes.length === 0) return [];
  const heading: TableCell[] = [WORDS.pass, ...joint.order.map((_, i) => String(i + 1))].map((text) => ({
    text,
    color: INK.soft,
  }));
  const final = joint.passes.findLast(({ target }) => target)?.target;
  const rows = passes.map(({ positionId, pass, readings }): TableCell[] => {
    const { plan, target: asGiven } = joint.passes[pass] ?? {};
    const target = asGiven && preferredAs(asGiven, final ?? asGiven, units);
    const name = plan?.is === 'check' ? WORDS.check : String(pass + 1);
    return [
      { text: [placeName(positionId), name, target && sayQuantity(target, 3)].filter(Boolean).join(', ') },
      ...joint.order.map(
        (slot): TableCell => ({
          text: readings
            .filter(({ spot }) => spot?.slot === slot)
            .map(({ reading, verdict, accepted }, i) => ({
              text: `${i > 0 ? ' > ' : ''}${sayNumber(target ? convert(reading, target.unit).value : reading.value, 3)}${accepted ? '*' : ''}`,
              color: verdict === 'within' ? INK.moss : INK.kaki,
            })),
        }),
      ),
    ];
  });
  const accepted = run.readings.flatMap(({ accepted: noted, reading }): Content[] =>
    noted ? [{ text: `* ${sayQuantity(preferred(reading, units), 3)}: ${noted.text}`, color: INK.kaki }] : [],
  );
  return [
    { table: { body: [heading, ...rows] }, layout: 'lightHorizontalLines', fontSize: 8, margin: [0, 3, 0, 3] },
    ...accepted,
  ];
}
