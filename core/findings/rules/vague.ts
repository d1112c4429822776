import { writtenIn } from '../../edits/written';
import { remembered } from '../remembered';
import { nameStep, type Rule, targetIds } from '../rule';

const VAGUE =
  /\b(to (?:the )?(?:manufacturer'?s? )?specifications?|as specified|to spec|(?:correct|proper|required|specified) torque|as (?:required|needed|necessary|appropriate)|(?:if|where|when) (?:necessary|required|appropriate)|properly|correctly|suitabl[ey]|adequate(?:ly)?|sufficient(?:ly)?|appropriate(?:ly)?|see (?:the )?(?:manual|handbook))\b/i;
/** Points at a picture, and is vague where there is none. */
const POINTS =
  /\b(as (?:shown|illustrated|pictured)|see (?:the )?(?:figure|fig|diagram|drawing|picture|photo|illustration))\b/i;

const vagueIn = remembered((step) => {
  const hasPicture = (step.pictures?.length ?? 0) + (step.clips?.length ?? 0) > 0;
  for (const { text } of writtenIn(step)) {
    const [hit] = VAGUE.exec(text) ?? (hasPicture ? null : POINTS.exec(text)) ?? [];
    // A figure in the step is what "to specification" then means.
    if (hit && !(step.torque && /spec|torque/i.test(hit))) return hit;
  }
  return undefined;
});

export const vague: Rule = {
  id: 'vague',
  family: 'words',
  severity: 'warn',
  looksFor: 'words with nothing behind them: "to specification", "as required", "as shown" without a picture',
  reason: 'Everybody reads something else into it.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const hit = vagueIn(step, context.workbook.series);
      if (!hit) return [];
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}, says "${hit.toLowerCase()}"${POINTS.test(hit) ? ' and has no picture' : ''}.`,
        },
      ];
    }),
};
