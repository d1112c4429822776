import type { IncomingMessage } from 'node:http';
import type { Context } from 'hono';
import proxyAddr from 'proxy-addr';
import { Fault } from './fault';

/** How people reach this server, as whoever runs it has set. */
export interface ReachSettings {
  /** The address people type, such as https://fukusa.example. */
  readonly publicUrl?: string | undefined;
  /** Whose word about the client is believed: addresses, networks, or loopback, linklocal, uniquelocal. */
  readonly trustProxy?: readonly string[] | undefined;
}

/** Where a request comes from and by which address the server was reached. */
export interface Reached {
  readonly address: string;
  /** Such as https://fukusa.example:8443. */
  readonly origin: string;
  readonly secure: boolean;
  /** A proxy that is trusted passed it on. */
  readonly viaProxy: boolean;
}

/** Reads both of a request; what a proxy says of the client counts where the proxy is one that is trusted. */
export function reachReader({ publicUrl, trustProxy = [] }: ReachSettings): (c: Context) => Reached {
  const trusted = proxyAddr.compile([...trustProxy]);
  const said = publicUrl ? new URL(publicUrl) : undefined;
  return (c) => {
    const incoming = (c.env as { incoming?: IncomingMessage } | undefined)?.incoming;
    const direct = incoming?.socket.remoteAddress ?? '127.0.0.1';
    const viaProxy = incoming !== undefined && trustProxy.length > 0 && trusted(direct, 0);
    const first = (header: string) => c.req.header(header)?.split(',')[0]?.trim();
    const scheme = (viaProxy && first('x-forwarded-proto')) || new URL(c.req.url).protocol.slice(0, -1);
    const host = (viaProxy && first('x-forwarded-host')) || c.req.header('host') || new URL(c.req.url).host;
    const reachedBy = `${scheme === 'https' ? 'https' : 'http'}://${host}`;
    const origin = said && (viaProxy || isSameHost(said, host)) ? said.origin : reachedBy;
    return {
      address: viaProxy ? proxyAddr(incoming, trusted) : direct,
      origin,
      secure: origin.startsWith('https:'),
      viaProxy,
    };
  };
}

function isSameHost(said: URL, host: string): boolean {
  return said.host === host || said.hostname === host;
}

/** Refuses what another page makes a browser send. Says which address the server takes itself to have. */
export function refuseOtherOrigin(c: Context, { origin }: Reached, publicUrl: string | undefined): void {
  if (['GET', 'HEAD', 'OPTIONS'].includes(c.req.method)) return;
  const from = c.req.header('origin');
  const said = publicUrl && new URL(publicUrl).origin;
  if (from === undefined ? c.req.header('sec-fetch-site') !== 'cross-site' : from === origin || from === said) return;
  throw new Fault(
    403,
    'other-origin',
    `This request came from a page at ${from ?? 'another address'}, but the address of this server is ${said ?? origin}.`,
    'Open the app at that address. Behind a proxy, whoever runs the server starts it with --public-url and --trust-proxy.',
  );
}
