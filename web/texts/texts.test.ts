import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { COMPONENT_KINDS } from '#core/model/kinds';
import { PUMP_TYPES, RENEWALS } from '#core/model/series';
import { STAGES } from '#core/model/verbs';
import { ROLES } from '../../server/ground/roles';
import { en } from './en';

/** Every text with its dotted key. */
function flat(texts: object, path = ''): [string, string][] {
  return Object.entries(texts).flatMap(([key, value]) =>
    typeof value === 'string' ? [[`${path}${key}`, value] as [string, string]] : flat(value, `${path}${key}.`),
  );
}

/** Everything the screens are written in, without the texts themselves. */
function sources(folder: string): string {
  return readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.name !== 'texts')
    .map((entry) =>
      entry.isDirectory()
        ? sources(join(folder, entry.name))
        : /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name)
          ? readFileSync(join(folder, entry.name), 'utf8')
          : '',
    )
    .join('\n');
}

test('every stage, kind, pump type, renewal and role has its text', () => {
  expect(Object.keys(en.stage)).toEqual([...STAGES]);
  expect(Object.keys(en.kind)).toEqual([...COMPONENT_KINDS]);
  expect(Object.keys(en.pumpType)).toEqual([...PUMP_TYPES]);
  expect(Object.keys(en.renewal)).toEqual([...RENEWALS]);
  expect(Object.keys(en.role)).toEqual([...ROLES]);
});

test('no text is left that no screen asks for', () => {
  const code = sources('web');
  const asked = (key: string) => {
    const plain = key.replace(/_(zero|one|other)$/, '');
    const parts = plain.split('.');
    // Keys put together in the code are asked for by their opening: t(`stage.${step.stage}`).
    return (
      code.includes(`'${plain}'`) ||
      parts.some((_, i) => i > 0 && code.includes(`\`${parts.slice(0, i).join('.')}.\${`))
    );
  };
  expect(
    flat(en)
      .map(([key]) => key)
      .filter((key) => !asked(key)),
  ).toEqual([]);
});

test('counted texts come in both numbers', () => {
  const keys = new Set(flat(en).map(([key]) => key));
  expect([...keys].filter((key) => key.endsWith('_one') && !keys.has(key.replace(/_one$/, '_other')))).toEqual([]);
});
