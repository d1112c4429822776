import { z } from 'zod';
import { Id } from '../model/ids';

/** The language of devices. A newer one with other messages gets another number; an unknown one is refused by name. */

export const DEVICE_KINDS = ['torque-wrench', 'calliper', 'test-bench'] as const;

const Finite = z.number().min(-1e9).max(1e9);
/** As the device writes it; what it means is read where the reading is used. */
const UnitText = z.string().trim().min(1).max(12);
const Measured = z.strictObject({ value: Finite, unit: UnitText });

export const RunSample = z.strictObject({
  flow: Finite.optional(),
  pressure: Finite.optional(),
  speed: Finite.optional(),
  power: Finite.optional(),
  temperature: Finite.optional(),
});

/** A device as it names itself. */
export const DeviceIdentity = z.strictObject({
  kind: z.enum(DEVICE_KINDS),
  /** The number on it, as the tool list of the workshop has it. */
  number: z.string().trim().min(1).max(60),
  calibratedUntil: z.iso.date().optional(),
  /** The scale. */
  from: Measured.optional(),
  to: Measured.optional(),
});
export type DeviceIdentity = z.infer<typeof DeviceIdentity>;

/** What a device says. */
export const FromDevice = z.discriminatedUnion('is', [
  z.strictObject({
    is: z.literal('hello'),
    protocol: z.string().max(40),
    /** From the screen of the tablet, the first time. */
    code: z.string().trim().max(20).optional(),
    /** From an earlier welcome, afterwards. */
    token: z.string().max(600).optional(),
    device: DeviceIdentity,
  }),
  z.strictObject({
    is: z.literal('reading'),
    /** Its own name of the reading; the same when it is sent again. */
    id: z.string().min(1).max(80),
    /** How long ago it was taken, in ms, so that no two clocks have to agree. */
    ageMs: z
      .int()
      .min(0)
      .max(7 * 24 * 3_600_000),
    peak: Measured,
  }),
  /** What a test bench reads at a moment: flow in L/min, pressure in bar, speed in rpm, power in kW, temperature in °C. */
  z.strictObject({ is: z.literal('sample'), values: RunSample }),
  /** While it is being pulled; shown and not kept. */
  z.strictObject({ is: z.literal('live'), now: Measured }),
  z.strictObject({ is: z.literal('battery'), percent: z.number().min(0).max(100) }),
]);
export type FromDevice = z.infer<typeof FromDevice>;

/** What a device is to reach: a target with its window. */
export const DeviceTarget = z.strictObject({ value: Finite, low: Finite, high: Finite, unit: UnitText });
export type DeviceTarget = z.infer<typeof DeviceTarget>;

export const REFUSALS = [
  'other-protocol',
  'wrong-code',
  'not-paired',
  'tablet-away',
  'replaced',
  'unreadable',
  'too-much',
] as const;
export type DeviceRefusal = (typeof REFUSALS)[number];

/** What a device is told. */
export const ToDevice = z.discriminatedUnion('is', [
  /** The technician is asked whether it may connect. */
  z.strictObject({ is: z.literal('wait') }),
  /** It may send; the token lets it come back after its link was lost. */
  z.strictObject({ is: z.literal('welcome'), token: z.string() }),
  z.strictObject({ is: z.literal('target'), target: DeviceTarget.nullable() }),
  /** The reading is kept on the tablet; until then the device keeps it. */
  z.strictObject({ is: z.literal('received'), id: z.string() }),
  z.strictObject({ is: z.literal('refused'), why: z.enum(REFUSALS) }),
]);
export type ToDevice = z.infer<typeof ToDevice>;

/** What the tablet says. */
export const FromTablet = z.discriminatedUnion('is', [
  z.strictObject({
    is: z.literal('open'),
    protocol: z.string().max(40),
    tabletId: Id,
    /** Pairings accepted on this tablet for this job. */
    pairings: z.array(Id).max(20),
  }),
  z.strictObject({ is: z.literal('new-code') }),
  z.strictObject({ is: z.literal('accept'), pairing: Id }),
  /** Refuses a device that asks, or disconnects one for good. */
  z.strictObject({ is: z.literal('refuse'), pairing: Id }),
  z.strictObject({ is: z.literal('target'), target: DeviceTarget.nullable() }),
  z.strictObject({ is: z.literal('received'), pairing: Id, id: z.string().max(80) }),
]);
export type FromTablet = z.infer<typeof FromTablet>;

/** What the tablet is told. */
export const ToTablet = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('code'), code: z.string(), seconds: z.number() }),
  z.strictObject({ is: z.literal('asks'), pairing: Id, device: DeviceIdentity }),
  z.strictObject({ is: z.literal('connected'), pairing: Id, device: DeviceIdentity }),
  z.strictObject({ is: z.literal('lost'), pairing: Id }),
  z.strictObject({
    is: z.literal('reading'),
    pairing: Id,
    id: z.string(),
    ageMs: z.int(),
    peak: Measured,
  }),
  z.strictObject({ is: z.literal('live'), pairing: Id, now: Measured }),
  z.strictObject({ is: z.literal('sample'), pairing: Id, values: RunSample }),
  z.strictObject({ is: z.literal('battery'), pairing: Id, percent: z.number() }),
  /** Another page of this tablet has taken the devices of the job. */
  z.strictObject({ is: z.literal('replaced') }),
  z.strictObject({ is: z.literal('refused'), why: z.enum(REFUSALS) }),
]);
export type ToTablet = z.infer<typeof ToTablet>;
