import type { AppliedLine } from '#core/line/apply-line';
import { toolLabel } from '#core/model/lookup';
import { singularName } from '#core/model/names';
import type { Step, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { VERB_IDS, type Verb, verbOf } from '#core/model/verbs';
import { readQuantity, sayQuantity } from '#core/quantity/quantity';

/** What a line means, written by hand: "take-off: 8 cover nut; with socket, 17 mm". */
export type Meaning = { readonly is: 'ask' } | { readonly is: 'steps'; readonly steps: readonly Expected[] };

interface Expected {
  /** Absent where it is said of the step in hand. */
  readonly verb?: Verb;
  readonly object: string;
  readonly fields: readonly (readonly [key: string, value: string])[];
}

const KEYS = [
  'with',
  'at',
  'to',
  'into',
  'how',
  'face',
  'warn',
  'why',
  'look',
  'renew',
  'put',
  'min',
  'photo',
  'new',
  'pose',
  'WARNING',
  'DANGER',
  'NOTICE',
];

export function readMeaning(text: string): Meaning {
  if (/(?:^| && )ask\b/.test(text)) return { is: 'ask' };
  return { is: 'steps', steps: text.split(' && ').map(readExpected) };
}

function readExpected(text: string): Expected {
  const [head = '', ...rest] = text.split(/;\s*/);
  const fields = rest.map((item) => {
    const key = KEYS.find((one) => item === one || item.startsWith(`${one} `));
    if (!key) throw new Error(`"${item}" in "${text}" says nothing known`);
    return [key, item.slice(key.length).trim()] as const;
  });
  if (head.trim() === 'note') return { object: '', fields };
  const [verb = '', object = ''] = head.split(/:\s*/);
  if (!(VERB_IDS as readonly string[]).includes(verb)) throw new Error(`no verb "${verb}" in "${text}"`);
  return { verb: verb as Verb, object: object.trim(), fields };
}

/** Where the steps that a line made differ from what it means; nothing where it was understood. */
export function differences(meaning: Extract<Meaning, { is: 'steps' }>, applied: AppliedLine): string[] {
  const { workbook, stepIds } = applied;
  const made = stepIds.length > 0 ? stepIds : [applied.stepId];
  const wanted = meaning.steps;
  if (wanted.length !== made.length) return [`${made.length} steps, not ${wanted.length}`];
  const isNote = wanted[0]?.verb === undefined;
  if (isNote !== (stepIds.length === 0)) return [isNote ? 'a step of its own' : 'no step of its own'];
  return wanted.flatMap((expected, i) => {
    const step = workbook.procedure.steps.find(({ id }) => id === made[i]);
    return step ? stepDiffers(expected, step, workbook) : ['no step'];
  });
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[.,;:()]/g, ' ')
    .replace(/\b(?:the|a|an|and)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const bag = (text: string) => plain(text).split(' ').filter(Boolean).sort().join(' ');

function stepDiffers(expected: Expected, step: Step, { series }: Workbook): string[] {
  const wrong: string[] = [];
  const say = (what: string, is: string, should: string) => {
    if (is !== should) wrong.push(`${what} "${is}", not "${should}"`);
  };
  const values = (key: string) => expected.fields.flatMap(([name, value]) => (name === key ? [value] : []));
  if (expected.verb !== undefined) {
    say('verb', step.verb, expected.verb);
    if (verbOf(expected.verb).object === 'words' || (step.targets.length === 0 && step.about))
      say('about', bag(singularName(plain(step.about ?? ''))), bag(singularName(plain(expected.object))));
    else {
      const wanted = expected.object.split(/,\s*/).filter(Boolean);
      const is = step.targets.map((target, i) => sayTarget(target, wanted[i] ?? '', series));
      say('parts', is.join(', '), wanted.join(', '));
    }
  }
  const name = (id: string) => series.consumables.find((one) => one.id === id)?.name ?? id;
  say(
    'tools',
    step.toolIds
      .map((id) => sayTool(id, step, series))
      .sort()
      .join('; '),
    values('with').map(plainTool).sort().join('; '),
  );
  say(
    'places',
    placesOf(step, series),
    values('at')
      .flatMap((value) => expandPlaces(value, series))
      .sort()
      .join(', '),
  );
  say('torque', sayTorque(step), values('to').map(plainTorque).join(''));
  say('into', bag(step.into ?? ''), bag(values('into').join(' ')));
  say('how', bag(step.detail ?? ''), bag([...values('how'), ...values('new').map(() => 'new')].join(' ')));
  say('why', bag(step.why ?? ''), bag(values('why').join(' ')));
  say(
    'face',
    step.faces ? plain(`${step.faces.end} > ${sayToward(step, series)}`) : '',
    plain(values('face').map(plainFace).join('')),
  );
  const cautions = step.cautions.map(({ signal, text }) => `${signal} ${plain(text ?? '')}`).sort();
  const wanted = expected.fields
    .flatMap(([key, value]) =>
      key === 'warn' ? [`CAUTION ${plain(value)}`] : /^[A-Z]+$/.test(key) ? [`${key} ${plain(value)}`] : [],
    )
    .sort();
  say('cautions', cautions.join('; '), wanted.join('; '));
  say(
    'looks',
    (step.looks ?? []).flatMap(({ faults }) => faults.map(({ sign, follows }) => `${follows} ${sign}`)).join(', '),
    [
      ...values('look').flatMap((list) => list.split(/,\s*/).map((sign) => `refer ${sign}`)),
      ...values('renew').map((sign) => `renew ${sign}`),
    ].join(', '),
  );
  say(
    'put on',
    step.applications
      .map(({ consumableId, where, amount }) => bag([name(consumableId), where, amount].filter(Boolean).join(' ')))
      .join('; '),
    values('put').map(bag).join('; '),
  );
  say('minutes', String(step.minutes ?? step.proofs?.leak?.minutes ?? ''), values('min').join(''));
  say('photo', plain(step.photo?.mustShow ?? ''), plain(values('photo').join('')));
  return wrong;
}

function sayTarget({ componentId, count }: Step['targets'][number], wanted: string, series: Series): string {
  const part = series.components.find(({ id }) => id === componentId);
  if (!part) return componentId;
  const { name } = part;
  const [, number, of] = /^(?:(\d+)(?:\/(\d+))?\s)?/.exec(wanted) ?? [];
  const places = series.positionSets.find(({ id }) => id === part.positionSetId)?.positions.length ?? 1;
  const meant = count ?? part.count;
  if (of !== undefined) return `${meant}/${part.count} ${name}`;
  if (number !== undefined)
    return count === undefined && Number(number) === part.count * places ? `${number} ${name}` : `${meant} ${name}`;
  return count === undefined || count === part.count ? name : `${count} ${name}`;
}

const plainTool = (text: string) =>
  text
    .toLowerCase()
    .replace(/[\s,-]+/g, ' ')
    .replace(/(\d) (?=mm)/g, '$1')
    .trim();

function sayTool(id: string, step: Step, series: Series): string {
  const tool = series.tools.find((one) => one.id === id);
  const count = step.toolCounts?.[id];
  return plainTool(`${count ? `${count} ` : ''}${tool ? toolLabel(tool) : id}`);
}

function placesOf(step: Step, series: Series): string {
  const all = series.positionSets.flatMap(({ positions }) => positions);
  return step.positionIds
    .map((id) => all.find((one) => one.id === id)?.name ?? id)
    .sort()
    .join(', ');
}

function expandPlaces(value: string, series: Series): string[] {
  const each = /^each (.+)$/.exec(value);
  if (!each) return value.split(/,\s*/);
  return series.positionSets.find(({ name }) => name === each[1])?.positions.map(({ name }) => name) ?? [value];
}

function sayTorque({ torque }: Step): string {
  if (!torque) return '';
  const tolerance = torque.tolerancePercent === 4 ? '' : ` ±${Number(torque.tolerancePercent.toPrecision(2))}`;
  return `${sayQuantity(torque.figure)}${torque.also ? ` (${sayQuantity(torque.also)})` : ''}${tolerance}`;
}

function plainTorque(text: string): string {
  const [, figure = '', also, tolerance] = /^(.+?)(?:\s*\((.+)\))?(?:\s*±\s*([\d.]+)\s*%)?$/.exec(text) ?? [];
  const read = (said: string) => {
    const reading = readQuantity(said, 'torque');
    return reading.ok ? sayQuantity(reading.quantity) : said;
  };
  return `${read(figure)}${also ? ` (${read(also)})` : ''}${tolerance && Number(tolerance) !== 4 ? ` ±${Number(Number(tolerance).toPrecision(2))}` : ''}`;
}

function plainFace(text: string): string {
  return text.replace(/ > (?:the )?/, ' > ');
}

function sayToward({ faces }: Step, series: Series): string {
  if (!faces) return '';
  const { toward } = faces;
  const away = toward.away ? 'away from ' : '';
  if (toward.is === 'part') return away + (series.components.find(({ id }) => id === toward.componentId)?.name ?? '');
  if (toward.is === 'words') return away + toward.said.replace(/^the /, '');
  return away + (toward.said ?? WAYS[toward.is] ?? toward.is).replace(/^the /, '');
}

const WAYS: Readonly<Record<string, string>> = { mouth: 'out', bottom: 'in' };
