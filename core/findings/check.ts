import { replay, type Timeline } from '../bench/replay';
import type { Acceptance, Workbook } from '../model/procedure';
import type { Finding, Severity } from './finding';
import { type Rule, runRule } from './rule';
import { aidLeftIn } from './rules/aid-left-in';
import { brittlePry } from './rules/brittle-pry';
import { buried } from './rules/buried';
import { changeMissed } from './rules/change-missed';
import { covered } from './rules/covered';
import { deadPath } from './rules/dead-path';
import { drySeal } from './rules/dry-seal';
import { empty } from './rules/empty';
import { facesClash } from './rules/faces-clash';
import { facesUnsaid } from './rules/faces-unsaid';
import { facesWrong } from './rules/faces-wrong';
import { heavy } from './rules/heavy';
import { houseTerm } from './rules/house-term';
import { kitShort } from './rules/kit-short';
import { kitUnused } from './rules/kit-unused';
import { leftInTray } from './rules/left-in-tray';
import { leftOnCloth } from './rules/left-on-cloth';
import { longSentence } from './rules/long-sentence';
import { looseAtEnd } from './rules/loose-at-end';
import { noAsFound } from './rules/no-as-found';
import { noFigure } from './rules/no-figure';
import { noLastLook } from './rules/no-last-look';
import { noSource } from './rules/no-source';
import { noUnit } from './rules/no-unit';
import { notInKit } from './rules/not-in-kit';
import { notIsolated } from './rules/not-isolated';
import { notRefilled } from './rules/not-refilled';
import { notRestored } from './rules/not-restored';
import { notThere } from './rules/not-there';
import { oldCompound } from './rules/old-compound';
import { pathsDisagree } from './rules/paths-disagree';
import { powerTightens } from './rules/power-tightens';
import { pressureKept } from './rules/pressure-kept';
import { reused } from './rules/reused';
import { setsFirst } from './rules/sets-first';
import { soakShort } from './rules/soak-short';
import { springRelease } from './rules/spring-release';
import { stackCount } from './rules/stack-count';
import { stackOrder } from './rules/stack-order';
import { stillTight } from './rules/still-tight';
import { swapped } from './rules/swapped';
import { swells } from './rules/swells';
import { textDiffers } from './rules/text-differs';
import { threadCondition } from './rules/thread-condition';
import { torqueMisplaced } from './rules/torque-misplaced';
import { twoActions } from './rules/two-actions';
import { twoFigures } from './rules/two-figures';
import { unconfirmed } from './rules/unconfirmed';
import { unlistedTool } from './rules/unlisted-tool';
import { unmarked } from './rules/unmarked';
import { unrecorded } from './rules/unrecorded';
import { vague } from './rules/vague';
import { wrenchLoosens } from './rules/wrench-loosens';

/** Every rule, in the order its findings are told. */
export const RULES: readonly Rule[] = [
  empty,
  springRelease,
  notIsolated,
  pressureKept,
  leftOnCloth,
  leftInTray,
  aidLeftIn,
  changeMissed,
  covered,
  stillTight,
  notThere,
  swapped,
  unmarked,
  reused,
  kitShort,
  notInKit,
  heavy,
  brittlePry,
  swells,
  facesWrong,
  facesClash,
  facesUnsaid,
  unrecorded,
  stackOrder,
  stackCount,
  oldCompound,
  setsFirst,
  soakShort,
  looseAtEnd,
  notRefilled,
  notRestored,
  torqueMisplaced,
  wrenchLoosens,
  powerTightens,
  noUnit,
  noFigure,
  twoFigures,
  threadCondition,
  textDiffers,
  unlistedTool,
  vague,
  pathsDisagree,
  deadPath,
  unconfirmed,
  buried,
  noLastLook,
  noAsFound,
  noSource,
  kitUnused,
  drySeal,
  longSentence,
  twoActions,
  houseTerm,
];

const GRAVITY: readonly Severity[] = ['stop', 'warn', 'advise'];

/** Everything that would go wrong, the gravest first. What a trainer lets stand is told last, with the reason. */
export function check(workbook: Workbook, timeline: Timeline = replay(workbook)): Finding[] {
  const found = RULES.flatMap((rule) => runRule(rule, { workbook, timeline })).map((finding) => {
    const acceptance = acceptanceOf(workbook, finding);
    return acceptance ? { ...finding, accepted: acceptance.reason } : finding;
  });
  const open = found.filter((finding) => finding.accepted === undefined);
  return [
    ...GRAVITY.flatMap((severity) => open.filter((finding) => finding.severity === severity)),
    ...found.filter((finding) => finding.accepted !== undefined),
  ];
}

/** What keeps a procedure from being released. */
export function releaseStops(workbook: Workbook): Finding[] {
  return check(workbook).filter((finding) => finding.severity === 'stop');
}

/** Why a finding is let stand, if it is. A stop cannot be. */
export function acceptanceOf({ procedure }: Workbook, finding: Finding): Acceptance | undefined {
  if (finding.severity === 'stop') return undefined;
  return procedure.accepted?.find(
    (acceptance) =>
      acceptance.findingId === finding.id &&
      acceptance.stepId === finding.stepId &&
      acceptance.componentIds.length === finding.componentIds.length &&
      acceptance.componentIds.every((id) => finding.componentIds.includes(id)),
  );
}

/** The procedure with a finding let stand for a reason, or, without one, no longer let stand. */
export function acceptFinding(workbook: Workbook, finding: Finding, reason: string | undefined): Workbook {
  const known = acceptanceOf(workbook, finding);
  const others = (workbook.procedure.accepted ?? []).filter((acceptance) => acceptance !== known);
  const { id: findingId, stepId, componentIds } = finding;
  const accepted = reason
    ? [...others, { findingId, ...(stepId && { stepId }), componentIds: [...componentIds], reason }]
    : others;
  const { accepted: _before, ...procedure } = workbook.procedure;
  return { ...workbook, procedure: accepted.length > 0 ? { ...procedure, accepted } : procedure };
}
