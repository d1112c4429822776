import { hc } from 'hono/client';
import type { Api } from '../../server/api';
import type { FaultBody } from '../../server/ground/fault';

export const api = hc<Api>(`${location.origin}/api`);

/** A refusal from the server, or no server at all (`code` is then "unreachable"). */
export class ApiFault extends Error {
  constructor(
    readonly fault: FaultBody['fault'],
    readonly status: number,
  ) {
    super(fault.what);
  }
}

interface JsonResponse<T> {
  readonly ok: boolean;
  readonly status: number;
  json(): Promise<T>;
}

/** The body of a successful answer; throws ApiFault for everything else. */
export async function answer<T>(request: Promise<JsonResponse<T>>): Promise<T> {
  let response: JsonResponse<T>;
  try {
    response = await request;
  } catch {
    throw new ApiFault(
      {
        code: 'unreachable',
        what: 'The server cannot be reached.',
        todo: 'Check the network; what you entered is kept here.',
      },
      0,
    );
  }
  if (response.ok) return response.json();
  const body = (await response.json().catch(() => null)) as FaultBody | null;
  throw new ApiFault(
    body?.fault ?? { code: 'broken', what: `The server answered ${response.status}.`, todo: 'Try again.' },
    response.status,
  );
}

/** No answer, or one from a gateway that has no server behind it: worth trying again by itself. */
export function isUnreachable(error: unknown): boolean {
  return error instanceof ApiFault && (error.status === 0 || GATEWAY.includes(error.status));
}

/** Bad gateway, service unavailable, gateway timeout. */
const GATEWAY: readonly number[] = [502, 503, 504];

/** The server answers and something in it is broken: trying again seldom helps. */
export function isServerFault(error: unknown): boolean {
  return error instanceof ApiFault && error.status >= 500 && !GATEWAY.includes(error.status);
}

/** A socket to a path of this server. */
export function openSocket(path: string): WebSocket {
  const address = new URL(path, location.origin);
  address.protocol = address.protocol === 'https:' ? 'wss:' : 'ws:';
  return new WebSocket(address);
}

/** Sends a picture as it is; the server reads its type from its content. */
export async function sendPhoto(picture: Blob): Promise<{ hash: string }> {
  return answer(
    fetch('/api/photos', { method: 'POST', body: picture, headers: { 'Content-Type': 'application/octet-stream' } }),
  );
}

/** Sends a short video as it is. */
export async function sendVideo(video: Blob): Promise<{ hash: string }> {
  return answer(
    fetch('/api/videos', { method: 'POST', body: video, headers: { 'Content-Type': 'application/octet-stream' } }),
  );
}

/** Sends a zipped package as it is, pictures and all. */
export async function sendPackageZip(zip: Blob, when: 'new' | 'copy' | 'replace'): Promise<{ id: string }> {
  return answer(
    fetch(`/api/packages/zip?when=${when}`, {
      method: 'POST',
      body: zip,
      headers: { 'Content-Type': 'application/zip' },
    }),
  );
}

export function videoUrl(hash: string): string {
  return `/api/videos/${hash}`;
}

export function photoUrl(hash: string, size: 'full' | 'thumb' = 'full'): string {
  return `/api/photos/${hash}${size === 'thumb' ? '?size=thumb' : ''}`;
}

/** The doors of the accounts library; their answers carry nothing but the cookie. */
export async function callAuth(door: 'sign-in/username' | 'sign-out' | 'change-password', body: object): Promise<void> {
  await answer<unknown>(
    fetch(`/api/auth/${door}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }),
  );
}
