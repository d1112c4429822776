import { applyEdits, type Edit } from '../edits/edit';
import { sameJson } from '../edits/merge';
import { type LinePlace, newComponent, newStep, placeAfter, revision } from '../edits/steps';
import { namesSeveral } from '../language/en/grammar/words/words';
import { soundWithout } from '../language/en/wear-signs';
import { byName } from '../model/names';
import type { Step, Target, Workbook } from '../model/procedure';
import type { Series } from '../model/series';
import { DEFAULT_TOLERANCE_PERCENT } from '../model/torque-figure';
import { readDirection } from '../reading/en/direction-words';
import { poseSaid } from '../reading/en/pose-words';
import { findTool, splitTool } from './behind-signs';
import type { ParsedLine, ParsedNote } from './parse-line';
import type { ParsedStep } from './parsed-step';
import { proofsSaid } from './proofs-said';
import { sizeSaid } from './sizes-said';
import { groupEdits } from './tightening-said';

/** Makes a fresh id; ids come in as an argument because core has no randomness of its own. */
export type NewId = () => string;

export interface AppliedLine {
  readonly workbook: Workbook;
  readonly edits: readonly Edit[];
  /** The last step that the line made, or the one it says something of. */
  readonly stepId: string;
  /** Where the first step it made stands, or the one it says something of. */
  readonly index: number;
  /** The steps it made, in order. */
  readonly stepIds: readonly string[];
  /** Where a single step usually belongs, if that is not where it was typed. */
  readonly elsewhere: LinePlace['elsewhere'];
}

/**
 * Adds the steps that a line says, right behind the step at `after` (-1: at the start), in the order they were said.
 * What makes no step of its own is said of the step there. Parts, tools and consumables named for the first time are
 * created in the series. Undefined for a line with a fault, or with something that has to be asked first.
 */
export function applyLine(workbook: Workbook, line: ParsedLine, after: number, newId: NewId): AppliedLine | undefined {
  if (line.faults.length > 0 || line.doubts.length > 0) return undefined;
  if (line.steps.length === 0) return line.note && applyNote(workbook, line.note, after, newId);
  const stepIds: string[] = [];
  const edits: Edit[] = [];
  let elsewhere: LinePlace['elsewhere'];
  let current = workbook;
  let at = after;
  for (const said of line.steps) {
    const naming = new NamingEdits(current, newId);
    const place = placeAfter(current.procedure, said.verb, at);
    const step = asProved({ ...newStep(newId(), said.verb, place.stage), ...stepFields(said, naming, newId) }, newId);
    const made: Edit[] = [
      ...naming.edits,
      ...place.restaged.map((stepId): Edit => ({ kind: 'change', stepId, fields: { stage: place.stage } })),
      { kind: 'insert', index: at + 1, step },
    ];
    made.push(...jointSaid(applyEdits(current, made).series, step, newId));
    if (line.steps.length === 1) elsewhere = place.elsewhere;
    edits.push(...made);
    stepIds.push(step.id);
    current = applyEdits(current, made);
    at += 1;
  }
  return { workbook: current, edits, stepId: stepIds.at(-1) ?? '', index: after + 1, stepIds, elsewhere };
}

/** "Turn the shaft by hand two full turns", "minimum 48.6 mm": what its words ask to be proved or measured. */
function asProved({ minutes, ...step }: Step, newId: NewId): Step {
  const size = sizeSaid(step, newId);
  return {
    ...step,
    ...proofsSaid({ ...step, ...(minutes !== undefined && { minutes }) }),
    ...(size && { measurements: [size] }),
  };
}

/** "Crosswise in three passes": how the joint is tightened goes on the torque sheet. */
function jointSaid(series: Series, { verb, targets, detail, torque }: Step, newId: NewId): Edit[] {
  const [target, other] = targets;
  if (verb !== 'torque' || !target || other) return [];
  return groupEdits(series, target.componentId, detail ?? '', torque, newId);
}

function stepFields(said: ParsedStep, naming: NamingEdits, newId: NewId): Partial<Step> {
  const { about, into, detail, why, minutes, photo, faces, torque, looks, renewIf } = said;
  const targets = said.parts.map((part) => naming.component(part, said.positionSetId));
  const tools = said.tools.map((tool) => ({
    id: naming.tool(tool.size ? `${tool.name}, ${tool.size}` : tool.name),
    count: tool.count,
  }));
  const [laid] = targets;
  const lies = said.verb === 'lay' && targets.length === 1 ? poseSaid(detail ?? '', faces) : undefined;
  const counts = tools.flatMap(({ id, count = 1 }) => (count > 1 ? [[id, count] as const] : []));
  return {
    targets,
    positionIds: [...new Set(said.positionIds)],
    toolIds: [...new Set(tools.map(({ id }) => id))],
    applications: said.applied.map(({ name, where, amount }) => ({
      consumableId: naming.consumable(name),
      ...(where && { where }),
      ...(amount && { amount }),
    })),
    cautions: [...said.cautions],
    ...(counts.length > 0 && { toolCounts: Object.fromEntries(counts) }),
    ...(faces && { faces }),
    ...(laid && lies && { pose: { componentId: laid.componentId, lies } }),
    ...(about && { about }),
    ...(into && { into }),
    ...(detail && { detail }),
    ...(why && { why }),
    ...(torque && {
      torque: {
        figure: torque.figure,
        tolerancePercent: torque.tolerancePercent ?? DEFAULT_TOLERANCE_PERCENT,
        ...(torque.also && { also: torque.also }),
      },
    }),
    ...(minutes !== undefined && { minutes }),
    ...(photo !== undefined && { photo: photo === '' ? {} : { mustShow: photo } }),
    ...(looks.length + renewIf.length > 0 && { looks: [lookFor(said, naming, newId)] }),
  };
}

/** What to look for, as one look with a sign for each. */
function lookFor(
  { looks, renewIf, parts, about }: ParsedStep,
  naming: NamingEdits,
  newId: NewId,
): NonNullable<Step['looks']>[number] {
  return {
    id: newId(),
    at: about ?? parts.map(({ name }) => naming.nameOf(name)).join(', '),
    sound: soundWithout(looks, renewIf),
    faults: [
      ...looks.map((sign) => ({ id: newId(), sign, follows: 'refer' as const })),
      ...renewIf.map((sign) => ({ id: newId(), sign, follows: 'renew' as const })),
    ],
  };
}

/** What stands by itself is said of the step in hand: lists and remarks grow, a figure or a time takes its place. */
function applyNote(workbook: Workbook, note: ParsedNote, at: number, newId: NewId): AppliedLine | undefined {
  const step = workbook.procedure.steps[at];
  if (!step) return undefined;
  const naming = new NamingEdits(workbook, newId);
  const { targets: _none, ...said } = stepFields({ ...note, verb: step.verb, parts: [] }, naming, newId);
  const more = (before: string | undefined, text: string | undefined) => [before, text].filter(Boolean).join('. ');
  const fields: Partial<Step> = {
    ...said,
    toolIds: [...new Set([...step.toolIds, ...(said.toolIds ?? [])])],
    positionIds: [...new Set([...step.positionIds, ...(said.positionIds ?? [])])],
    applications: [...step.applications, ...(said.applications ?? [])],
    cautions: [...step.cautions, ...(said.cautions ?? [])],
    ...(said.detail && { detail: more(step.detail, said.detail) }),
    ...(said.why && { why: more(step.why, said.why) }),
    ...(said.photo && { photo: { ...step.photo, ...said.photo } }),
    ...(said.toolCounts && { toolCounts: { ...step.toolCounts, ...said.toolCounts } }),
  };
  // "Minimum 48.6 mm", behind the step that measures.
  const size = step.measurements ? undefined : sizeSaid({ ...step, ...fields }, newId);
  if (size) fields.measurements = [size];
  const edits: Edit[] = [
    ...naming.edits,
    { kind: 'change', stepId: step.id, fields: revision(step, changed(step, fields)) },
  ];
  return {
    workbook: applyEdits(workbook, edits),
    edits,
    stepId: step.id,
    index: at,
    stepIds: [],
    elsewhere: undefined,
  };
}

/** Only what is other than before, so that nothing counts as reviewed that was not touched. */
function changed(step: Step, fields: Partial<Step>): Partial<Step> {
  return Object.fromEntries(
    Object.entries(fields).filter(([field, value]) => !sameJson(value, step[field as keyof Step])),
  );
}

/** Finds things of the series by name, and notes the edits that create those it lacks. */
export class NamingEdits {
  readonly edits: Edit[] = [];

  private series: Series;
  private readonly steps: readonly Step[];

  constructor(
    { series, procedure }: Workbook,
    private readonly newId: NewId,
  ) {
    this.series = series;
    this.steps = procedure.steps;
  }

  /** What was said of a part before it had a name in the series is said of that part. */
  private nameInDirections(): void {
    for (const { id, faces } of this.steps) {
      if (faces?.toward.is !== 'words') continue;
      const { said, away } = faces.toward;
      const toward = readDirection(said, this.series);
      if (toward.is !== 'part' || this.edits.some((edit) => edit.kind === 'change' && edit.stepId === id)) continue;
      const fields = { faces: { ...faces, toward: { ...toward, ...(away && { away }) } } };
      this.edits.push({ kind: 'change', stepId: id, fields });
    }
  }

  private add(edit: Extract<Edit, { kind: 'add' }>): void {
    this.edits.push(edit);
    this.series = { ...this.series, [edit.list]: [...(this.series[edit.list] ?? []), edit.item] };
  }

  /** The component a name means. A number said of a new one becomes its count; said later it is how many are meant. */
  component(
    part: { readonly name: string; readonly count?: number; readonly total?: number; readonly quoted?: true },
    positionSetId: string | undefined,
  ): Target {
    const said = part.count === undefined ? {} : { count: part.count };
    const known = byName(this.series.components, part.name);
    if (known) {
      const most = Math.max(part.count ?? 0, part.total ?? 0);
      if ((part.quoted || known.several) && most > known.count)
        this.edits.push({ kind: 'change-component', componentId: known.id, fields: { count: most } });
      return { componentId: known.id, ...said };
    }
    const count = part.total ?? part.count;
    const item = newComponent(this.newId(), withoutCapital(part.name), {
      ...(count !== undefined && { count }),
      ...(count === undefined && !positionSetId && namesSeveral(part.name) && { several: true }),
      ...(positionSetId && { positionSetId }),
    });
    this.add({ kind: 'add', list: 'components', item });
    this.nameInDirections();
    return { componentId: item.id, ...said };
  }

  /** The tool a label means: "ring pusher, 50 mm". */
  tool(label: string): string {
    const known = findTool(this.series, label);
    if (known) return known.id;
    const item = { id: this.newId(), ...splitTool(label) };
    this.add({ kind: 'add', list: 'tools', item });
    return item.id;
  }

  /** The name under which the series knows a part. */
  nameOf(name: string): string {
    return byName(this.series.components, name)?.name ?? name;
  }

  consumable(name: string): string {
    const known = byName(this.series.consumables, name);
    if (known) return known.id;
    const item = { id: this.newId(), name: name.trim() };
    this.add({ kind: 'add', list: 'consumables', item });
    return item.id;
  }
}

/** "Liner retainer", as a sentence begins with it, is a liner retainer; "HP line" and "O-ring" are called so. */
function withoutCapital(name: string): string {
  return /^\p{Lu}\p{Ll}+(?: \p{Ll}|$)/u.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}
