import type { FindingOf, RuleId } from '../../findings/finding';
import type { Series } from '../../model/series';
import { sayDay, sayNumber, sayQuantity } from '../../quantity/quantity';
import { capital, counted } from './counted';
import { sayClocking, sayFacing } from './directions';
import type { Naming } from './naming';

export type Sayer<R extends RuleId> = (finding: FindingOf<R>, say: Naming, series: Series) => string;

const THERE = {
  'not-in-pump': ['is not in the pump any more', 'are not in the pump any more'],
  'not-out': ['is neither on the cloth nor ready in the tray', 'are neither on the cloth nor ready in the tray'],
  'already-renewed': ['is renewed already', 'are renewed already'],
  'nothing-in-it': ['holds nothing that could be laid out', 'hold nothing that could be laid out'],
  'not-fitted': ['is not in the pump yet', 'are not in the pump yet'],
  gone: ['is in the bin by now', 'are in the bin by now'],
} as const;
const LIES = { 'as-fitted': 'as fitted', 'face-up': 'face up', 'face-down': 'face down', 'on-its-side': 'on its side' };
const WHERE = {
  text: 'its sentence',
  about: 'its sentence',
  detail: 'the detail',
  caution: 'a caution',
  photo: 'the photo check',
  question: 'the question',
  look: 'a look',
  measurement: 'a measurement',
  method: 'a method',
} as const;
const WHAT = {
  figure: 'figure',
  tool: 'tool',
  part: 'part',
  face: 'facing',
  count: 'number',
  size: 'size',
  place: 'place',
  consumable: 'grease or compound',
  time: 'time',
  turning: 'direction to turn',
};

/** One plain sentence for each rule: what would go wrong, with part, place and step. */
export const SENTENCES: { readonly [R in RuleId]: Sayer<R> } = {
  covered: (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.byComponentId)} ${
      f.facts.sure
        ? `${say.agree(f.facts.byComponentId, 'covers', 'cover')} the ${say.part(f.facts.componentId)}`
        : `${say.agree(f.facts.byComponentId, 'is', 'are')} still in the way of the ${say.part(f.facts.componentId)}`
    }${say.on(f.on)}.`,
  'still-tight': (f, say) =>
    `${say.step(f)}, is done while the ${say.part(f.facts.fastenerId)} ${say.agree(f.facts.fastenerId, 'is', 'are')} tight${say.on(f.on)}.`,
  'not-there': (f, say) => {
    const [one, several] = THERE[f.facts.reason];
    return `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, one, several)}${say.on(f.on)}.`;
  },
  'too-many': (f, say) =>
    `${say.step(f)}, names ${say.part(f.facts.componentId, f.facts.said)}; there ${f.facts.there === 1 ? 'is' : 'are'} ${f.facts.there}${say.on(f.on)}.`,
  'partly-there': (f, say) =>
    `${say.step(f)}: at ${say.positions(f.facts.positionIds)} the ${say.part(f.facts.componentId, 1)} is ${f.facts.act === 'takes' ? 'out already' : 'not out'}${say.on(f.on)}.`,
  'aid-not-there': (f, say) =>
    `${say.step(f)}, takes out the ${say.tool(f.facts.toolId)} that nothing put in${say.on(f.on)}.`,
  'wrong-places': (f, say) =>
    `${say.step(f)}, names ${say.positions(f.facts.positionIds)}, where there ${say.agree(f.facts.componentId, 'is', 'are')} no ${say.part(f.facts.componentId)}.`,
  buried: (f, say) => {
    const several = f.facts.parts.reduce((sum, { pieces }) => sum + pieces, 0) > 1;
    const names = f.facts.parts.map(({ componentId, pieces }) => `the ${say.part(componentId, pieces)}`);
    return `${say.step(f)}: the ${say.part(f.facts.overId)} ${say.agree(f.facts.overId, 'fits', 'fit')} over ${joined(names)}, which ${several ? 'are' : 'is'} not yet back in${say.on(f.on)}.`;
  },
  'shaft-elsewhere': (f, say) =>
    `${say.step(f)}, needs the shaft at "${f.facts.wanted}"; ${f.facts.is === null ? 'nothing turns it there' : `it was last turned: ${f.facts.is}`}${say.on(f.on)}.`,
  empty: () => 'The procedure has no steps.',
  'left-on-cloth': (f, say) => {
    const [stay, them] = (f.unitIds?.length ?? 1) > 1 ? ['stay', 'them'] : ['stays', 'it'];
    const name = capital(say.units(f.facts.componentId, f.unitIds));
    const { takenAt } = f.facts;
    return `${name} ${stay} on the cloth${say.on(f.on)}${takenAt === null ? '' : `: step ${takenAt + 1} takes ${them} off and nothing puts ${them} back`}.`;
  },
  'left-in-tray': (f, say) => {
    const [stay, them] = (f.unitIds?.length ?? 1) > 1 ? ['stay', 'them'] : ['stays', 'it'];
    return `New ${say.units(f.facts.componentId, f.unitIds, '')} ${stay} in the kit tray${say.on(f.on)}: nothing fits ${them}.`;
  },
  'how-many': (f, say) =>
    `${say.step(f)}: nobody said how many ${say.part(f.facts.componentId, 2)} there are. Say it in the parts list.`,
  'aid-left-in': (f, say) =>
    `Nothing takes out the ${say.tool(f.facts.toolId)}${f.facts.putInAt === null ? ' that was put in' : ` that step ${f.facts.putInAt + 1} puts in`}${say.on(f.on)}.`,
  'change-missed': (f, say) => {
    const { change, componentId, fromPositionId = '', toPositionId = '', withComponentId = '' } = f.facts;
    const name = `The ${say.part(componentId)} ${say.agree(componentId, 'is', 'are')} meant to`;
    const still = say.agree(componentId, 'is', 'are');
    switch (change) {
      case 'leaves':
        return `${name} leave the pump and ${still} still in it.`;
      case 'joins':
        return `${name} join the pump and ${still} not in it.`;
      case 'moves':
        return `${name} change from ${say.position(fromPositionId)} to ${say.position(toPositionId)} and ${say.agree(componentId, 'stays', 'stay')}.`;
      case 'turns':
        return `${name} be turned end for end, and no step says how ${say.agree(componentId, 'it faces', 'they face')} afterwards.`;
      case 'exchanges':
        return `${name} change places with the ${say.part(withComponentId)}, and ${say.agree(componentId, 'does', 'do')} not.`;
    }
  },
  'loose-at-end': (f, say) => {
    const { componentId, startedAt, pieces, of } = f.facts;
    const name = pieces < of ? capital(say.units(componentId, f.unitIds)) : `The ${say.part(componentId)}`;
    const [are, them] = pieces > 1 ? ['are', 'them'] : ['is', 'it'];
    return `${name} ${are} left loose${say.on(f.on)}: nothing torques ${them}${startedAt === null ? '' : ` after step ${startedAt + 1}`}.`;
  },
  'not-refilled': (f, say) =>
    f.stepId
      ? `${say.step(f)}: nothing fills it again${say.on(f.on)}.`
      : `An earlier module drains ${f.facts.about ?? 'the pump'} and nothing fills it again.`,
  'filled-open': (f, say) =>
    `${say.step(f)}, fills while ${say.parts(f.facts.componentIds)} ${areOut(f.facts.componentIds, say)} still out${say.on(f.on)}.`,
  'run-dry': (f, say) =>
    `${say.step(f)}, runs the pump before ${f.facts.about ?? 'what was drained'} is filled${say.on(f.on)}.`,
  'closed-late': (f, say) => `${say.step(f)}, comes when the pump is open already${say.on(f.on)}.`,
  'not-closed': (f, say) => `${say.step(f)}: nothing closed ${f.facts.about ?? 'it'} before${say.on(f.on)}.`,
  'not-drained': (f, say) => `${say.step(f)}: nothing drained ${f.facts.about ?? 'it'} before${say.on(f.on)}.`,
  'not-restored': (f, say) =>
    f.stepId
      ? `${say.step(f)}: nothing restores it${say.on(f.on)}.`
      : 'An earlier module isolates the pump and nothing restores it.',
  'restored-open': (f, say) =>
    `${say.step(f)}, is done while ${say.parts(f.facts.componentIds)} ${areOut(f.facts.componentIds, say)} ${f.facts.why === 'out' ? 'still out' : 'not torqued yet'}${say.on(f.on)}.`,
  'tested-locked': (f, say) =>
    `${say.step(f)}, runs a pump that is still locked${f.facts.lockedAt === null ? '' : ` by step ${f.facts.lockedAt + 1}`}${say.on(f.on)}.`,
  'faces-wrong': (f, say, series) =>
    `${say.step(f)}: elsewhere the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'has', 'have')} ${sayFacing(f.facts.expected, series)}${f.facts.expected.clocking ? `, ${sayClocking(f.facts.expected.clocking)}` : ''}${say.on(f.on)}.`,
  'faces-clash': (f, say, series) =>
    `${say.step(f)}: the ${say.part(f.facts.housingId)} lies ${LIES[f.facts.pose]}, so that is not ${sayFacing(f.facts.expected, series)}${say.on(f.on)}.`,
  'faces-unsaid': (f, say) =>
    f.facts.what === 'clocking'
      ? `${say.step(f)}, does not say how the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is', 'are')} turned.`
      : `${say.step(f)}, does not say which way the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'faces', 'face')}.`,
  unrecorded: (f, say) =>
    `${say.step(f)}: nothing records which way round the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'was', 'were')}.`,
  'stack-order': (f, say) =>
    `${say.step(f)}: in ${say.stack(f.facts.stackId)} the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'lies', 'lie')} deeper than the ${say.part(f.facts.overId)} fitted before${say.on(f.on)}.`,
  'stack-count': (f, say) =>
    `The stack holds ${f.facts.held} × ${say.part(f.facts.componentId, 1)}, the parts list ${f.facts.listed}${f.facts.eachPlace ? ' at each place' : ''}.`,
  swapped: (f, say) =>
    `${say.step(f)}, fits the ${say.part(f.facts.componentId, 1)} of ${say.position(f.facts.fromPositionId)} at ${say.position(f.facts.toPositionId)}${say.on(f.on)}.`,
  unmarked: (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} are matched and not marked${say.on(f.on)}.`,
  'marked-late': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is', 'are')} off already.`,
  'torque-misplaced': (f, say) => `${say.step(f)}, is in the teardown.`,
  'torque-early': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.heldId)} that the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'holds', 'hold')} ${say.agree(f.facts.heldId, 'is', 'are')} not in yet${say.on(f.on)}.`,
  'lock-early': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.fastenerId)} ${say.agree(f.facts.fastenerId, 'is', 'are')} locked before ${say.agree(f.facts.fastenerId, 'it is', 'they are')} torqued${say.on(f.on)}.`,
  'lock-before-torque': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.lockId)} that ${say.agree(f.facts.lockId, 'locks', 'lock')} the ${say.part(f.facts.componentId)} ${say.agree(f.facts.lockId, 'is', 'are')} in already${say.on(f.on)}.`,
  'second-figure': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'was', 'were')} torqued to ${sayQuantity(f.facts.first)} before, and here to ${sayQuantity(f.facts.second)}${say.on(f.on)}.`,
  'hole-occupied': (f, say) =>
    `${say.step(f)}: the ${say.tool(f.facts.toolId)} stand${f.facts.used === 1 ? 's' : ''} in ${counted(f.facts.used, 'hole', 'holes')}, so only ${f.facts.free} of the ${say.part(f.facts.componentId)} fit${say.on(f.on)}.`,
  'key-size': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} came off with ${f.facts.down} and ${say.agree(f.facts.componentId, 'goes', 'go')} on with ${f.facts.back}.`,
  'wrench-loosens': (f, say) => `${say.step(f)}, loosens with the ${say.tool(f.facts.toolId)}.`,
  'power-tightens': (f, say) => `${say.step(f)}, tightens with the ${say.tool(f.facts.toolId)}.`,
  'no-wrench': (f, say) => `${say.step(f)}, lists no torque wrench.`,
  'wrench-range': (f, say) =>
    'overdue' in f.facts
      ? `${say.step(f)}: the calibration of the ${say.tool(f.facts.toolId)} expired on ${sayDay(f.facts.overdue)}.`
      : `${say.step(f)}: ${sayQuantity(f.facts.figure)} is outside the range of the ${say.tool(f.facts.toolId)}.`,
  implausible: (f, say) => {
    const { figure, thread, class: kind, verdict, percent, instead } = f.facts;
    const [likely, other] = instead.map((quantity) => sayQuantity(quantity));
    const fits = likely === undefined ? '' : other === undefined ? `; ${likely} fits` : `; ${likely} or ${other} fits`;
    const said = `${say.step(f)}: ${sayQuantity(figure)}`;
    if (verdict === 'strips') return `${said} strips the thread that ${thread} is screwed into${fits}.`;
    if (percent !== null && kind !== null)
      return `${said} is ${sayNumber(percent, 2)} % of the proof load of ${thread} ${kind}${fits}.`;
    return verdict === 'too-much'
      ? `${said} is more than any ${thread} bears${fits}.`
      : `${said} holds nothing on ${thread}${fits}.`;
  },
  'joint-order': (f, say) => {
    const { fault, place, after, componentId } = f.facts;
    const order = `${say.step(f)}: the order of the ${say.part(componentId)}`;
    switch (fault) {
      case 'missing':
        return `${order} leaves out place ${place}.`;
      case 'twice':
        return `${order} has place ${place} twice.`;
      case 'no-slot':
        return `${order} has a place ${place} that is not there.`;
      case 'neighbours':
        return `${order} goes from place ${after} to its neighbour ${place} while others are left.`;
    }
  },
  'joint-passes': (f, say) => {
    const passes = `${say.step(f)}: the passes of the ${say.part(f.facts.componentId)}`;
    switch (f.facts.fault) {
      case 'falls':
        return `${passes} go down again.`;
      case 'over':
        return `${passes} go past the figure.`;
      case 'stops-short':
        return `${passes} end before the figure.`;
      case 'angle-first':
        return `${passes} begin with an angle.`;
    }
  },
  'figure-differs': (f, say) =>
    `${say.step(f)}: ${sayQuantity(f.facts.figure)}, but the torque sheet says ${sayQuantity(f.facts.usual)}.`,
  'odd-unit': (f, say) =>
    f.facts.by === 'wrench'
      ? `${say.step(f)}: ${sayQuantity(f.facts.figure)} cannot be set on a wrench that reads ${f.facts.usual}, and no second reading is given.`
      : `${say.step(f)}: ${sayQuantity(f.facts.figure)} stands alone; all other figures are in ${f.facts.usual}.`,
  'no-unit': (f, say) =>
    `${say.step(f)}, says ${f.facts.figure}${f.facts.word ? ` ${f.facts.word}` : ''} and no unit of torque.`,
  'no-figure': (f, say) => `${say.step(f)}, gives no torque.`,
  'pass-missing': (f, say) => `${say.step(f)}, is a first pass, and no further pass follows.`,
  'two-figures': (f, say) =>
    `${say.step(f)}: ${sayQuantity(f.facts.figure)} and ${sayQuantity(f.facts.also)} are ${sayNumber(f.facts.percent, 2)} % apart.`,
  'thread-condition': (f, say) => {
    const on = f.facts.consumableId ? say.consumable(f.facts.consumableId) : 'nothing';
    if (!f.facts.threadSaid)
      return `${say.step(f)}, does not say whether ${sayQuantity(f.facts.figure)} is for a thread with ${on}, which is on the ${say.part(f.facts.componentId)}${say.on(f.on)}.`;
    return `${say.step(f)}: ${sayQuantity(f.facts.figure)} does not hold for this thread; ${on} is on the ${say.part(f.facts.componentId)}${say.on(f.on)}.`;
  },
  'no-source': (f, say) => `${say.step(f)}: ${sayQuantity(f.facts.figure)} has no source.`,
  reused: (f, say) =>
    `${say.step(f)}, puts back the old ${say.part(f.facts.componentId, f.facts.pieces)}${say.on(f.on)}.`,
  untouched: (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} in the ${say.part(f.facts.hostId)} ${say.agree(f.facts.componentId, 'is', 'are')} always renewed, and no step does.`,
  'renewed-early': (f, say) =>
    `${say.step(f)}, renews the ${say.part(f.facts.componentId)} before step ${f.facts.takenAt + 1} takes ${say.agree(f.facts.componentId, 'it', 'them')} off.`,
  'kit-short': (f, say) =>
    `${f.facts.needed} ${say.part(f.facts.componentId)} ${f.facts.needed === 1 ? 'is' : 'are'} renewed and the kits hold ${f.facts.held}${say.on(f.on)}.`,
  'not-in-kit': (f, say) =>
    `${f.facts.needed} × ${say.part(f.facts.componentId)} would be renewed, and none of the kits holds any${say.on(f.on)}.`,
  'kit-unused': (f, say) =>
    `${f.facts.laidOut} × ${say.kit(f.facts.kitId)} ${f.facts.laidOut === 1 ? 'is' : 'are'} laid out and ${f.facts.needed === 0 ? 'none is' : `${f.facts.needed} would be`} used.`,
  'no-spare': (f, say) =>
    `${say.step(f)}: "${f.facts.sign}" says renew, and the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'has', 'have')} no kit, part number or step behind.`,
  swells: (f, say) =>
    `${say.step(f)}: ${say.consumable(f.facts.consumableId)} ${f.facts.rating === 4 ? 'attacks' : 'may swell'} the ${f.facts.material} of the ${say.part(f.facts.componentId)}.`,
  'old-compound': (f, say) =>
    `${say.step(f)}: ${say.consumable(f.facts.consumableId)} goes on ${say.part(f.facts.componentId)} that nothing cleaned${say.on(f.on)}.`,
  'sets-first': (f, say) =>
    `${say.step(f)}: ${say.consumable(f.facts.consumableId)} on the ${say.part(f.facts.componentId)} sets after ${counted(f.facts.openMinutes, 'minute', 'minutes')}; the torque comes after about ${sayNumber(f.facts.minutes)}${say.on(f.on)}.`,
  'soak-short': (f, say) =>
    f.facts.minutes === null
      ? `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is', 'are')} not soaked${say.on(f.on)}.`
      : `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'has', 'have')} soaked about ${sayNumber(f.facts.minutes)} of ${sayNumber(f.facts.wanted)} minutes${say.on(f.on)}.`,
  'dry-seal': (f, say) =>
    `${say.step(f)}, fits the ${say.part(f.facts.componentId)} dry${f.facts.consumableId ? `, without the ${say.consumable(f.facts.consumableId)}` : ''}${say.on(f.on)}.`,
  'compound-missing': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'goes', 'go')} in without the ${say.consumable(f.facts.consumableId)}${say.on(f.on)}.`,
  'both-compounds': (f, say) =>
    `${say.step(f)}, puts ${joined(f.facts.consumableIds.map((id) => say.consumable(id)))} on the same place.`,
  'nothing-applied': (f, say) => `${say.step(f)}, does not say what to apply.`,
  'spring-release': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is', 'are')} under spring tension${say.on(f.on)}.`,
  'not-isolated': (f, say) => `${say.step(f)}, opens the pump before it is isolated${say.on(f.on)}.`,
  'weak-isolation': (f, say) => `${say.step(f)}: stopping at ${f.facts.about} is not isolation.`,
  'pressure-kept': (f, say) =>
    `${say.step(f)}, opens the pump before the pressure${f.facts.line ? ` on the ${f.facts.line} side` : ''} is released${say.on(f.on)}.`,
  'pressure-first': (f, say) =>
    `${say.step(f)}, comes before step ${f.facts.isolatedAt + 1} ${f.facts.by === 'drive' ? 'isolates the drive' : 'closes the valve of that line'}.`,
  heavy: (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} of ${sayNumber(f.facts.kg)} kg ${say.agree(f.facts.componentId, 'is', 'are')} moved without a planned lift.`,
  'lift-short': (f, say) =>
    `${say.step(f)}: the ${say.tool(f.facts.toolId)} bears ${sayQuantity(f.facts.load)}, and the ${say.part(f.facts.componentId)} weighs ${sayNumber(f.facts.kg)} kg.`,
  'brittle-pry': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is brittle and is', 'are brittle and are')} pried.`,
  'limits-contradict': (f, say) =>
    `${say.step(f)}: the limits of "${f.facts.what}" ${
      {
        order: 'exclude one another',
        nominal: 'exclude a new part',
        units: 'are far from the size when new',
        verdict: 'lead to using the part again when it is outside them',
      }[f.facts.wrong]
    }.`,
  'no-limits': (f, say) => `${say.step(f)}: "${f.facts.what}" is measured and has no limit.`,
  'no-gauge': (f, say) => `${say.step(f)}: nothing is laid out to measure "${f.facts.what}" with.`,
  'gauge-range': (f, say) =>
    `${say.step(f)}: the ${say.tool(f.facts.toolId)} does not reach the size of "${f.facts.what}".`,
  'nothing-to-look-for': (f, say) =>
    `${say.step(f)}, does not say what to ${f.facts.measures ? 'measure' : 'look for'} on the ${say.part(f.facts.componentId)}.`,
  'odd-verdict': (f, say) => `${say.step(f)}: with "${f.facts.sign}" the part would be used again.`,
  'look-early': (f, say) =>
    `${say.step(f)}, comes while the ${say.part(f.facts.byComponentId)} still ${say.agree(f.facts.byComponentId, 'covers', 'cover')} the ${say.part(f.facts.componentId)}.`,
  'never-looked': (f, say) =>
    `${say.step(f)}: the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is', 'are')} to be looked at when out, and no step does.`,
  'look-late': (f, say) =>
    `${say.step(f)}, comes when the ${say.part(f.facts.componentId)} ${say.agree(f.facts.componentId, 'is', 'are')} back in the pump.`,
  'no-last-look': (f, say) =>
    `No photo shows how ${say.parts(f.componentIds)} ${f.componentIds.length > 1 ? 'sit' : say.agree(f.componentIds[0] ?? '', 'sits', 'sit')} before something covers ${f.componentIds.length > 1 ? 'them' : say.agree(f.componentIds[0] ?? '', 'it', 'them')}.`,
  'no-as-found': (f) => `No photo shows what was found before step ${f.facts.disturbedAt + 1} cleans or renews it.`,
  'text-differs': (f, say) => {
    const { only, what, name, where, more } = f.facts;
    const also = more > 0 ? `, and ${more} more` : '';
    if (what === 'dry') return `${say.step(f)}: ${WHERE[where]} says "${name}", and the step puts something on${also}.`;
    if (what === 'old')
      return `${say.step(f)}: ${WHERE[where]} says "${name}", and ${say.parts(f.componentIds)} ${say.agree(f.componentIds[0] ?? '', 'is', 'are')} always renewed${also}.`;
    return only === 'text'
      ? `${say.step(f)}: ${WHERE[where]} says the ${WHAT[what]} "${name}", the step does not${also}.`
      : `${say.step(f)}: the step has the ${WHAT[what]} "${name}", ${WHERE[where]} does not${also}.`;
  },
  'no-such-step': (f, say) => `${say.step(f)}, refers to step ${f.facts.named}; there are ${f.facts.steps} steps.`,
  'unlisted-tool': (f, say) => `${say.step(f)}: the ${f.facts.name} is named in words and is not among its tools.`,
  vague: (f, say) => `${say.step(f)}, says "${f.facts.words}"${f.facts.noPicture ? ' and has no picture' : ''}.`,
  'long-sentence': (f, say) => `${say.step(f)}, has a sentence of ${f.facts.words} words.`,
  'two-actions': (f, say) => `${say.step(f)}: "${shorten(f.facts.words)}" tells two things to do.`,
  'house-term': (f, say) => `${say.step(f)}, says "${f.facts.said}"; here it is called "${f.facts.say}".`,
  'paths-disagree': (f, say) =>
    f.facts.parts.length > 0
      ? `The ${joined(f.facts.parts.map((id) => say.part(id)))} ${f.facts.parts.length > 1 ? 'end' : say.agree(f.facts.parts[0] ?? '', 'ends', 'end')} in another state${say.on(f.on) || ' on some answers'}.`
      : `The pump ends in another state${say.on(f.on) || ' on some answers'}.`,
  'methods-disagree': (f, say) =>
    `${say.step(f)}: the method "${say.method(f.stepId, f.facts.methodId)}" leaves the pump in a different state.`,
  'too-many-ways': () => 'There are too many combinations of answers to check all of them. Join the paths earlier.',
  'dead-path': (f, say) =>
    f.facts.why === 'unreached'
      ? `${say.step(f)}, is never reached: no answer leads to it.`
      : `${say.step(f)}, asks a question and no step depends on the answer.`,
  unconfirmed: (f) =>
    `${f.facts.count === 1 ? 'One drafted step is' : `${f.facts.count} drafted steps are`} not confirmed.`,
};

function joined(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

function areOut(ids: readonly string[], say: Naming): string {
  return ids.length > 1 ? 'are' : say.agree(ids[0] ?? '', 'is', 'are');
}

function shorten(sentence: string): string {
  return sentence.length > 70 ? `${sentence.slice(0, 68).replace(/\s+\S*$/, '')} …` : sentence.replace(/\.$/, '');
}
