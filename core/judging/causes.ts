import type { ComponentKind } from '../model/kinds';

/** What the findings of a job may point to together. */
export const CAUSES = [
  'cavitation',
  'dirt',
  'dry-run',
  'over-pressure',
  'wrong-material',
  'misaligned',
  'retightened-packing',
  'water-in-oil',
  'hammering',
  'over-tightened',
] as const;
export type Cause = (typeof CAUSES)[number];

/** One thing that was found or said in a job. */
export interface Evidence {
  readonly stepId: string;
  /** In the words of who found it. */
  readonly text: string;
  readonly kind?: ComponentKind | undefined;
  readonly part?: string | undefined;
  readonly place?: string | undefined;
}

export interface PointedTo {
  readonly cause: Cause;
  readonly evidence: readonly Evidence[];
}

interface Sign {
  readonly words: RegExp;
  /** Counts on these kinds of part only; on any, and without one, when absent. */
  readonly on?: readonly ComponentKind[];
}

/** What is seen on liquid ends, shafts and bearings, and what it comes from. Common practice throughout. */
const SIGNS: Readonly<Record<Cause, readonly Sign[]>> = {
  cavitation: [
    { words: /\bpit(s|ted|ting)?\b|sponge|eaten|eroded/i, on: ['valve-seat', 'valve-ball', 'impeller', 'housing'] },
    { words: /nois[ey]|rattl|gravel|crackl/i },
    { words: /starv|suction (line|hose|filter|strainer) .*(block|clog|kink|small)|air (in|leak)/i },
  ],
  dirt: [
    {
      words: /scor(e|ed|es|ing)\b|scratch|groov(e|ed|es|ing)\b/i,
      on: ['plunger', 'shaft', 'seal-face', 'rotor'],
    },
    { words: /\b(dirt|grit|sand|swarf|particles?|embedded)\b/i },
    { words: /filter .*(torn|missing|full|block|clog)|strainer .*(torn|missing)/i },
    { words: /rough when turned/i, on: ['bearing'] },
  ],
  'dry-run': [
    {
      words: /\b(blue|brown|burnt|burned|black)\b|colou?r|heat/i,
      on: ['shaft', 'seal-face', 'plunger', 'bearing'],
    },
    { words: /heat check|craz(e|ed|ing)|thermal|fine cracks/i },
    {
      words: /scor(e|ed|ing)\b.*stroke|hard and cracked|charred|melted/i,
      on: ['lip-seal', 'packing', 'plunger'],
    },
    { words: /\b(dry|ran dry|no (oil|flush|water))\b/i },
  ],
  'over-pressure': [
    { words: /extru(ded|sion)|blown|nibbled/i, on: ['o-ring', 'lip-seal', 'packing', 'gasket'] },
    { words: /\b(broken|bent|cracked)\b/i, on: ['spring', 'retainer', 'housing', 'dome-nut', 'valve-seat'] },
    { words: /relief valve|unloader .*(stuck|set)|spikes?|too much pressure/i },
  ],
  'wrong-material': [
    {
      words: /swollen|soft|sticky|gummy|dissolved/i,
      on: ['o-ring', 'lip-seal', 'gasket', 'diaphragm', 'packing'],
    },
    { words: /hard and cracked|brittle|chalky/i, on: ['o-ring', 'lip-seal', 'gasket', 'diaphragm'] },
  ],
  misaligned: [
    { words: /one side|uneven|ova(l|lity)|out[- ]of[- ]round|runs? out|wobbl/i },
    { words: /coupling .*(worn|cracked|dust)|rubber dust/i },
    { words: /\b(play|loose)\b/i, on: ['bearing', 'shaft'] },
  ],
  'retightened-packing': [
    { words: /\bstep\b/i, on: ['plunger', 'shaft', 'spacer'] },
    { words: /gland .*(bottomed|no travel|at its end)|packing .*(hard|compressed)/i },
  ],
  'water-in-oil': [
    { words: /milky|emulsi|cloudy|water in (the )?oil/i },
    { words: /\brust(y|ed)?\b|leak trail|corro/i, on: ['bearing', 'shaft', 'housing', 'lip-seal'] },
    { words: /rough when turned/i, on: ['bearing'] },
  ],
  hammering: [
    { words: /peened|hammered|flattened|mushroom|beaten/i },
    { words: /\bbroken\b/i, on: ['spring', 'valve-ball', 'retainer'] },
    { words: /knock(s|ing)?\b|pulsat|hammer/i },
  ],
  'over-tightened': [
    { words: /thread .*(pulled|stripped|seized)|stripped|stretched|necked|galled/i },
    { words: /crushed|squeezed out/i, on: ['gasket', 'o-ring'] },
  ],
};

/**
 * What the findings of one job point to together: a cause counts when two findings do, at two places or of two signs, so
 * that no single mark makes a diagnosis. The best supported first; more kinds of sign count more than more places.
 */
export function causesOf(evidence: readonly Evidence[]): PointedTo[] {
  return CAUSES.flatMap((cause) => {
    const signs = SIGNS[cause].map((sign) => evidence.filter((one) => shows(sign, one)));
    const all = evidence.filter((one) => signs.some((shown) => shown.includes(one)));
    const places = new Set(
      all.map(({ part, place, stepId, text }) => (part ? `${part} ${place}` : `${stepId} ${text}`)),
    );
    const kinds = signs.filter((shown) => shown.length > 0).length;
    if (all.length < 2 || places.size < 2) return [];
    return [{ cause, evidence: all, weight: kinds * 10 + places.size }];
  })
    .toSorted((a, b) => b.weight - a.weight)
    .map(({ weight: _weight, ...pointed }) => pointed);
}

function shows({ words, on }: Sign, { text, kind }: Evidence): boolean {
  return words.test(text) && !isDenied(text) && (on === undefined || (kind !== undefined && on.includes(kind)));
}

/** "No pitting" is no pitting. */
function isDenied(text: string): boolean {
  return /^\s*(no|not|without|none)\b/i.test(text);
}
