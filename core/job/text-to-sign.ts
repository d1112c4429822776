import { DOCUMENT_FORMAT } from '../model/migrations/migrate';
import type { ApprovalText } from './approval';
import type { EntryContent } from './entry';
import type { SignedText } from './signed-entry';

export interface MadeEntry {
  readonly id: string;
  readonly jobId: string;
  readonly at: string;
  readonly by: string;
  readonly content: EntryContent;
  readonly before?: string | undefined;
}

/** The text to sign for an entry made now. */
export function textToSign({ id, jobId, at, by, content, before }: MadeEntry): string {
  return JSON.stringify({
    ...{ id, jobId, at, by, format: DOCUMENT_FORMAT, content },
    ...(before !== undefined && { before }),
  } satisfies SignedText);
}

/** The text that a second person signs at a hold point. */
export function approvalText(approval: Omit<ApprovalText, 'is'>): string {
  return JSON.stringify({ is: 'approval', ...approval } satisfies ApprovalText);
}
