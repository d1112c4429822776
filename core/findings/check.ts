import { replay, type Timeline } from '../cloth/replay';
import type { Workbook } from '../procedure/procedure';
import type { Finding, Severity } from './finding';
import { type Rule, runRule } from './rule';
import { buried } from './rules/buried';
import { empty } from './rules/empty';
import { leftInTray } from './rules/left-in-tray';
import { leftOnCloth } from './rules/left-on-cloth';
import { looseAtEnd } from './rules/loose-at-end';
import { noFigure } from './rules/no-figure';
import { noSource } from './rules/no-source';
import { notIsolated } from './rules/not-isolated';
import { notRefilled } from './rules/not-refilled';
import { notRestored } from './rules/not-restored';
import { notThere } from './rules/not-there';
import { powerTightens } from './rules/power-tightens';
import { reused } from './rules/reused';
import { torqueMisplaced } from './rules/torque-misplaced';
import { unconfirmed } from './rules/unconfirmed';
import { wrenchLoosens } from './rules/wrench-loosens';

/** Every rule, in the order its findings are told. */
export const RULES: readonly Rule[] = [
  empty,
  leftOnCloth,
  leftInTray,
  notThere,
  notIsolated,
  reused,
  looseAtEnd,
  notRefilled,
  notRestored,
  torqueMisplaced,
  wrenchLoosens,
  powerTightens,
  noFigure,
  unconfirmed,
  buried,
  noSource,
];

const GRAVITY: readonly Severity[] = ['stop', 'warn', 'advise'];

/** Everything that would go wrong, the gravest first. */
export function check(workbook: Workbook, timeline: Timeline = replay(workbook)): Finding[] {
  const found = RULES.flatMap((rule) => runRule(rule, { workbook, timeline }));
  return GRAVITY.flatMap((severity) => found.filter((finding) => finding.severity === severity));
}

/** What keeps a procedure from being released. */
export function releaseStops(workbook: Workbook): Finding[] {
  return check(workbook).filter((finding) => finding.severity === 'stop');
}
