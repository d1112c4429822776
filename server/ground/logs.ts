import pino from 'pino';
import { createStream, type RotatingFileStream } from 'rotating-file-stream';

/** One request as it is noted: by the pattern of its route and the id of the person; no names and nothing sent. */
export interface RequestLine {
  readonly method: string;
  readonly route: string;
  readonly status: number;
  readonly ms: number;
  readonly person: string | null;
}

export interface RequestLog {
  write(line: RequestLine): void;
  close(): Promise<void>;
}

const FILE_SIZE = '10M';
const FILES_KEPT = 8;

/** After a line could not be written, the file is opened again this much later. */
const REOPEN_MS = 5000;

/** Requests as lines of JSON in a file that is turned over. A full disk loses lines and nothing else. */
export function openRequestLog(path: string, reopenMs = REOPEN_MS): RequestLog {
  let stream: RotatingFileStream | undefined;
  let openAgainAt = 0;
  const open = () => {
    const opened = createStream(path, { size: FILE_SIZE, maxFiles: FILES_KEPT, mode: 0o600 });
    const giveUp = () => {
      if (stream === opened) stream = undefined;
      openAgainAt = performance.now() + reopenMs;
    };
    opened.on('error', giveUp);
    opened.on('warning', () => undefined);
    return opened;
  };
  const destination = {
    write: (line: string) => {
      if (!stream && performance.now() >= openAgainAt) stream = open();
      stream?.write(line);
    },
  };
  const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, destination);
  return {
    write: (line) => log.info(line),
    close: () =>
      new Promise((resolve) => {
        setTimeout(resolve, 1000).unref();
        if (stream) stream.end(() => resolve());
        else resolve();
      }),
  };
}

/** What nobody foresaw, for whoever reads the console: where it broke and as what, without the values it broke on. */
export function errorLog(): (error: unknown) => void {
  const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, pino.destination({ fd: 2, sync: true }));
  return (error) => log.error(whatBroke(error));
}

function whatBroke(error: unknown): object {
  if (!(error instanceof Error)) return { what: typeof error };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  // A failed query carries what was asked for in its message; its cause says why it failed.
  const { message, code } = (error.cause instanceof Error ? error.cause : error) as Error & { code?: unknown };
  return { what: error.name, code, why: message.slice(0, 200), at: frames.slice(0, 8).map((line) => line.trim()) };
}
