import { replay, type Timeline } from '../bench/replay';
import type { Acceptance, Workbook } from '../model/procedure';
import type { Finding, Fix, Severity } from './finding';
import { type AnyRule, type Rule, runRule } from './rule';
import * as completeness from './rules/completeness';
import * as compounds from './rules/compounds';
import * as evidence from './rules/evidence';
import * as faces from './rules/faces';
import * as figures from './rules/figures';
import * as handingBack from './rules/handing-back';
import * as joints from './rules/joints';
import * as looks from './rules/looks';
import * as matching from './rules/matching';
import * as paths from './rules/paths';
import * as reach from './rules/reach';
import * as renewal from './rules/renewal';
import * as safety from './rules/safety';
import * as tightening from './rules/tightening';
import * as words from './rules/words';
import * as wrenches from './rules/wrenches';

/** Every rule, in the order its findings are told. */
export const RULES: readonly AnyRule[] = [
  completeness.empty,
  safety.springRelease,
  safety.notIsolated,
  safety.weakIsolation,
  safety.pressureKept,
  safety.pressureFirst,
  handingBack.restoredOpen,
  handingBack.testedLocked,
  handingBack.closedLate,
  completeness.leftOnCloth,
  completeness.leftInTray,
  completeness.aidLeftIn,
  completeness.changeMissed,
  paths.deadPath,
  reach.covered,
  reach.stillTight,
  reach.buried,
  reach.notThere,
  reach.wrongPlaces,
  reach.tooMany,
  reach.aidNotThere,
  reach.shaftElsewhere,
  faces.swapped,
  matching.unmarked,
  matching.markedLate,
  renewal.reused,
  renewal.untouched,
  renewal.renewedEarly,
  renewal.kitShort,
  renewal.notInKit,
  renewal.noSpare,
  safety.heavy,
  safety.liftShort,
  safety.brittlePry,
  compounds.swells,
  faces.facesWrong,
  faces.facesClash,
  faces.facesUnsaid,
  faces.unrecorded,
  faces.stackOrder,
  faces.stackCount,
  compounds.oldCompound,
  compounds.setsFirst,
  compounds.soakShort,
  compounds.compoundMissing,
  compounds.bothCompounds,
  compounds.nothingApplied,
  completeness.looseAtEnd,
  completeness.howMany,
  handingBack.notRefilled,
  handingBack.notDrained,
  handingBack.runDry,
  handingBack.notClosed,
  handingBack.filledOpen,
  handingBack.notRestored,
  tightening.torqueMisplaced,
  tightening.torqueEarly,
  tightening.lockEarly,
  tightening.lockBeforeTorque,
  tightening.secondFigure,
  tightening.holeOccupied,
  wrenches.keySize,
  wrenches.wrenchLoosens,
  wrenches.powerTightens,
  wrenches.noWrench,
  wrenches.wrenchRange,
  joints.jointOrder,
  joints.jointPasses,
  figures.implausible,
  figures.figureDiffers,
  figures.oddUnit,
  figures.noUnit,
  figures.noFigure,
  figures.passMissing,
  figures.twoFigures,
  figures.threadCondition,
  looks.limitsContradict,
  looks.noLimits,
  looks.noGauge,
  looks.gaugeRange,
  looks.neverLooked,
  looks.lookLate,
  looks.lookEarly,
  looks.oddVerdict,
  words.textDiffers,
  words.unlistedTool,
  words.noSuchStep,
  words.vague,
  paths.pathsDisagree,
  paths.methodsDisagree,
  paths.unconfirmed,
  paths.tooManyWays,
  reach.partlyThere,
  evidence.noLastLook,
  evidence.noAsFound,
  figures.noSource,
  renewal.kitUnused,
  compounds.drySeal,
  looks.nothingToLookFor,
  words.longSentence,
  words.twoActions,
  words.houseTerm,
];

const byId = new Map<string, AnyRule>(RULES.map((rule) => [rule.id, rule]));
const GRAVITY: readonly Severity[] = ['stop', 'warn', 'advise'];

/**
 * Everything that would go wrong, the gravest first. What a trainer lets stand is told last, with the reason. With `today`
 * (ISO date) also what has run out by then.
 */
export function check(workbook: Workbook, timeline: Timeline = replay(workbook), today?: string): Finding[] {
  const found = RULES.flatMap((rule) => runRule(rule, { workbook, timeline, today })).map((finding) => {
    const acceptance = acceptanceOf(workbook, finding);
    return acceptance ? { ...finding, accepted: acceptance.reason } : finding;
  });
  const open = found.filter((finding) => finding.accepted === undefined);
  return [
    ...GRAVITY.flatMap((severity) => open.filter((finding) => finding.severity === severity)),
    ...found.filter((finding) => finding.accepted !== undefined),
  ];
}

/** What would put a finding right; undefined where a person has to know. Worked out here and not while checking. */
export function fixFor(finding: Finding, workbook: Workbook, timeline: Timeline): Fix | undefined {
  const fix = (byId.get(finding.id) as Rule | undefined)?.fix?.(finding, { workbook, timeline });
  return fix && fix.edits.length > 0 ? fix : undefined;
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
