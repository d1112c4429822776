import { PLANNED_LIFT_KG } from '../model/limits';
import { componentById } from '../model/lookup';
import type { Caution, Workbook } from '../model/procedure';
import { type Setting, SIGNAL_WORDS } from '../model/procedure-words';
import type { Component, Consumable } from '../model/series';
import { stepIn } from '../model/setting';

/** What a technician reads before the first step, made from all of them. */
export interface SafetyPage {
  /** Each caution once, the gravest first, with the numbers of the steps it stands before. */
  readonly cautions: readonly (Caution & { readonly steps: readonly number[] })[];
  /** How the pump is made safe: numbers of the steps that isolate, release and drain. */
  readonly makingSafe: readonly number[];
  /** Parts that want a planned lift, the heaviest first. */
  readonly heavy: readonly Component[];
  readonly springs: readonly Component[];
  /** What is put on that can hurt. */
  readonly substances: readonly Consumable[];
}

/** With a setting, only what its methods ask for; without one, what any method does. */
export function safetyPage({ series, procedure }: Workbook, setting?: Setting): SafetyPage {
  const cautions = new Map<string, Caution & { steps: number[] }>();
  const makingSafe: number[] = [];
  const handled = new Set<string>();
  const used = new Set<string>();
  procedure.steps.forEach((step, index) => {
    const inSetting = setting ? stepIn(step, setting) : step;
    const others = (inSetting.methods ?? []).filter((method) => !setting || !method.setting);
    for (const caution of [...inSetting.cautions, ...others.flatMap((method) => method.cautions)]) {
      const key = `${caution.signal} ${caution.text ?? caution.usual}`;
      const known = cautions.get(key) ?? { ...caution, steps: [] };
      if (known.steps.at(-1) !== index + 1) known.steps.push(index + 1);
      cautions.set(key, known);
    }
    if (['isolate', 'lock-out', 'release-pressure', 'drain'].includes(step.verb)) makingSafe.push(index + 1);
    for (const { componentId } of step.targets) handled.add(componentId);
    for (const { consumableId } of step.applications) used.add(consumableId);
  });
  const parts = [...handled].flatMap((id) => componentById(series, id) ?? []);
  return {
    cautions: [...cautions.values()].sort((a, b) => SIGNAL_WORDS.indexOf(a.signal) - SIGNAL_WORDS.indexOf(b.signal)),
    makingSafe,
    heavy: parts
      .filter(({ massKg = 0 }) => massKg >= PLANNED_LIFT_KG)
      .sort((a, b) => (b.massKg ?? 0) - (a.massKg ?? 0)),
    springs: parts.filter(({ springLoaded }) => springLoaded),
    substances: series.consumables.filter(({ id, hazard }) => hazard && used.has(id)),
  };
}
