export { type CommandBody, type LinkEvent, MachineClient, type MachineClientOptions } from './client.ts';
export { afterListening, type Clock, realClock } from './clock.ts';
export { type DialLaw, dialLaw, seedOfName } from './dial-law.ts';
export { readLines, writeLine } from './lines.ts';
export { SimulatedMachine, type SimulatedMachineOptions } from './machine.ts';
export {
  type Action,
  type Command,
  commandSchema,
  FAULTS,
  HEARTBEAT_EVERY_MS,
  HEARTBEAT_LOST_MS,
  LONGEST_LINE,
  MACHINE_STATES,
  type MachineEvent,
  type MachineState,
  machineEventSchema,
  type Program,
  programSchema,
  type RadarReading,
  type RefusalCode,
  type Reply,
  radarReadingSchema,
  replySchema,
  type Status,
} from './protocol.ts';
export { type RadarOptions, serveRadar } from './radar.ts';
export { type MachineServerOptions, serveMachine } from './server.ts';
export { LIVE_STATES, TRANSITIONS } from './states.ts';
