import type { MachineToday } from './today.ts';

/** The share that counts on a day; 1 on any other. */
export const speedShareOn = (today: MachineToday | null, day: string): number => (today?.day === day ? today.speedShare : 1);
