export { type DialLaw, dialLaw, seedOfName } from './dial-law.ts';
export { simulateFault, withDials } from './extension.ts';
export { SimulatedMachine, type SimulatedMachineOptions } from './machine.ts';
export { type RadarOptions, serveRadar } from './radar.ts';
export { type MachineServerOptions, serveMachine } from './server.ts';
