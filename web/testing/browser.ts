import 'fake-indexeddb/auto';

/**
 * As much of a browser as the state of the web app needs: a window for its listeners, an address, a database on the
 * device, and a server that answers as a test tells it to.
 */
export interface FakeServer {
  /** Every request so far, oldest first. */
  readonly requests: { method: string; path: string; body: ReturnType<typeof JSON.parse> }[];
  /** Answers the next requests; throwing means that no server could be reached. */
  answer: (method: string, path: string, body: ReturnType<typeof JSON.parse>) => { status: number; json: unknown };
}

export function openFakeBrowser(): FakeServer {
  const events = new EventTarget();
  Object.assign(globalThis, {
    ...(!('navigator' in globalThis) && { navigator: {} }),
    location: { origin: 'http://workshop' },
    window: Object.assign(globalThis.window ?? {}, {
      addEventListener: events.addEventListener.bind(events),
      removeEventListener: events.removeEventListener.bind(events),
      dispatchEvent: events.dispatchEvent.bind(events),
    }),
  });
  const server: FakeServer = {
    requests: [],
    answer: () => ({ status: 500, json: {} }),
  };
  globalThis.fetch = async (input, init) => {
    const { pathname } = new URL(String(input), 'http://workshop');
    const text = typeof init?.body === 'string' ? init.body : undefined;
    const request = { method: init?.method ?? 'GET', path: pathname, body: text ? JSON.parse(text) : init?.body };
    server.requests.push(request);
    const { status, json } = server.answer(request.method, request.path, request.body);
    return new Response(JSON.stringify(json), { status, headers: { 'content-type': 'application/json' } });
  };
  return server;
}

export async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  for (let i = 0; i < 2000; i += 1) {
    if (await holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error('it never came about');
}
