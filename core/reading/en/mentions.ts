import { toolLabel } from '../../model/lookup';
import { pluralName } from '../../model/names';
import type { Series, Tool } from '../../model/series';

/** The things of a list that a text names, each with or without its plural; a longer name hides a shorter one in it. */
export function mentioned<T extends { readonly name: string }>(text: string, things: readonly T[]): T[] {
  let rest = text.toLowerCase();
  const found: T[] = [];
  for (const { thing, pattern } of patternsFor(things)) {
    if (!pattern.test(rest)) continue;
    found.push(thing as T);
    rest = rest.replace(new RegExp(pattern.source, 'g'), (hit) => ' '.repeat(hit.length));
  }
  return found;
}

interface Pattern {
  readonly thing: { readonly name: string };
  readonly pattern: RegExp;
}

const known = new WeakMap<readonly { readonly name: string }[], readonly Pattern[]>();

function patternsFor(things: readonly { readonly name: string }[]): readonly Pattern[] {
  const there = known.get(things);
  if (there) return there;
  const made = [...things]
    .sort((a, b) => b.name.length - a.name.length)
    .map((thing) => {
      const name = thing.name.toLowerCase();
      const forms = [...new Set([name, pluralName(name)])].map((form) => form.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
      return { thing, pattern: new RegExp(`(?<![\\p{L}\\d-])(?:${forms.join('|')})(?![\\p{L}\\d])`, 'u') };
    });
  known.set(things, made);
  return made;
}

/** Tools that every workshop has a word for. Common practice. */
const GENERAL_TOOLS =
  /(?<![\p{L}-])(impact (?:wrench|driver|gun)|air (?:ratchet|wrench|hammer)|rattle gun|cordless (?:driver|drill)|torque (?:wrench|screwdriver)|strap wrench|pipe wrench|snap[- ]ring pliers|circlip pliers|hex key|allen key|spanner|wrench|ratchet|screwdriver|mallet|hammer|puller|pliers|callipers?|calipers?|micrometer|feeler gauge|dial gauge|vice|vise|soft jaws|punch|drift|scraper|pry bar|crowbar|hoist|sling|heat gun|hacksaw)s?(?![\p{L}])/giu;
/** "No screwdriver in the groove" names none to use. */
const FORBIDDEN = /\b(no|not|never|without|don't|avoid|instead of)\b[^.;]{0,24}$/i;

/** Tools that a text tells to use and that are not among `listed`. */
export function toolsOnlyInText(text: string, listed: readonly Tool[], series: Series): string[] {
  const names = listed.map((tool) => toolLabel(tool).toLowerCase());
  const used = mentioned(text, series.tools).filter(
    (tool) =>
      !listed.some((other) => other.name.toLowerCase() === tool.name.toLowerCase()) && !isForbidden(text, tool.name),
  );
  const general = [...text.matchAll(GENERAL_TOOLS)]
    .filter((match) => !FORBIDDEN.test(text.slice(0, match.index)))
    .map((match) => match[0].toLowerCase())
    .filter(
      (word) => ![...names, ...used.map(({ name }) => name.toLowerCase())].some((name) => name.includes(stem(word))),
    );
  return [...new Set([...used.map(({ name }) => name), ...general])];
}

function isForbidden(text: string, name: string): boolean {
  const at = text.toLowerCase().indexOf(name.toLowerCase());
  return at >= 0 && FORBIDDEN.test(text.slice(0, at));
}

function stem(word: string): string {
  return word.replace(/s$/, '');
}
