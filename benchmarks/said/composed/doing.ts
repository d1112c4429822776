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
export const inDoing = (order: string) => told(order, doingOf);
/** "Take the cover off" is "took the cover off". */
export const inPast = (order: string) => told(order, pastOf);

function told(order: string, form: (verb: string) => string): string {
  const [verb = '', ...rest] = order.split(' ');
  if (/^(?:always|lightly)$/.test(verb)) return `${verb} ${told(rest.join(' '), form)}`;
  // "Remove, clean and inspect": each of the verbs.
  const [, first = '', comma = ''] = /^(.*?)(,?)$/.exec(verb) ?? [];
  return [form(first) + comma, ...rest]
    .join(' ')
    .replace(
      /(?<=^[\w-]+,? (?:\w+(?:ing|ed) )?(?:off |out )?)(and )?(inspect|clean|discard|grease|check|scrap|remove|throw|oil)(?= )/g,
      (_, and = '', next: string) => `${and}${form(next)}`,
    );
}

function doingOf(verb: string): string {
  const [first = '', ...more] = verb.split('-');
  if (more.length > 0) return `${first}-${doingOf(more.join('-'))}`;
  if (DOUBLED.test(verb)) return `${verb}${verb.at(-1)}ing`;
  return /[^aeo]e$/.test(verb) ? `${verb.slice(0, -1)}ing` : `${verb}ing`;
}

const DOUBLED = /^(?:put|get|tap|set|run|spin|fit|drop|slip|dig|swap|pop|zip|bin|snap|dab|scrap|cut|refit|unplug)$/;

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
