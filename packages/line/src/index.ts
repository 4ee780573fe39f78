export { type CommandBody, type LinkEvent, MachineClient, type MachineClientOptions, type Refused } from './client.ts';
export { afterListening, type Clock, realClock } from './clock.ts';
export { readLines, writeLine } from './lines.ts';
export {
  type Action,
  type Command,
  commandSchema,
  HEARTBEAT_EVERY_MS,
  HEARTBEAT_LOST_MS,
  LONGEST_LINE,
  MACHINE_STATES,
  type MachineEvent,
  type MachineState,
  machineEventSchema,
  PROTOCOL_VERSION,
  type Program,
  programSchema,
  type RadarReading,
  type RefusalCode,
  type Reply,
  radarReadingSchema,
  replySchema,
  STATUS_EVERY_MS,
  type Status,
} from './protocol.ts';
export { LIVE_STATES, TRANSITIONS } from './states.ts';
export { stopMachine } from './stop.ts';
