import { applyEdits, type Edit } from '../edits/edit';
import { indexFor, newComponent, newStep } from '../edits/steps';
import { byName } from '../model/names';
import { DEFAULT_TOLERANCE_PERCENT, type Step, type Target, type Workbook } from '../model/procedure';
import type { Series } from '../model/series';
import { readDirection } from '../reading/en/direction-words';
import { findTool, type NamedPart, type ParsedLine, splitTool } from './parse-line';

/** Makes a fresh id; ids come in as an argument because core has no randomness of its own. */
export type NewId = () => string;

export interface AppliedLine {
  readonly workbook: Workbook;
  readonly edits: readonly Edit[];
  readonly stepId: string;
  /** Where the new step stands. */
  readonly index: number;
}

/**
 * Adds the step that a faultless line says, after the step at `after` (-1: at the start). Parts, tools and
 * consumables named for the first time are created in the series.
 */
export function applyLine(workbook: Workbook, line: ParsedLine, after: number, newId: NewId): AppliedLine | undefined {
  if (!line.verb || line.faults.length > 0) return undefined;
  const naming = new NamingEdits(workbook, newId);
  const targets = line.parts.map((part) => naming.component(part, line.positionSetId));
  const toolIds = line.tools.map((label) => naming.tool(label));
  const applications = line.applied.map(({ name, where }) => ({
    consumableId: naming.consumable(name),
    ...(where && { where }),
  }));
  const step: Step = {
    ...newStep(newId(), line.verb, workbook.procedure.steps[after]),
    targets,
    positionIds: [...new Set(line.positionIds)],
    toolIds: [...new Set(toolIds)],
    applications,
    cautions: [...line.cautions],
    ...(line.faces && { faces: line.faces }),
    ...(line.about && { about: line.about }),
    ...(line.into && { into: line.into }),
    ...(line.detail && { detail: line.detail }),
    ...(line.torque && { torque: { figure: line.torque, tolerancePercent: DEFAULT_TOLERANCE_PERCENT } }),
    ...(line.minutes !== undefined && { minutes: line.minutes }),
    ...(line.photo && { photo: { mustShow: line.photo } }),
  };
  const index = indexFor(workbook.procedure, step.stage, after);
  const edits: Edit[] = [...naming.edits, { kind: 'insert', index, step }];
  return { workbook: applyEdits(workbook, edits), edits, stepId: step.id, index };
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
  component(part: NamedPart, positionSetId: string | undefined): Target {
    const said = part.count === undefined ? {} : { count: part.count };
    const known = byName(this.series.components, part.name);
    if (known) return { componentId: known.id, ...said };
    const item = newComponent(this.newId(), part.name, {
      ...said,
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

  consumable(name: string): string {
    const known = byName(this.series.consumables, name);
    if (known) return known.id;
    const item = { id: this.newId(), name: name.trim() };
    this.add({ kind: 'add', list: 'consumables', item });
    return item.id;
  }
}
