import type { Look } from '../model/looks';
import type { Method, Step } from '../model/procedure';
import type { Edit } from './edit';

export type WrittenWhere =
  | 'text'
  | 'about'
  | 'detail'
  | 'caution'
  | 'photo'
  | 'question'
  | 'look'
  | 'measurement'
  | 'method';

/** Words that a person wrote in a step, and the edit that says them otherwise. */
export interface Written {
  readonly where: WrittenWhere;
  readonly text: string;
  rewritten(text: string): Edit;
}

const known = new WeakMap<Step, readonly Written[]>();

/** What a person wrote in a step that is read as an instruction; why it is done is a reason and told at more length. */
export function writtenIn(step: Step): readonly Written[] {
  const there = known.get(step) ?? readWritten(step);
  known.set(step, there);
  return there;
}

function readWritten(step: Step): Written[] {
  const written: Written[] = [];
  const add = (where: WrittenWhere, text: string | undefined, fields: (text: string) => Partial<Step>) => {
    if (text)
      written.push({ where, text, rewritten: (other) => ({ kind: 'change', stepId: step.id, fields: fields(other) }) });
  };
  add('text', step.text, (text) => ({ text }));
  add('about', step.about, (about) => ({ about }));
  add('detail', step.detail, (detail) => ({ detail }));
  step.cautions.forEach((caution, i) => {
    add('caution', caution.text, (text) => ({ cautions: step.cautions.with(i, { ...caution, text }) }));
  });
  const { photo, decision, looks = [], measurements = [], methods = [] } = step;
  if (photo) add('photo', photo.mustShow, (mustShow) => ({ photo: { ...photo, mustShow } }));
  if (decision) add('question', decision.question, (question) => ({ decision: { ...decision, question } }));
  looks.forEach((look, i) => {
    const changed = (fields: Partial<Look>) => ({ looks: looks.with(i, { ...look, ...fields }) });
    add('look', look.at, (at) => changed({ at }));
    add('look', look.sound, (sound) => changed({ sound }));
    add('look', look.by, (by) => changed({ by }));
    look.faults.forEach((fault, j) => {
      add('look', fault.sign, (sign) => changed({ faults: look.faults.with(j, { ...fault, sign }) }));
    });
  });
  measurements.forEach((measurement, i) => {
    add('measurement', measurement.what, (what) => ({ measurements: measurements.with(i, { ...measurement, what }) }));
  });
  methods.forEach((method, i) => {
    const changed = (fields: Partial<Method>) => ({ methods: methods.with(i, { ...method, ...fields }) });
    add('method', method.detail, (detail) => changed({ detail }));
    method.cautions.forEach((caution, j) => {
      add('method', caution.text, (text) => changed({ cautions: method.cautions.with(j, { ...caution, text }) }));
    });
  });
  return written;
}
