import { RULES } from './check';
import { FAMILIES } from './finding';

/** The catalogue of findings as Markdown, made from the rules themselves. */
export function findingsCatalogue(): string {
  const families = FAMILIES.map((family) => {
    const rows = RULES.filter((rule) => rule.family === family).map(
      ({ id, severity, looksFor, reason }) => `| \`${id}\` | ${severity} | ${looksFor} | ${reason} |`,
    );
    return [
      `## ${family.charAt(0).toUpperCase()}${family.slice(1)}`,
      '',
      '| Id | Severity | Looks for | Why it matters |',
      '| --- | --- | --- | --- |',
      ...rows,
      '',
    ].join('\n');
  });
  return [
    '# Findings',
    '',
    'Made from the rules in `core/findings/rules` by `npm run generate`. A stop keeps a procedure from being released.',
    '',
    ...families,
  ].join('\n');
}
