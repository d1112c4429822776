import type { Doing } from './acts';

/* What is told along with an order: how, why, careful of what, which way it faces, and what opens the sentence. */

export const HOW: Readonly<Partial<Record<Doing, readonly string[]>>> = {
  out: [
    'by hand',
    'evenly',
    'slowly',
    'carefully',
    'straight',
    'gently',
    'without tilting it',
    'a little at a time',
    'one at a time',
    'a bit at a time',
    'until it comes free',
  ],
  in: [
    'by hand',
    'evenly',
    'slowly',
    'carefully',
    'square',
    'gently',
    'until it stops',
    'all the way',
    'without tilting it',
    'as far as it will go',
    'until it clicks',
    'dry',
  ],
  press: [
    'evenly',
    'slowly',
    'square',
    'until it seats',
    'flush',
    'until it bottoms out',
    'gently',
    'until it is flush',
  ],
  loosen: [
    'evenly',
    'crosswise',
    'a half turn at a time',
    'half a turn',
    'in a cross pattern',
    'one turn each',
    'a little at a time',
    'two turns',
  ],
  torque: ['crosswise', 'in a cross pattern', 'evenly', 'in two passes', 'in three steps', 'in a star pattern'],
  clean: ['thoroughly', 'carefully', 'inside and out'],
  inspect: ['carefully', 'closely', 'under a good light'],
  grease: ['lightly', 'sparingly'],
};

export const CAUTIONS: readonly string[] = [
  'be careful not to scratch the bore',
  'being careful not to damage the sealing face',
  'taking care not to lose the shims',
  "don't let it drop",
  'do not nick the edge',
  'watch your fingers',
  'careful not to bend it',
  'never use a screwdriver',
  'mind the sharp edges',
  'avoid touching the face',
];

export const REASONS: readonly string[] = [
  "so it doesn't fall",
  'so that it cannot turn',
  'because it is heavy',
  'so the oil can drain',
  'otherwise it will leak',
  'since it is under tension',
  'to make room for the puller',
  'to avoid a leak',
];

/** Remarks that are to stand with the step in some way, and make none of their own. */
export const REMARKS: readonly string[] = [
  ', it may be stuck',
  ', note which way it faces',
  ', keep them in order',
  ", you'll hear a click",
  ' (left-hand thread)',
  ", it's a left-hand thread",
  ', it should turn freely',
  ", they're all the same length",
  ', this is important',
  ', there should be no gap',
];

export const SIGNS: readonly string[] = [
  'wear',
  'cracks',
  'scoring',
  'nicks and cuts',
  'pitting or corrosion',
  'damage',
  'wear and scoring',
  'signs of heat',
  'cracks, wear or damage',
  'burrs',
  'flat spots',
  'rust',
  'scratches and grooves',
];

export const TORQUES: readonly string[] = [
  '24 N·m',
  '40 Nm',
  '18 foot pounds',
  '9 N·m',
  '65 newton metres',
  '35 ft-lb',
  '120 inch pounds',
  '12.5 Nm',
  '85 newton meters',
];

export const FACINGS: readonly string[] = [
  'with the lips facing {p}',
  'lips toward {p}',
  'with the lips up',
  'flat side down',
  'with the flat side toward {p}',
  'with the open side facing up',
  'lips in',
  'with the numbers facing out',
  'spring side up',
  'lip down',
  'with the lip facing down',
  'with the open end toward {p}',
  'marked side out',
];

/** What an order may open with that says nothing; "~" stands where the order follows in its "-ing" form. */
export const OPENINGS: readonly string[] = [
  'Now ',
  'Next, ',
  'Then ',
  'Okay, now ',
  'First, ',
  'Go ahead and ',
  'You want to ',
  'Now we can ',
  'After that, ',
  'From there you can ',
  "Then you're going to ",
  'Finally, ',
  'And then ',
  "Now I'll ",
  'At this stage ',
  'Here we ',
  'Just ',
  "You'll need to ",
  "What we'll do is ",
  'Alright, ',
  'So now ',
  'Start by ~',
  'Begin by ~',
  'Finish by ~',
  "I'm ~",
  "We're ~",
  'Now I am ~',
];

/** Openings that say how, when or with what: they stay with the order. */
export const OPENED_HOW: readonly string[] = [
  'Carefully ',
  'Slowly ',
  'By hand, ',
  'Once everything is loose, ',
  'Using both hands, ',
  'With the power off, ',
  'Working from below, ',
  'When it has cooled down, ',
  'With a helper, ',
];
