/* English forms that are needed to tell an order in another way. */

/** "Goes" of one is "go" of several. */
export const SEVERAL: Readonly<Record<string, string>> = {
  comes: 'come',
  is: 'are',
  has: 'have',
  pulls: 'pull',
  needs: 'need',
  gets: 'get',
  goes: 'go',
};

/** "Take the cover off" is "taking the cover off". */
export function inDoing(order: string): string {
  const [verb = '', ...rest] = order.split(' ');
  if (/^(?:always|lightly)$/.test(verb)) return `${verb} ${inDoing(rest.join(' '))}`;
  // "Remove, clean and inspect": each of the verbs.
  const said = [doingOf(verb.replace(',', '')) + (verb.endsWith(',') ? ',' : ''), ...rest].join(' ');
  return said.replace(
    /(?<=^\w+ing,? (?:\w+ing )?(?:off |out )?)(and )?(inspect|clean|discard|grease|check|scrap|remove|throw|oil)(?= )/g,
    (_, and = '', next: string) => `${and}${doingOf(next)}`,
  );
}

function doingOf(verb: string): string {
  const [first = '', ...more] = verb.split('-');
  if (more.length > 0) return `${first}-${doingOf(more.join('-'))}`;
  if (DOUBLED.test(verb)) return `${verb}${verb.at(-1)}ing`;
  return /[^aeo]e$/.test(verb) ? `${verb.slice(0, -1)}ing` : `${verb}ing`;
}

const DOUBLED = /^(?:put|get|tap|set|run|spin|fit|drop|slip|dig|swap|pop|zip|bin|snap|dab|scrap|cut|refit|unplug)$/;

/** "Take the cover off" is "took the cover off". */
export function inPast(order: string): string {
  const [verb = '', ...rest] = order.split(' ');
  if (/^(?:always|lightly)$/.test(verb)) return `${verb} ${inPast(rest.join(' '))}`;
  const said = [pastOf(verb.replace(',', '')) + (verb.endsWith(',') ? ',' : ''), ...rest].join(' ');
  return said.replace(
    /(?<=^[\w-]+,? (?:\w+ed )?(?:off |out )?)(and )?(inspect|clean|discard|grease|check|scrap|remove|throw|oil)(?= )/g,
    (_, and = '', next: string) => `${and}${pastOf(next)}`,
  );
}

const PAST: Readonly<Record<string, string>> = {
  take: 'took',
  get: 'got',
  put: 'put',
  set: 'set',
  draw: 'drew',
  drive: 'drove',
  slide: 'slid',
  hold: 'held',
  lay: 'laid',
  give: 'gave',
  dig: 'dug',
  spin: 'spun',
  wind: 'wound',
  run: 'ran',
  undo: 'undid',
  break: 'broke',
  throw: 'threw',
  withdraw: 'withdrew',
  bring: 'brought',
  do: 'did',
  have: 'had',
  go: 'went',
  blow: 'blew',
  free: 'freed',
};

function pastOf(verb: string): string {
  const [first = '', ...more] = verb.split('-');
  if (more.length > 0) return `${first}-${pastOf(more.join('-'))}`;
  const known = PAST[verb];
  if (known !== undefined) return known;
  if (DOUBLED.test(verb)) return `${verb}${verb.at(-1)}ed`;
  if (/e$/.test(verb)) return `${verb}d`;
  return /[^aeiou]y$/.test(verb) ? `${verb.slice(0, -1)}ied` : `${verb}ed`;
}
