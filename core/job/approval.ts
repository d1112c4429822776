import { z } from 'zod';
import { Id } from '../model/ids';
import { Moment } from './entry';

/** What a second person signs at a hold point, with a key of their own. */
export const ApprovalText = z.strictObject({
  is: z.literal('approval'),
  jobId: Id,
  stepId: Id,
  by: z.string().min(1).max(64),
  at: Moment,
});
export type ApprovalText = z.infer<typeof ApprovalText>;

/** What was signed; undefined where it is no approval. */
export function readApproval(text: string): ApprovalText | undefined {
  try {
    return ApprovalText.safeParse(JSON.parse(text)).data;
  } catch {
    return undefined;
  }
}
