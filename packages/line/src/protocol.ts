import { launchSchema } from '@good-arc/core';
import { z } from 'zod';

/**
 * The machine line protocol: newline-delimited JSON over TCP (a serial port carries the same lines).
 * A driver sends commands with an id and gets one reply for each; every listener gets events.
 */

/** Said in the greeting; a driver of another version does not drive. */
export const PROTOCOL_VERSION = 5;

export const MACHINE_STATES = ['stowed', 'idle', 'arming', 'ready', 'feeding', 'held', 'fault'] as const;
export type MachineState = (typeof MACHINE_STATES)[number];

/** A driver sends one this often, ms; the machine stops by itself when none came for `HEARTBEAT_LOST_MS`. */
export const HEARTBEAT_EVERY_MS = 250;
export const HEARTBEAT_LOST_MS = 900;
/** The machine tells its status at least this often, ms. */
export const STATUS_EVERY_MS = 400;
/** A line longer than this is refused, bytes. */
export const LONGEST_LINE = 64 * 1024;

const id = z.string().min(1).max(64);

/** Name of an extension that a machine has besides this protocol: told in its greeting. */
const extension = z.string().min(1).max(40);

/** Balls to throw: `count` of them, going through `launches` over and over. */
export const programSchema = z.strictObject({
  /** Of the round or the test it is for: whoever resumes names it. */
  id: z.string().min(1).max(64),
  /** What it is and whose, for people who find it on hold. */
  name: z.string().max(300),
  launches: z.array(launchSchema).min(1).max(200),
  intervalS: z.number().min(0.5).max(120),
  count: z.int().min(1).max(1000),
  /** Seconds from each of the launches to the next release, where they differ from the interval. */
  thenS: z.array(z.number().min(0.5).max(120)).max(200).optional(),
  /** Seconds more before the first release: another machine throws first. */
  firstS: z.number().min(0).max(3600).optional(),
  /** What extensions need to know of it, by their names; only those that the greeting named are sent any. */
  extra: z.record(extension, z.unknown()).optional(),
});
export type Program = z.infer<typeof programSchema>;

export const commandSchema = z.discriminatedUnion('do', [
  z.strictObject({
    id,
    do: z.literal('hello'),
    role: z.enum(['driver', 'observer']),
    /** As the machine shows it: whoever read it there may drive it, nobody else. */ code: z.string().max(20).optional(),
    /** Of several servers only one may drive; who was given the machine later says a higher number, and the machine takes no lower one again. */
    fence: z.int().min(0).optional(),
  }),
  z.strictObject({ id, do: z.literal('heartbeat') }),
  z.strictObject({ id, do: z.literal('arm'), program: programSchema }),
  z.strictObject({ id, do: z.literal('feed') }),
  z.strictObject({ id, do: z.literal('hold') }),
  /** Goes on with the program of that id, and no other. */
  z.strictObject({ id, do: z.literal('resume'), program: z.string().min(1).max(64) }),
  /** Another interval from the next release on, for the program of that id. */
  z.strictObject({ id, do: z.literal('pace'), program: z.string().min(1).max(64), intervalS: z.number().min(0.5).max(120) }),
  /** Other balls from the next release on, for the program of that id: all that are left of it, in order. */
  z.strictObject({
    id,
    do: z.literal('rest'),
    program: z.string().min(1).max(64),
    /** Balls of it that had left when this was said: if another has left meanwhile, it is refused. */
    after: z.int().min(0).max(1000),
    /** None: another machine throws all of them. */
    launches: z.array(launchSchema).max(200),
    thenS: z.array(z.number().min(0.5).max(120)).max(200),
    /** Seconds to its first of them, where another machine throws, too; without, when its next ball is due anyhow. */
    firstS: z.number().min(0).max(3600).optional(),
  }),
  z.strictObject({ id, do: z.literal('stow') }),
  z.strictObject({ id, do: z.literal('clear') }),
  z.strictObject({ id, do: z.literal('refill') }),
  /** A command of an extension that the greeting named. */
  z.strictObject({ id, do: z.literal('extra'), of: extension, with: z.unknown() }),
]);
export type Command = z.infer<typeof commandSchema>;
/** Commands a person gives; the rest is housekeeping of the link. */
export type Action = Extract<Command['do'], 'arm' | 'feed' | 'hold' | 'resume' | 'stow' | 'clear'>;

const refusalCodes = [
  'bad-line',
  'not-driver',
  'driver-taken',
  'wrong-code',
  'not-ready',
  'nothing-armed',
  'nothing-held',
  'other-program',
  'too-late',
  'busy',
  'fault',
  'cannot',
  'timeout',
  'link-lost',
] as const;
export type RefusalCode = (typeof refusalCodes)[number];

export const replySchema = z.strictObject({
  re: z.string(),
  ok: z.boolean(),
  state: z.enum(MACHINE_STATES),
  code: z.enum(refusalCodes).optional(),
  text: z.string().optional(),
  /** Of a greeting: the version of this protocol that the machine speaks, and what it has besides. */
  version: z.int().optional(),
  extensions: z.array(extension).optional(),
});
export type Reply = z.infer<typeof replySchema>;

export const statusSchema = z.strictObject({
  event: z.literal('status'),
  state: z.enum(MACHINE_STATES),
  /** Why it is held or in fault; empty otherwise. */
  why: z.string(),
  hopper: z.int(),
  /** 0 to 1. */
  battery: z.number(),
  thrown: z.int(),
  count: z.int(),
  /** The program in it; null when it has none. */
  program: z.strictObject({ id: z.string(), name: z.string() }).nullable(),
  /** Of the program in it; null when it has none. What a screen shows is compared with it. */
  intervalS: z.number().nullable(),
  /** What it turns to for the next ball; null when it has none to throw. What a screen shows is compared with it. */
  next: launchSchema.pick({ speedMps: true, elevationDeg: true, bearingDeg: true }).nullable(),
  /** Seconds to the next release; null when none is due. */
  nextInS: z.number().nullable(),
});
export type Status = z.infer<typeof statusSchema>;

export const machineEventSchema = z.discriminatedUnion('event', [
  statusSchema,
  /** A ball has left: its number in the program (from 1), and what was really thrown. */
  z.strictObject({ event: z.literal('release'), seq: z.int(), feed: z.int(), launch: launchSchema }),
  z.strictObject({ event: z.literal('misfeed'), seq: z.int() }),
]);
export type MachineEvent = z.infer<typeof machineEventSchema>;

export const radarReadingSchema = z.strictObject({
  event: z.literal('reading'),
  machineId: z.string(),
  seq: z.int(),
  speedMps: z.number(),
});
export type RadarReading = z.infer<typeof radarReadingSchema>;
