import { verbFirstWords } from './operations';

export type VerbForm = 'ing' | 'past' | 's';

/** Forms that follow no rule. */
const IRREGULAR: Readonly<Record<string, readonly string[]>> = {
  take: ['took', 'taken'],
  draw: ['drew', 'drawn'],
  drive: ['drove', 'driven'],
  hold: ['held'],
  hang: ['hung'],
  lay: ['laid'],
  put: ['put'],
  set: ['set'],
  reset: ['reset'],
  cut: ['cut'],
  shut: ['shut'],
  let: ['let'],
  split: ['split'],
  undo: ['undid', 'undone'],
  do: ['did', 'done'],
  beat: ['beat', 'beaten'],
  bend: ['bent'],
  grind: ['ground'],
  slide: ['slid'],
  spin: ['spun'],
  swing: ['swung'],
  stick: ['stuck'],
  break: ['broke', 'broken'],
  wind: ['wound'],
  dig: ['dug'],
  shake: ['shook', 'shaken'],
  throw: ['threw', 'thrown'],
  get: ['got'],
  give: ['gave', 'given'],
  sling: ['slung'],
  withdraw: ['withdrew', 'withdrawn'],
  blow: ['blew', 'blown'],
  feed: ['fed'],
  run: ['ran', 'run'],
  wet: ['wet', 'wetted'],
  bring: ['brought'],
  write: ['wrote', 'written'],
  catch: ['caught'],
  send: ['sent'],
  tell: ['told'],
  keep: ['kept'],
};

const forms: Readonly<Record<VerbForm, Map<string, string>>> = { ing: new Map(), past: new Map(), s: new Map() };
for (const verb of verbFirstWords()) {
  const [plain, doubled] = stemsOf(verb);
  for (const stem of doubled ? [plain, doubled] : [plain]) {
    forms.ing.set(`${stem}ing`, verb);
    if (!IRREGULAR[verb]) forms.past.set(`${stem.replace(/y$/, endsInVowelAndY(verb) ? 'y' : 'i')}ed`, verb);
  }
  for (const past of IRREGULAR[verb] ?? []) forms.past.set(past, verb);
  forms.s.set(thirdPerson(verb), verb);
}

/** The verb a word is a form of: "loosening" is "loosen", "taken" is "take"; undefined where no verb has this form. */
export function baseOf(low: string, form: VerbForm): string | undefined {
  return forms[form].get(low);
}

/** What "-ing" and "-ed" are put to, with the last letter doubled where that may be. */
function stemsOf(verb: string): [plain: string, doubled?: string] {
  if (/[^e]e$/.test(verb)) return [verb.slice(0, -1)];
  return /[^aeiou][aeiou][^aeiouwxy]$/.test(verb) ? [verb, verb + verb.at(-1)] : [verb];
}

function endsInVowelAndY(verb: string): boolean {
  return /[aeiou]y$/.test(verb);
}

function thirdPerson(verb: string): string {
  if (/[^aeiou]y$/.test(verb)) return `${verb.slice(0, -1)}ies`;
  return /(?:s|x|z|ch|sh|o)$/.test(verb) ? `${verb}es` : `${verb}s`;
}
