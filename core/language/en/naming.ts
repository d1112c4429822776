import type { Answered, Finding } from '../../findings/finding';
import { componentById, placeNameOf, positionSetById, toolLabel } from '../../model/lookup';
import type { Step, Workbook } from '../../model/procedure';
import type { Component, Series, Tool } from '../../model/series';
import { componentPhrase, listing, titleOf } from './sentence';

/** Names for what findings are about, as people say them. */
export class Naming {
  private readonly series: Series;
  private readonly steps: readonly Step[];

  constructor({ series, procedure }: Workbook) {
    this.series = series;
    this.steps = procedure.steps;
  }

  private component(id: string): Component | undefined {
    return componentById(this.series, id);
  }

  /** How many pieces of a component the pump has in all. */
  private pieces({ positionSetId, count }: Component): number {
    return count * (positionSetById(this.series, positionSetId)?.positions.length ?? 1);
  }

  /** "cover nuts", "rotor": for all there is of a component, or so many of it. */
  part(id: string, pieces?: number): string {
    const component = this.component(id);
    return component ? componentPhrase(component, pieces ?? this.pieces(component), pieces !== undefined) : 'part';
  }

  /** "the cover nuts and the rotor". */
  parts(ids: readonly string[]): string {
    return listing(ids.map((id) => `the ${this.part(id)}`));
  }

  /** The word that agrees with `part`: `agree(id, 'is', 'are')`. */
  agree(id: string, one: string, several: string): string {
    const component = this.component(id);
    return component && (component.several || this.pieces(component) > 1) ? several : one;
  }

  /** "the two cover nuts", or "the rotor of shaft 2" when only some positions are meant. */
  units(id: string, unitIds: readonly string[] | undefined, article = 'the '): string {
    const component = this.component(id);
    if (!component) return `${article}part`;
    const meant = unitIds ?? [];
    const name = `${article}${componentPhrase(component, meant.length || this.pieces(component))}`;
    const set = positionSetById(this.series, component.positionSetId);
    const at = set?.positions.filter((position) => meant.some((unit) => unit.split('/')[1] === position.id)) ?? [];
    return set && at.length > 0 && at.length < set.positions.length
      ? `${name} of ${listing(at.map((position) => position.name))}`
      : name;
  }

  position(id: string): string {
    return placeNameOf(this.series, id) ?? 'a place that is gone';
  }

  positions(ids: readonly string[]): string {
    return listing(ids.map((id) => this.position(id)));
  }

  private toolOf(id: string): Tool | undefined {
    return this.series.tools.find((tool) => tool.id === id);
  }

  tool(id: string): string {
    const tool = this.toolOf(id);
    return tool ? toolLabel(tool) : 'tool';
  }

  consumable(id: string): string {
    return this.series.consumables.find((consumable) => consumable.id === id)?.name ?? 'compound';
  }

  kit(id: string): string {
    return this.series.kits.find((kit) => kit.id === id)?.name ?? 'kit';
  }

  stack(id: string): string {
    return (this.series.stacks ?? []).find((stack) => stack.id === id)?.name ?? 'the stack';
  }

  method(stepId: string | undefined, methodId: string): string {
    const step = this.steps.find(({ id }) => id === stepId);
    return step?.methods?.find(({ id }) => id === methodId)?.name ?? 'other method';
  }

  /** 'Step 9, "Draw out rotors"', to open a sentence with. */
  step({ stepId }: Finding): string {
    const index = this.steps.findIndex(({ id }) => id === stepId);
    const step = this.steps[index];
    return step ? `Step ${index + 1}, "${titleOf(step, this.series)}"` : 'A step';
  }

  /** ' when "yes"', ' when "no" at bore 2', ' by the method "mallet"'; empty where it happens on every way. */
  on(answers: readonly Answered[] | undefined): string {
    const asked = (answers ?? []).flatMap((answered) => this.answered(answered));
    const methods = (answers ?? []).flatMap(({ method, stepId, answerId }) =>
      method && answerId !== '' ? [`"${this.method(stepId, answerId)}"`] : [],
    );
    const when = asked.length > 0 ? ` when ${listing(asked)}` : '';
    return methods.length > 0 ? `${when} by the method ${listing(methods)}` : when;
  }

  private answered({ stepId, answerId, positionId, method }: Answered): string[] {
    if (method) return [];
    const step = this.steps.find(({ id }) => id === stepId);
    const answer = step?.decision?.answers.find(({ id }) => id === answerId);
    if (!answer) return [];
    return [positionId === undefined ? `"${answer.text}"` : `"${answer.text}" at ${this.position(positionId)}`];
  }
}
