import { type RungDocument, settingsOf, speedShareOn } from '@good-arc/core';
import type { MachineRow } from '../api/rows.ts';
import { today } from './day.ts';

/** Where the dials of a tuned machine stand for a rung’s first ball: `Speed 4½ · Elevation 3`; empty where nothing is tuned. */
export function dialWords(rung: RungDocument, machine: MachineRow | undefined): string {
  if (!machine || machine.dials.length === 0) return '';
  const { settings } = settingsOf(rung, { ...machine, speedShare: speedShareOn(machine.today, today()) });
  return settings
    .filter(({ moves }) => moves !== 'interval')
    .map(({ name, text }) => `${name} ${text}`)
    .join(' · ');
}
