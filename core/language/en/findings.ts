import { FAMILIES, type Finding, type FixWords, type RuleId } from '../../findings/finding';
import type { Workbook } from '../../model/procedure';
import { sayQuantity } from '../../quantity/quantity';
import { capital, counted } from './counted';
import { sayFacing } from './directions';
import { type Sayer, SENTENCES } from './finding-sentences';
import { FINDING_TEXTS } from './finding-texts';
import { Naming } from './naming';

/** What a finding says: one plain sentence. */
export function sayFinding(finding: Finding, workbook: Workbook): string {
  return (SENTENCES[finding.id] as Sayer<RuleId>)(finding, new Naming(workbook), workbook.series);
}

/** Why it matters at the bench. */
export function sayReason({ id }: Finding): string {
  return FINDING_TEXTS[id].reason;
}

const FIXES: Readonly<Partial<Record<FixWords['does'], string>>> = {
  'move-behind': 'Move it behind',
  'loosen-first': 'Loosen them first',
  'drop-aid': 'Do not take it out',
  'add-step': 'Add the step',
  'take-out-at-end': 'Take out at the end',
  'add-torque': 'Add the torque step',
  'add-filling': 'Add a step that fills it',
  'add-restoring': 'Add a step that restores it',
  'fit-own-place': 'Fit it at its own place',
  'mark-first': 'Mark them first',
  'move-to-put-back': 'Move it to Put back',
  'take-tool-out': 'Take the tool out',
  'add-renewal': 'Add its renewal',
  'add-cleaning': 'Clean it first',
  'ease-first': 'Ease it out first',
  'add-isolating': 'Add the isolation',
  'isolate-first': 'Isolate first',
  'add-closing': 'Add a step that closes it',
  'add-draining': 'Add a step that drains it',
  'use-pattern-order': 'Use the order of the pattern',
  'use-usual-passes': 'Use the usual passes',
  'add-release': 'Add a step that releases it',
  'add-caution': 'Add the caution',
  'draw-instead': 'Draw it instead',
  'ask-photo': 'Add a photo check',
  'rebuild-sentence': 'Rebuild the sentence',
  'do-always': 'Do it always',
  'confirm-all': 'Confirm all',
  'swap-limits': 'Exchange the limits',
  'take-kit-out': 'Remove the kit',
  'say-dry': 'Mark as fitted dry',
};

/** What a fix does, in the imperative: "Add the step". */
export function sayFix(words: FixWords, { series }: Workbook): string {
  const consumable = (id: string) => series.consumables.find((one) => one.id === id)?.name ?? 'compound';
  switch (words.does) {
    case 'use-facing':
      return `Set: ${sayFacing(words.faces, series)}`;
    case 'use-tool':
      return `Use the ${series.tools.find(({ id }) => id === words.id)?.name ?? 'tool'} that fits`;
    case 'use-consumable':
      return `Use ${consumable(words.id)}`;
    case 'say-consumable':
      return `Set: with ${consumable(words.id)}`;
    case 'apply-consumable':
      return `Apply ${consumable(words.id)}`;
    case 'use-figure':
      return `Set ${sayQuantity(words.figure)}`;
    case 'list-count':
      return `Set ${words.count} in the parts list`;
    case 'lay-out-kits':
      return `Use ${words.count}`;
    case 'soak-longer':
      return `Let it soak ${counted(words.count, 'minute', 'minutes')} longer`;
    case 'say-term':
      return `Use "${words.term}"`;
    case 'add-tool':
      return `Add the ${words.name}`;
    default:
      return FIXES[words.does] ?? 'Apply the suggested fix';
  }
}

/** The catalogue of findings as Markdown, made from the rules themselves. */
export function findingsCatalogue(
  rules: readonly { readonly id: RuleId; readonly family: string; readonly severity: string }[],
): string {
  const families = FAMILIES.flatMap((family) => {
    const rows = rules
      .filter((rule) => rule.family === family)
      .map(
        ({ id, severity }) =>
          `| \`${id}\` | ${severity} | ${FINDING_TEXTS[id].looksFor} | ${FINDING_TEXTS[id].reason} |`,
      );
    if (rows.length === 0) return [];
    return [
      [
        `## ${capital(family)}`,
        '',
        '| Id | Severity | Looks for | Why it matters |',
        '| --- | --- | --- | --- |',
        ...rows,
        '',
      ].join('\n'),
    ];
  });
  return [
    '# Findings',
    '',
    'Made from the rules in `core/findings/rules` by `npm run generate`. A stop keeps a procedure from being released; a',
    'warning is dealt with or accepted with a reason; advice may be ignored.',
    '',
    ...families,
  ].join('\n');
}
