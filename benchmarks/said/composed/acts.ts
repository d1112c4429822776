/*
 * Orders by the words in which trainers give them, each with what it does. Written without a look at the tables of the
 * grammar. {o} is what it is done to, {p} another part, {t} a torque, {s} what to look for, {c} a grease or compound,
 * {O} one part by its bare name; @goes is "goes" of one and "go" of several.
 */

export type Sort = 'fastener' | 'seal' | 'bearing' | 'cover' | 'rotor' | 'pin' | 'spring' | 'ball' | 'hose';

export interface Act {
  readonly does: Doing;
  readonly to: readonly Sort[];
  readonly said: readonly string[];
}

export type Doing =
  | 'out'
  | 'in'
  | 'press'
  | 'start'
  | 'loosen'
  | 'torque'
  | 'inspect'
  | 'clean'
  | 'renew'
  | 'grease'
  | 'mark'
  | 'hold'
  | 'unplug'
  | 'plug'
  | 'photo'
  | 'aside'
  | 'discard'
  | 'measure'
  | 'turn';

const MOVED: readonly Sort[] = ['fastener', 'seal', 'bearing', 'cover', 'rotor', 'pin', 'spring', 'ball'];

/** Orders: they may be joined, opened with something, and go on with how. */
export const ORDERS: readonly Act[] = [
  {
    does: 'out',
    to: MOVED,
    said: [
      'take off {o}',
      'take {o} off',
      'remove {o}',
      'pull {o} off',
      'pull {o}',
      'get {o} off',
      'take out {o}',
      'take {o} out',
      'get {o} out',
      'detach {o}',
      'slip {o} off',
      'pop {o} off',
    ],
  },
  {
    does: 'out',
    to: ['cover', 'rotor', 'ball'],
    said: [
      'lift off {o}',
      'lift {o} off',
      'lift {o} clear',
      'lift {o} away',
      'lift out {o}',
      'hoist {o} off',
      'lift {o} up and out',
      'raise {o} off {p}',
    ],
  },
  {
    does: 'out',
    to: ['fastener'],
    said: [
      'unscrew {o}',
      'undo {o}',
      'back out {o}',
      'back {o} out',
      'spin off {o}',
      'wind {o} out',
      'run {o} out',
      'unbolt {o}',
      'screw {o} out',
      'zip {o} out',
    ],
  },
  {
    does: 'out',
    to: ['seal'],
    said: [
      'pry out {o}',
      'pry {o} out',
      'pick out {o}',
      'hook {o} out',
      'dig out {o}',
      'peel off {o}',
      'lever {o} out',
      'prise {o} out',
      'roll {o} off',
      'work {o} out of {p}',
    ],
  },
  {
    does: 'out',
    to: ['bearing', 'rotor', 'pin'],
    said: [
      'drive out {o}',
      'drive {o} out',
      'knock out {o}',
      'knock {o} out',
      'tap {o} out',
      'push out {o}',
      'push {o} out',
      'press {o} out',
      'draw {o} out',
      'pull {o} out',
      'slide {o} off',
      'slide out {o}',
      'withdraw {o}',
      'work {o} off',
      'ease {o} out',
      'extract {o}',
      'drift {o} out',
      'tap {o} out of {p}',
      'press {o} out of {p}',
    ],
  },
  {
    does: 'out',
    to: ['cover', 'rotor', 'seal', 'bearing', 'spring', 'ball'],
    said: [
      'separate {o} from {p}',
      'remove {o} from {p}',
      'lift {o} off {p}',
      'pull {o} out of {p}',
      'pull {o} off {p}',
      'draw {o} from {p}',
      'take {o} out of {p}',
      'slide {o} out of {p}',
      'free {o} from {p}',
    ],
  },
  {
    does: 'in',
    to: MOVED,
    said: [
      'fit {o}',
      'install {o}',
      'refit {o}',
      'reinstall {o}',
      'put {o} back',
      'put {o} back on',
      'put {o} back in',
      'put in {o}',
      'put {o} in place',
      'reassemble {o} to {p}',
      'mount {o}',
    ],
  },
  {
    does: 'in',
    to: ['rotor', 'seal', 'bearing', 'spring', 'ball', 'pin'],
    said: [
      'slide {o} onto {p}',
      'slide {o} into {p}',
      'push {o} into {p}',
      'install {o} in {p}',
      'fit {o} into {p}',
      'insert {o} into {p}',
      'put {o} on {p}',
      'fit {o} over {p}',
      'place {o} in {p}',
      'drop {o} into {p}',
      'seat {o} in {p}',
      'slip {o} over {p}',
      'lower {o} into {p}',
      'work {o} into {p}',
      'locate {o} in {p}',
    ],
  },
  {
    does: 'press',
    to: ['bearing', 'seal'],
    said: [
      'press in {o}',
      'press {o} in',
      'drive in {o}',
      'tap {o} in',
      'press {o} onto {p}',
      'press {o} into {p}',
      'tap {o} home',
      'drive {o} home',
      'push {o} home',
    ],
  },
  {
    does: 'start',
    to: ['fastener'],
    said: [
      'thread in {o}',
      'start {o} by hand',
      'screw in {o}',
      'screw {o} in',
      'run {o} in by hand',
      'thread {o} on',
      'install {o} finger tight',
      'put {o} in hand tight',
      'get {o} started',
      'hand-tighten {o}',
    ],
  },
  {
    does: 'loosen',
    to: ['fastener'],
    said: [
      'loosen {o}',
      'slacken {o}',
      'slacken off {o}',
      'crack {o} loose',
      'break {o} loose',
      'crack {o}',
      'ease off {o}',
    ],
  },
  {
    does: 'torque',
    to: ['fastener'],
    said: [
      'torque {o} to {t}',
      'tighten {o} to {t}',
      'torque down {o} to {t}',
      'tighten up {o} to {t}',
      'do {o} up to {t}',
      'pull {o} down to {t}',
      'tighten {o} to a torque of {t}',
      'bring {o} up to {t}',
      'set {o} to {t}',
      'retorque {o} to {t}',
      'tighten down {o}, {t}',
    ],
  },
  {
    does: 'inspect',
    to: ['seal', 'bearing', 'cover', 'rotor', 'ball', 'spring'],
    said: [
      'inspect {o} for {s}',
      'check {o} for {s}',
      'look at {o} for {s}',
      'examine {o} for {s}',
      'look {o} over for {s}',
      'look for {s} on {o}',
      'check for {s} on {o}',
      'have a look at {o} for {s}',
      'go over {o} for {s}',
      'inspect {o}, looking for {s}',
      'check the condition of {o}',
    ],
  },
  {
    does: 'clean',
    to: ['cover', 'rotor', 'ball'],
    said: [
      'clean {o}',
      'wash {o}',
      'wipe down {o}',
      'wipe {o} clean',
      'degrease {o}',
      'clean up {o}',
      'wash off {o}',
      'blow out {o}',
      'rinse {o}',
      'blow {o} dry',
      'give {o} a wipe',
      'clean {o} in solvent',
      'wipe off {o}',
    ],
  },
  {
    does: 'renew',
    to: ['seal', 'bearing'],
    said: [
      'replace {o} with a new one',
      'renew {o}',
      'fit a new {O}',
      'install a new {O}',
      'swap {o} for a new one',
      'change {o}',
      'always replace {o}',
    ],
  },
  {
    does: 'grease',
    to: ['seal', 'rotor', 'bearing'],
    said: [
      'grease {o}',
      'oil {o}',
      'lubricate {o} with {c}',
      'coat {o} with {c}',
      'apply {c} to {o}',
      'put {c} on {o}',
      'put a little {c} on {o}',
      'smear {c} on {o}',
      'give {o} a light coat of {c}',
      'lightly coat {o} with {c}',
      'apply a thin film of {c} to {o}',
      'lube {o} with {c}',
      'dab some {c} on {o}',
      'brush {c} onto {o}',
    ],
  },
  { does: 'mark', to: ['cover', 'rotor'], said: ['mark {o}', 'mark the position of {o}', 'put a mark on {o}'] },
  { does: 'hold', to: ['rotor', 'cover'], said: ['hold {o}', 'support {o}', 'hold {o} still', 'steady {o}'] },
  {
    does: 'unplug',
    to: ['hose'],
    said: ['disconnect {o}', 'disconnect {o} from {p}', 'unhook {o}'],
  },
  {
    does: 'plug',
    to: ['hose'],
    said: ['reconnect {o}', 'connect {o} to {p}', 'hook {o} back up'],
  },
  {
    does: 'photo',
    to: ['cover', 'rotor', 'seal', 'hose'],
    said: [
      'take a photo of {o}',
      'photograph {o}',
      'take a picture of {o}',
      'get a picture of {o}',
      'snap a photo of {o}',
    ],
  },
  {
    does: 'aside',
    to: ['cover', 'rotor', 'spring', 'ball'],
    said: ['set {o} aside', 'put {o} to one side', 'lay {o} aside', 'set aside {o}', 'put {o} aside'],
  },
  { does: 'discard', to: ['seal'], said: ['discard {o}', 'throw {o} away', 'scrap {o}', 'bin {o}', 'throw out {o}'] },
  {
    does: 'measure',
    to: ['rotor', 'spring', 'ball'],
    said: [
      'measure {o}',
      'measure the length of {o}',
      'mic {o}',
      'measure the diameter of {o}',
      'measure the runout of {o}',
    ],
  },
  { does: 'turn', to: ['rotor'], said: ['turn {o}', 'rotate {o}', 'spin {o}', 'turn {o} half a turn'] },
];

/** What is told of a part instead of ordered; each is a line by itself. */
export const TOLD_OF: readonly Act[] = [
  {
    does: 'out',
    to: MOVED,
    said: [
      '{o} @comes off',
      '{o} @comes out',
      'now {o} can come off',
      '{o} can now be removed',
      '{o} @is removed',
      '{o} @has to come off',
      'off @comes {o}',
      'out @comes {o}',
      '{o} @pulls right off',
      '{o} @needs to come out',
      '{o} @gets pulled',
      '{o} off',
      '{o} out',
    ],
  },
  {
    does: 'in',
    to: MOVED,
    said: [
      '{o} @goes back in',
      '{o} @goes on',
      '{o} @goes back on',
      '{o} @goes in',
      'in @goes {o}',
      'back on @goes {o}',
      '{o} can go back in',
      '{o} @gets installed',
      '{o} @is fitted',
      '{o} back on',
      '{o} @goes onto {p}',
    ],
  },
  {
    does: 'torque',
    to: ['fastener'],
    said: [
      '{o} @gets torqued to {t}',
      '{o} @is tightened to {t}',
      '{o} @needs to be torqued to {t}',
      '{o} should be tightened to {t}',
      '{t} on {o}',
      'torque for {o} is {t}',
      '{o} @gets {t}',
      '{o}: {t}',
      '{o} to {t}',
      '{o}, {t}',
    ],
  },
  {
    does: 'inspect',
    to: ['seal', 'bearing', 'cover', 'rotor', 'ball'],
    said: [
      '{o} should be checked for {s}',
      '{o} @is inspected for {s}',
      '{o} @gets checked for {s}',
      '{o} @needs to be inspected for {s}',
      "see if there's any {s} on {o}",
      'any {s} on {o}?',
      '{o}: check for {s}',
    ],
  },
  {
    does: 'renew',
    to: ['seal', 'bearing'],
    said: [
      '{o} must be renewed',
      '{o} @is always renewed',
      '{o} should be renewed',
      '{o} @has to be changed',
      '{o} @needs renewing',
    ],
  },
  {
    does: 'clean',
    to: ['cover', 'rotor', 'ball'],
    said: [
      '{o} @gets cleaned',
      '{o} should be cleaned',
      '{o} @needs a good clean',
      '{o} @is washed',
      '{o} @gets a wash',
    ],
  },
  {
    does: 'grease',
    to: ['seal', 'rotor', 'bearing'],
    said: [
      '{o} @gets greased',
      '{o} @gets some {c}',
      '{o} @is coated with {c}',
      '{o} @needs a little {c}',
      'a bit of {c} on {o}',
      '{c} on {o}',
    ],
  },
  {
    does: 'loosen',
    to: ['fastener'],
    said: ['{o} @gets loosened', '{o} can be slackened', '{o} @has to be loosened'],
  },
];

/** What is then done to the part that came off. */
export const AGAIN: readonly { readonly does: Doing; readonly said: string }[] = [
  { does: 'clean', said: 'clean {it}' },
  { does: 'clean', said: 'wash {it}' },
  { does: 'clean', said: 'wipe {it} down' },
  { does: 'inspect', said: 'inspect {it} for {s}' },
  { does: 'inspect', said: 'check {it} for {s}' },
  { does: 'inspect', said: 'look {it} over for {s}' },
  { does: 'aside', said: 'set {it} aside' },
  { does: 'aside', said: 'put {it} to one side' },
  { does: 'mark', said: 'mark {it}' },
  { does: 'discard', said: 'discard {it}' },
  { does: 'discard', said: 'throw {it} away' },
  { does: 'photo', said: 'take a photo of {it}' },
];

/** Several verbs for one part; the first says where it is to be done to. */
export const TOGETHER: readonly {
  readonly does: readonly Doing[];
  readonly to: readonly Sort[];
  readonly said: readonly string[];
}[] = [
  {
    does: ['out', 'inspect'],
    to: ['seal', 'bearing', 'cover', 'rotor', 'spring'],
    said: ['remove and inspect {o} for {s}', 'take off and inspect {o} for {s}', 'pull and check {o} for {s}'],
  },
  {
    does: ['clean', 'inspect'],
    to: ['cover', 'rotor', 'ball'],
    said: ['clean and inspect {o} for {s}', 'wash and inspect {o} for {s}', 'clean and check {o} for {s}'],
  },
  {
    does: ['out', 'discard'],
    to: ['seal'],
    said: ['remove and discard {o}', 'pull and throw away {o}', 'remove and scrap {o}'],
  },
  { does: ['out', 'clean'], to: ['cover', 'rotor', 'ball'], said: ['remove and clean {o}', 'take out and clean {o}'] },
  {
    does: ['clean', 'grease'],
    to: ['rotor'],
    said: ['clean and grease {o}', 'clean and oil {o}', 'wipe off and grease {o}'],
  },
  { does: ['loosen', 'out'], to: ['fastener'], said: ['loosen and remove {o}', 'slacken and remove {o}'] },
  { does: ['out', 'clean', 'inspect'], to: ['rotor', 'cover'], said: ['remove, clean and inspect {o} for {s}'] },
];
