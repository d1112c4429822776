import { CODE_LIFE_MS, DeviceHub, type Pairing, readCode, type Seat } from './hub';
import { DeviceLink } from './link';
import type { FromDevice, FromTablet, ToDevice, ToTablet } from './message';
import { DEVICE_PROTOCOL } from './protocol';

/** A hub with a tablet, and devices that can lose their link. */
function bench() {
  let at = 0;
  let count = 0;
  const newId = () => {
    count += 1;
    return `id${count}`;
  };
  const hub = new DeviceHub({
    newId,
    newCode: () => newId().toUpperCase(),
    now: () => at,
    seal: (pairing) => `sealed ${JSON.stringify(pairing)}`,
    unseal: (token) => (token.startsWith('sealed ') ? (JSON.parse(token.slice(7)) as Pairing) : undefined),
  });
  const tablet = (jobId = 'job', pairings: string[] = [], tabletId = 'tablet') => {
    const told: ToTablet[] = [];
    const seat = hub.tablet(jobId, {
      send: (message) => {
        told.push(message);
      },
      close: () => undefined,
    });
    seat.receive({ is: 'open', protocol: DEVICE_PROTOCOL, tabletId, pairings });
    const last = <Is extends ToTablet['is']>(is: Is) =>
      told.findLast((message) => message.is === is) as (ToTablet & { is: Is }) | undefined;
    return { told, seat, last, code: () => last('code')?.code ?? '' };
  };
  const device = (number = 'TW-03') => {
    const told: ToDevice[] = [];
    let seat: Seat<FromDevice> | undefined;
    const link = new DeviceLink({ kind: 'torque-wrench', number }, { now: () => at, newId, changed: () => undefined });
    const close = () => {
      const gone = seat;
      seat = undefined;
      gone?.closed();
      link.closed();
    };
    const open = () => {
      seat = hub.device({
        send: (message) => {
          told.push(message);
          link.receive(message);
        },
        close,
      });
      link.opened({ send: (message) => seat?.receive(message), close });
    };
    const pair = (code: string) => {
      link.pairBy(code);
      open();
    };
    return { told, link, open, close, pair };
  };
  const wait = (ms: number) => {
    at += ms;
  };
  return { tablet, device, wait };
}
const peak = { value: 45, unit: 'N·m' };

test('a device is let in by the code of a tablet and by the technician, and only then heard', () => {
  const { tablet, device } = bench();
  const screen = tablet();
  const wrench = device();
  wrench.pair(screen.code());
  expect(wrench.link.state).toBe('asking');
  wrench.link.read(peak);
  expect(screen.last('reading')).toBeUndefined();
  const asks = screen.last('asks')!;
  expect(asks.device.number).toBe('TW-03');
  screen.seat.receive({ is: 'accept', pairing: asks.pairing });
  expect(wrench.link.state).toBe('on');
  // What was read while it was asked about is not lost.
  expect(screen.last('reading')).toMatchObject({ pairing: asks.pairing, peak });
  expect(wrench.link.unsent).toBe(1);
  screen.seat.receive({ is: 'received', pairing: asks.pairing, id: screen.last('reading')!.id });
  expect(wrench.link.unsent).toBe(0);
});

test('a code lets one device in, runs out, and is typed in any case', () => {
  const { tablet, device, wait } = bench();
  const screen = tablet();
  const code = screen.code();
  device().pair(` ${code.toLowerCase().slice(0, 2)}-${code.toLowerCase().slice(2)}`);
  expect(screen.last('asks')).toBeDefined();
  expect(screen.code()).not.toBe(code);
  const second = device('TW-04');
  second.pair(code);
  expect(second.link.refused).toBe('wrong-code');
  wait(CODE_LIFE_MS);
  second.pair(screen.code());
  expect(second.link.refused).toBe('wrong-code');
  expect(readCode('ab2-c 3')).toBe('AB2C3');
});

test('a device sends to its own tablet at its own job and to no other', () => {
  const { tablet, device } = bench();
  const [mine, other] = [tablet('job', [], 'mine'), tablet('job', [], 'other')];
  const wrench = device();
  wrench.pair(mine.code());
  const { pairing } = mine.last('asks')!;
  // Another tablet cannot accept it.
  other.seat.receive({ is: 'accept', pairing });
  expect(wrench.link.state).toBe('asking');
  mine.seat.receive({ is: 'accept', pairing });
  wrench.link.read(peak);
  expect([mine.last('reading'), other.last('reading')]).toMatchObject([{ peak }, undefined]);
});

test('a link that is lost comes back by its token, and what was read meanwhile comes late with its age', () => {
  const { tablet, device, wait } = bench();
  const screen = tablet();
  const wrench = device();
  wrench.pair(screen.code());
  screen.seat.receive({ is: 'accept', pairing: screen.last('asks')!.pairing });
  wrench.close();
  expect(screen.last('lost')).toBeDefined();
  expect(wrench.link.state).toBe('lost');
  wrench.link.read(peak);
  wait(40_000);
  wrench.open();
  expect(wrench.link.state).toBe('on');
  expect(screen.last('reading')).toMatchObject({ peak, ageMs: 40_000 });
  // Not confirmed, it is sent again under the same name.
  wrench.link.sendAgain();
  const ids = screen.told.flatMap((message) => (message.is === 'reading' ? [message.id] : []));
  expect([ids.length, new Set(ids).size]).toEqual([2, 1]);
});

test('after a new start of the hub a token counts only where the tablet still knows the pairing', () => {
  const first = bench();
  const screen = first.tablet();
  const wrench = first.device();
  wrench.pair(screen.code());
  const { pairing } = screen.last('asks')!;
  screen.seat.receive({ is: 'accept', pairing });
  const { token } = wrench.told.find((message) => message.is === 'welcome')!;
  const again = bench();
  const back = again.device();
  back.link.receive({ is: 'welcome', token });
  back.open();
  expect(back.link.refused).toBe('tablet-away');
  again.tablet('job', [pairing]);
  back.open();
  expect(back.link.state).toBe('on');
  const stranger = again.device('TW-09');
  stranger.link.receive({ is: 'welcome', token });
  stranger.open();
  expect(stranger.link.refused).toBe('not-paired');
  again.tablet('job', []);
  const dropped = again.device();
  dropped.link.receive({ is: 'welcome', token });
  dropped.open();
  expect(dropped.link.refused).toBe('not-paired');
});

test('a device that is disconnected for good cannot come back by itself', () => {
  const { tablet, device } = bench();
  const screen = tablet();
  const wrench = device();
  wrench.pair(screen.code());
  const { pairing } = screen.last('asks')!;
  screen.seat.receive({ is: 'accept', pairing });
  screen.seat.receive({ is: 'refuse', pairing });
  expect(wrench.link).toMatchObject({ state: 'off', refused: 'not-paired', isPaired: false });
  wrench.open();
  expect(wrench.link.state).toBe('off');
});

test('the target of the pass is told to every device, also to one that comes later', () => {
  const { tablet, device } = bench();
  const screen = tablet();
  const target = { value: 27, low: 25, high: 29, unit: 'N·m' };
  screen.seat.receive({ is: 'target', target });
  const wrench = device();
  wrench.pair(screen.code());
  expect(wrench.link.target).toBeNull();
  screen.seat.receive({ is: 'accept', pairing: screen.last('asks')!.pairing });
  expect(wrench.link.target).toEqual(target);
  screen.seat.receive({ is: 'target', target: null });
  expect(wrench.link.target).toBeNull();
});

test('the same tablet in another page takes the devices over', () => {
  const { tablet, device } = bench();
  const first = tablet();
  const wrench = device();
  wrench.pair(first.code());
  const { pairing } = first.last('asks')!;
  first.seat.receive({ is: 'accept', pairing });
  const second = tablet('job', [pairing]);
  expect(first.last('replaced')).toBeDefined();
  wrench.open();
  wrench.link.read(peak);
  expect([first.last('reading'), second.last('reading')]).toMatchObject([undefined, { peak }]);
  // What the replaced page still says is not heard.
  first.seat.receive({ is: 'refuse', pairing } satisfies FromTablet);
  expect(wrench.link.state).toBe('on');
});

test('an unknown language is refused by name', () => {
  const { tablet } = bench();
  const told: ToTablet[] = [];
  const seat = new DeviceHub({
    newId: () => 'x',
    newCode: () => 'X',
    now: () => 0,
    seal: () => '',
    unseal: () => undefined,
  }).tablet('job', {
    send: (message) => {
      told.push(message);
    },
    close: () => undefined,
  });
  seat.receive({ is: 'open', protocol: 'fukusa-device/9', tabletId: 't', pairings: [] });
  expect(told).toEqual([{ is: 'refused', why: 'other-protocol' }]);
  expect(tablet().code()).not.toBe('');
});
