/**
 * What a remark beside a step tells to do that fields say as well: which grease, whether the old part goes back, how
 * long it takes. Common practice throughout; a word that is forbidden ("never", "no") tells nothing to do.
 */

const FORBIDDEN = /\b(no|not|never|don'?t|avoid|instead of|rather than|without|keep)\b[^.;,]{0,32}$/i;

function isForbidden(text: string, at: number): boolean {
  return FORBIDDEN.test(text.slice(0, at));
}

/** Greases, oils and compounds by the names that workshops give them, the longer ones first. */
const SUBSTANCES =
  /\b(petroleum jelly|vaseline|(?:silicone|lithium|mineral|copper|moly|PTFE|food[- ]grade|bearing|multi-?purpose|graphite|assembly) (?:grease|paste|oil)|anti-?seize(?: paste)?|thread[- ]?lock(?:er|ing compound)?|(?:thread |pipe |liquid )?(?:sealant|gasket compound)|liquid gasket|PTFE tape|thread tape|pipe dope|soapy water|glycerine|(?:throat|gear|engine|hydraulic|soaking|light) oil|grease|oil|sealant|compound)\b/gi;
/** What makes of a substance one that is put on: "with grease", "coat it with oil", "apply sealant to". */
const PUT_ON =
  /\b(with|apply|use|using|of|in|film of|bead of|drop of|drops of)\s+(?:a\s+)?(?:some\s+|little\s+|thin\s+|light\s+|fresh\s+|clean\s+|new\s+|the\s+)*$/i;
const NOT_PUT_ON = /\b(clean\w*|wipe\w*|wash\w*|remove\w*|rid|fill\w*|full|drain\w*|free)\b[^.;]{0,30}$/i;
const IMPERATIVE = /(?:^|[.;,:]\s*|\b(?:then|and)\s+)(grease|oil|lubricate|seal)\s+(?:the|each|both|all|its)\b/gi;

/** Substances that a text tells to put on, as it names them. */
export function substancesIn(text: string): string[] {
  const named = [...text.matchAll(SUBSTANCES)].flatMap((hit) => {
    const before = text.slice(0, hit.index);
    const isNoun = /^\s*(seal|side|level|gun|nipple|cup|plug|ring|bath|hole|groove|scraper)\b/i.test(
      text.slice(hit.index + hit[0].length),
    );
    return PUT_ON.test(before) && !NOT_PUT_ON.test(before) && !isNoun && !isForbidden(text, hit.index)
      ? [hit[0].toLowerCase()]
      : [];
  });
  const told = [...text.matchAll(IMPERATIVE)].flatMap((hit) => {
    const word = (hit[1] ?? '').toLowerCase();
    return isForbidden(text, hit.index) || word === 'lubricate' || word === 'seal' ? [] : [word];
  });
  return [...new Set([...named, ...told])];
}

/** "Fit it dry", "without grease": the words, where they are said of the whole part. */
export function drySaid(text: string): string | undefined {
  return /\b(?:fit\w*|refit|install\w*|press|push|put|goes|go|assembled?|screw)\b[^.;,]{0,30}\bdry\b(?!\s+(?:it|the|with|off))|\b(?:without(?: any)?|no) (?:grease|oil|lubricant|sealant|compound|locker)\b(?!\s+(?:on|in|near|at|from|to))/i.exec(
    text,
  )?.[0];
}

/** "the old ring again", "reuse the pin": the words that put a part back that was there before. */
export function oldSaid(text: string): string | undefined {
  const pattern =
    /\b(?:(?:re)?(?:fit|use|install|mount)|put(?: back)?|press(?: in)?)\b[^.;,]{0,24}\b(?:old|same|existing|original|used|previous)\b[^.;,]{0,24}|\bre-?use\b[^.;,]{0,24}|\b(?:can|may) be (?:re-?used|used again)\b/gi;
  for (const hit of text.matchAll(pattern)) {
    // "to the same depth", "in its original place" say where, not which.
    if (
      /\b(?:same|original|existing|previous) (?:place|position|depth|way|side|order|angle|torque|figure|time|bore|end)\b/i.test(
        hit[0],
      )
    )
      continue;
    if (!isForbidden(text, hit.index)) return hit[0].trim();
  }
  return undefined;
}

/** Minutes that a text tells to soak, wait or leave something, each as it says them. */
export function waitsIn(text: string): { readonly minutes: number; readonly words: string }[] {
  const pattern =
    /\b(?:soak|wait|leave|let|stand|cure|set|dry)\w*\b[^.;]{0,40}?(\d+(?:[.,]\d+)?)\s*(min(?:ute)?s?|h(?:ou)?rs?|h)\b/gi;
  return [...text.matchAll(pattern)].map(([words, number = '', unit = '']) => ({
    minutes: Number(number.replace(',', '.')) * (/^h/i.test(unit) ? 60 : 1),
    words,
  }));
}

/** Whether a text says that something holds at the places it names and nowhere else. */
export function saysOnlyThere(text: string): boolean {
  return /\b(only|just|nowhere else)\b/i.test(text);
}

/** Which way a text says to turn; nothing where it says both, or forbids it. */
export function turningSaid(text: string): 'clockwise' | 'counter-clockwise' | undefined {
  const said = [...text.matchAll(/\b(?:(counter|anti)[- ]?)?clockwise\b/gi)].flatMap((hit) =>
    isForbidden(text, hit.index) ? [] : [hit[1] ? ('counter-clockwise' as const) : ('clockwise' as const)],
  );
  const [way] = said;
  return said.every((other) => other === way) ? way : undefined;
}

/** Numbers of steps that a text refers to: "see step 12", "steps 4 to 6". */
export function stepsNamed(text: string): number[] {
  return [...text.matchAll(/\bsteps?\s+(\d{1,4})(?:\s*(?:to|-|–|and)\s*(\d{1,4}))?\b/gi)].flatMap(([, first, last]) =>
    [first, last].flatMap((number) => (number ? [Number(number)] : [])),
  );
}

/** Words by which a torque is one of several rounds. */
export function isCalledPass(text: string): boolean {
  return /\b(?:first|second|third|final|last|next) (?:pass|round|stage|time)\b|\b(?:pass|stage|round) \d|\b(?:snug|half|pre-?torque)\b|\d+ ?%/i.test(
    text,
  );
}

/** A first pass, whose words tell of no other. */
export function isOnlyFirstPass(texts: readonly string[]): boolean {
  const isFirst =
    /\b(?:first|1st) (?:pass|round|stage)\b|\b(?:pass|stage|round) 1\b|\bpre-?torque\b|\bsnug\b|\b[1-7]\d ?% of\b/i;
  const tellsMore = /\b(?:then|second|final(?:ly)?|last|100 ?%|three|two)\b/i;
  return texts.some((text) => isFirst.test(text)) && !texts.some((text) => tellsMore.test(text));
}

/** Damage with which no part is used again. */
export function isBroken(sign: string): boolean {
  return (
    /\b(crack\w*|broken|fractur\w*|torn|split|burst|snapped|sheared|shattered)\b/i.test(sign) &&
    !/\b(no|without|free)\b/i.test(sign)
  );
}
