import type { WebSocketLike } from '@hono/node-server';
import type { WSContext, WSEvents } from 'hono/ws';
import { WebSocket } from 'ws';
import type { z } from 'zod';
import type { Seat, Wire } from '#core/devices/hub';
import type { DeviceRefusal } from '#core/devices/message';
import { readMessage } from '#core/devices/reading';

/** No message of a device is longer. */
export const LONGEST_MESSAGE_BYTES = 4096;
/** A device that sends more is out of order or worse. */
const MOST_A_SECOND = 40;
/** Whether the other end is still there is asked so often. */
const PULSE_MS = 15_000;

interface Served<Schema extends z.ZodType, Out> {
  readonly schema: Schema;
  seat(wire: Wire<Out>): Seat<z.infer<Schema>>;
  /** Whether it may go on; asked with each pulse. */
  mayStay(): Promise<boolean>;
  /** It says who it is within so long. */
  readonly firstWordMs: number;
}

/** A socket with its border: every message is read by its schema, and what is none, or too many, closes it. */
export function servedSocket<Schema extends z.ZodType, Out>({
  schema,
  seat,
  mayStay,
  firstWordMs,
}: Served<Schema, Out>): WSEvents<WebSocketLike> {
  let here: Seat<z.infer<Schema>> | undefined;
  let pulse: NodeJS.Timeout | undefined;
  let silent: NodeJS.Timeout | undefined;
  let answered = true;
  let second = 0;
  let heard = 0;
  const wireOf = (socket: WSContext<WebSocketLike>): Wire<Out> => ({
    send: (message) => {
      if (socket.readyState === WebSocket.OPEN) socket.send(JSON.stringify(message));
    },
    close: () => socket.close(),
  });
  const refuse = (socket: WSContext<WebSocketLike>, why: DeviceRefusal) => {
    if (socket.readyState === WebSocket.OPEN) socket.send(JSON.stringify({ is: 'refused', why }));
    socket.close();
  };
  return {
    onOpen: (_event, socket) => {
      here = seat(wireOf(socket));
      silent = setTimeout(() => socket.close(), firstWordMs);
      const { raw } = socket;
      if (!(raw instanceof WebSocket)) return;
      raw.on('pong', () => {
        answered = true;
      });
      pulse = setInterval(() => {
        if (!answered) return raw.terminate();
        answered = false;
        raw.ping();
        void mayStay().then(
          (may) => may || socket.close(),
          () => undefined,
        );
      }, PULSE_MS);
    },
    onMessage: ({ data }, socket) => {
      const now = Math.floor(performance.now() / 1000);
      heard = now === second ? heard + 1 : 1;
      second = now;
      if (heard > MOST_A_SECOND) return refuse(socket, 'too-much');
      const message = readMessage(schema, data);
      if (message === undefined) return refuse(socket, 'unreadable');
      clearTimeout(silent);
      here?.receive(message);
    },
    onClose: () => {
      clearTimeout(silent);
      clearInterval(pulse);
      here?.closed();
    },
    onError: () => undefined,
  };
}
