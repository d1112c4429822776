import type { ComponentKind } from '../../model/kinds';
import { singularName } from '../../model/names';

/** The usual names of parts in the trade, by kind. Common practice. */
export const KIND_WORDS: Readonly<Record<Exclude<ComponentKind, 'other'>, readonly string[]>> = {
  'o-ring': ['o-ring', 'o ring', 'oring', 'toric ring', 'square ring', 'quad ring', 'x-ring'],
  seal: [
    'seal',
    'seal ring',
    'sealing ring',
    'high pressure seal',
    'high-pressure seal',
    'low pressure seal',
    'low-pressure seal',
    'main seal',
    'u-cup',
    'u-seal',
    'cup seal',
    'piston seal',
    'rod seal',
    'mechanical seal',
    'cartridge seal',
    'wiper',
    'scraper ring',
  ],
  'lip-seal': [
    'lip seal',
    'oil seal',
    'shaft seal',
    'radial seal',
    'grease seal',
    'rotary shaft seal',
    'crankshaft seal',
  ],
  'seal-face': [
    'seal face',
    'stationary ring',
    'stationary',
    'rotating face',
    'lapped ring',
    'stationary seat',
    'mating ring',
    'carbon ring',
    'seal seat',
  ],
  packing: [
    'packing',
    'packing ring',
    'v-packing',
    'v packing',
    'v-ring',
    'vee ring',
    'chevron',
    'lantern',
    'lantern ring',
    'gland packing',
    'packing set',
    'leather',
    'male adapter ring',
    'female adapter ring',
  ],
  gasket: ['gasket', 'copper washer', 'sealing washer', 'bonded washer', 'crush washer', 'joint sheet', 'paper joint'],
  nut: [
    'nut',
    'slotted nut',
    'castle nut',
    'lock nut',
    'locknut',
    'jam nut',
    'union nut',
    'gland nut',
    'packing nut',
    'wing nut',
    'ring nut',
    'acorn',
    'hex nut',
    'impeller nut',
  ],
  'dome-nut': ['dome nut', 'cap nut', 'acorn nut'],
  bolt: ['bolt', 'stud', 'tie rod', 'tie bolt', 'through bolt', 'hex bolt', 'shoulder bolt', 'eye bolt', 'stay bolt'],
  screw: [
    'screw',
    'capscrew',
    'cap screw',
    'socket screw',
    'set screw',
    'grub screw',
    'setscrew',
    'jacking screw',
    'machine screw',
    'bleed screw',
    'vent screw',
  ],
  washer: [
    'washer',
    'slinger',
    'thrower',
    'key-hole washer',
    'keyhole washer',
    'flat washer',
    'lock washer',
    'tab washer',
    'thrust washer',
    'flinger',
  ],
  'cup-washer': [
    'cup washer',
    'conical washer',
    'spring washer',
    'belleville washer',
    'disc spring',
    'disk spring',
    'dished washer',
  ],
  pin: [
    'pin',
    'split pin',
    'cotter pin',
    'cotter',
    'dowel',
    'dowel pin',
    'roll pin',
    'guide pin',
    'clevis pin',
    'joint pin',
    'taper pin',
    'locking wire',
    'lock wire',
    'lockwire',
    'tab',
  ],
  clip: [
    'circlip',
    'snap ring',
    'retaining ring',
    'retaining clip',
    'clip',
    'clamp',
    'snapring',
    'e-clip',
    'v-band',
    'hose clamp',
    'band clamp',
    'clamp band',
  ],
  key: ['key', 'woodruff key', 'feather key', 'parallel key'],
  spring: ['spring', 'rotary head', 'bellows', 'valve spring', 'spring pack', 'accumulator spring'],
  'valve-ball': ['ball', 'valve ball', 'check ball', 'ball check'],
  poppet: [
    'poppet',
    'valve poppet',
    'valve disc',
    'valve plate',
    'valve cone',
    'valve',
    'check valve',
    'valve set',
    'valve assembly',
    'valve cartridge',
    'spool',
    'plunger valve',
    'flap',
    'unloader',
  ],
  'valve-seat': ['seat', 'valve seat', 'ball seat', 'seat ring', 'hard seat'],
  retainer: [
    'retainer',
    'cage',
    'valve cage',
    'ball cage',
    'spring retainer',
    'seal retainer',
    'plunger retainer',
    'guide',
    'seal case',
    'case',
    'seal housing',
    'stop',
    'valve stop',
    'spring guide',
    'ball guide',
    'support ring',
    'head ring',
    'back-up ring',
    'backup ring',
    'back up ring',
    'anti-extrusion ring',
    'female gland',
    'male gland',
    'gland ring',
    'follower',
    'packing gland',
    'gland',
  ],
  plunger: [
    'plunger',
    'piston',
    'rod',
    'displacement rod',
    'plunger rod',
    'piston rod',
    'connecting rod',
    'con rod',
    'ceramic',
    'ceramic sleeve',
  ],
  rotor: ['rotor', 'gear', 'lobe', 'pinion', 'gear wheel', 'drive gear', 'idler'],
  impeller: ['impeller', 'vane', 'fan'],
  shaft: [
    'shaft',
    'crankshaft',
    'crank',
    'camshaft',
    'drive shaft',
    'eccentric',
    'spindle',
    'axle',
    'stub shaft',
    'coupling rod',
  ],
  diaphragm: ['diaphragm', 'membrane', 'bladder'],
  cover: [
    'cover',
    'cap',
    'lid',
    'flange',
    'end cap',
    'end plate',
    'rear cover',
    'side cover',
    'valve cap',
    'rod cap',
    'bearing cap',
    'front cover',
    'back cover',
    'guard',
    'plate',
    'bonnet',
    'door',
    'hatch',
  ],
  housing: [
    'housing',
    'casing',
    'manifold',
    'head',
    'body',
    'stator',
    'pocket',
    'valve block',
    'block',
    'crankcase',
    'cylinder',
    'cylinder head',
    'liquid end',
    'fluid end',
    'wet end',
    'drive end',
    'frame',
    'barrel',
    'bearing housing',
    'gearbox',
    'motor',
    'pump head',
    'liner',
    'chamber',
    'stuffing box',
    'bracket',
    'volute',
    'tank',
    'bowl',
    'center section',
    'centre section',
    'intensifier',
    'pump',
    'rotating unit',
    'accumulator',
  ],
  bearing: [
    'bearing',
    'ball bearing',
    'roller bearing',
    'needle bearing',
    'thrust bearing',
    'bearing shell',
    'bearing race',
    'race',
    'cone',
  ],
  spacer: [
    'spacer',
    'sleeve',
    'shim',
    'bush',
    'bushing',
    'collar',
    'distance ring',
    'throat bush',
    'wear sleeve',
    'coupling',
    'hub',
    'coupling hub',
    'distance piece',
    'ferrule',
  ],
  plug: [
    'plug',
    'drain plug',
    'fill plug',
    'filler plug',
    'oil plug',
    'vent plug',
    'dipstick',
    'screwed cap',
    'inspection plug',
    'breather',
    'bung',
  ],
  fitting: [
    'fitting',
    'adapter',
    'adaptor',
    'nipple',
    'elbow',
    'union',
    'connector',
    'coupler',
    'inlet fitting',
    'hose',
    'tube',
    'pipe',
    'line',
    'hose tail',
    'nozzle',
    'pipe union',
    'hose fitting',
  ],
  ring: ['ring', 'wear ring', 'piston ring', 'guide ring', 'wear band', 'bearing ring', 'slip ring', 'throttle ring'],
};

interface Phrase {
  readonly words: readonly string[];
  readonly kind: ComponentKind;
}

const PHRASES: readonly Phrase[] = (Object.keys(KIND_WORDS) as (keyof typeof KIND_WORDS)[])
  .flatMap((kind) => KIND_WORDS[kind].map((words) => ({ words: words.split(' '), kind })))
  // The longer and more telling phrase is asked first.
  .sort((a, b) => b.words.length - a.words.length);

/**
 * The kind of part a name most likely means; `other` when the name does not tell. The last word that names a kind
 * decides: a plunger retainer is a retainer, a plunger bolt seal ring a seal.
 */
export function kindFromName(name: string): ComponentKind {
  const known = kinds.get(name);
  if (known) return known;
  const kind = kindOf(name);
  if (kinds.size >= MOST_KINDS) kinds.clear();
  kinds.set(name, kind);
  return kind;
}

/** Whether words of which the first may be a verb are together what parts are called: "snap ring". */
export function isKindPhrase(text: string): boolean {
  const said = singularName(text.toLowerCase().replace(/^(?:the|both|all) /, ''));
  return said.includes(' ') && Object.values(KIND_WORDS).some((list) => list.includes(said));
}

/** The same names are asked for at every key that is typed, and at every check. */
const kinds = new Map<string, ComponentKind>();
const MOST_KINDS = 20_000;

function kindOf(name: string): ComponentKind {
  const plain = name
    .toLowerCase()
    .replace(/\(.*?\)/g, ' ')
    .replace(/,.*$/, '')
    .trim();
  const split = (text: string) => text.split(/\s+/).filter((word) => word !== '');
  const words = split(singularName(plain));
  // "bellows" and "chassis" are one.
  const asWritten = split(plain);
  const ends = ({ words: phrase }: Phrase, list: readonly string[], end: number) =>
    phrase.length <= end && phrase.every((word, i) => word === list[end - phrase.length + i]);
  for (let end = words.length; end > 0; end -= 1) {
    const hit = PHRASES.find((phrase) => ends(phrase, words, end) || ends(phrase, asWritten, end));
    if (hit) return hit.kind;
  }
  return 'other';
}

/** Parts that hold by being bent or crushed once: split pins, tab washers, crush washers. */
export function isNeverReused(name: string): boolean {
  return /\b(split|cotter|roll) pins?\b|\b(tab|lock|crush|copper|bonded) washers?\b|\block(?:ing)? wire\b/i.test(name);
}

/** Rings that lie among packing or seals and are used again: they are of metal or hard plastic. */
export function isKeptRing(name: string): boolean {
  return /\b(lantern|adapter|support ring|head ring|backing ring)\b/i.test(name);
}
