import type { Context } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import { sayFaults, type ToldFault } from '#core/language/en/problems';
import type { DocumentFault } from '#core/model/faults';

/** The one shape of every refusal: what is wrong, where, and what to do about it. */
export interface FaultBody {
  readonly fault: {
    /** Stable, for the interface to translate by. */
    readonly code: string;
    readonly what: string;
    readonly todo: string;
    readonly where?: readonly ToldFault[];
    /** What the interface needs to go on, such as the version it should have had. */
    readonly detail?: unknown;
  };
}

export class Fault extends Error {
  constructor(
    readonly status: ContentfulStatusCode,
    readonly code: string,
    readonly what: string,
    readonly todo: string,
    readonly more: { where?: readonly ToldFault[]; detail?: unknown } = {},
  ) {
    super(what);
  }

  get body(): FaultBody {
    return { fault: { code: this.code, what: this.what, todo: this.todo, ...this.more } };
  }
}

export function notFound(thing: string): Fault {
  return new Fault(404, 'not-found', `There is no such ${thing}.`, 'Go back to the shelf and choose again.');
}

/** What was sent is wrong at these places, in the words given or in those of the language. */
export function badInput(faults: readonly (DocumentFault | ToldFault)[]): Fault {
  const where = faults.flatMap((fault) => ('reason' in fault ? [fault] : sayFaults([fault])));
  return new Fault(
    400,
    'bad-input',
    where.length === 1
      ? `${where[0]?.path}: ${where[0]?.reason}`
      : `${where.length} things are wrong in what was sent.`,
    'Correct what is named and send it again.',
    { where },
  );
}

/** The disk, or what the server may use of it, is full. */
export function diskFull(): Fault {
  return new Fault(
    507,
    'disk-full',
    'The server disk is full; nothing more can be saved there.',
    'What you entered is saved on this device and sent automatically once whoever runs the server has made room.',
  );
}

/** What the system and the database call a full disk. */
const FULL = ['ENOSPC', 'EDQUOT', 'EFBIG', '53100'];
/** The database stopped in the middle; the next request opens it again. */
const STOPPED = ['ENGINE_STOPPED', '57P03'];

/** The codes of an error and of what caused it. */
function codesOf(error: unknown): string[] {
  const codes: string[] = [];
  for (let at = error; at instanceof Error && codes.length < 8; at = at.cause) {
    if ('code' in at) codes.push(String(at.code));
  }
  return codes;
}

function foreseen(error: unknown): Fault | undefined {
  if (error instanceof Fault) return error;
  if (error instanceof HTTPException) {
    const large = error.status === 413;
    return new Fault(
      error.status,
      large ? 'too-large' : 'refused',
      large ? 'That is too large.' : error.message || 'The request was refused.',
      large ? 'Make it smaller and try again.' : 'Reload the page and try again.',
    );
  }
  const codes = codesOf(error);
  if (codes.some((code) => FULL.includes(code))) return diskFull();
  if (codes.some((code) => STOPPED.includes(code))) {
    return new Fault(503, 'busy', 'The database is being opened again.', 'Try again in a moment.');
  }
  return undefined;
}

/** Turns whatever was thrown into the one shape; what nobody foresaw is logged and kept from the client. */
export function answerFault(error: unknown, c: Context, log: (error: unknown) => void): Response {
  const fault = foreseen(error);
  if (fault) return c.json(fault.body, fault.status);
  log(error);
  const broken = new Fault(
    500,
    'broken',
    'The server has an error.',
    'Try again; if it stays, tell whoever runs the server.',
  );
  return c.json(broken.body, broken.status);
}
