import { ftToM, inToM } from '../../../quantity/index.ts';
import type { SportRecord } from '../../record.ts';
import { plateCourt, wholeField } from '../diamond/field.ts';
import { shared } from '../diamond/index.ts';
import { AGES } from '../diamond/pitches.ts';
import { surfaces } from '../diamond/surfaces.ts';
import { balls } from './balls.ts';
import { bands } from './bands.ts';
import { FASTBALL, gameBalls } from './game-balls.ts';
import { positions } from './positions.ts';

/** Rubber to the rear tip of the plate, from high school on (common practice, from memory). */
const rubberM = ftToM(43);
const FIELD = { what: 'field', source: 'Pitcher’s plate 43 ft, bases 60 ft, from high school on; common practice, from memory' } as const;

export const record: SportRecord = {
  ...shared,
  id: 'softball',
  name: 'Softball',
  place: 4,
  balls,
  surfaces: surfaces('softball'),
  court: plateCourt('softball', rubberM, 36, FIELD),
  gameBalls,
  play: {
    kind: 'diamond',
    field: wholeField('softball', { basesFt: 60, rubberM, foulM: 61, fielderFt: 205, landing: { x: -6, y: 50 } }, FIELD),
    positions,
    fieldingBalls: [
      { name: 'Pop-up', elevationDeg: 62, mph: 45, to: '2B' },
      { name: 'Fly ball', elevationDeg: 36, mph: 55, to: 'CF' },
      { name: 'Line drive', elevationDeg: 14, mph: 56, to: 'LF' },
      { name: 'Grounder', elevationDeg: -3, mph: 52, to: 'SS' },
    ],
    rubberY_m: rubberM,
    bands,
    ages: AGES,
    // underhand, at the hip, beside the body (common practice, no source)
    release: { z: ftToM(2), fastballRpm: FASTBALL.totalRpm * FASTBALL.activeShare },
    slots: [{ id: 'hip', name: 'At the hip', asideM: inToM(18), share: 1 }],
    // 40 to 25 ft
    machineY_m: [12.2, 11.4, 10.4, 9.4, 8.5, 7.6],
    farthestY_m: rubberM,
    targetsM: { short: ftToM(65), deep: ftToM(160) },
  },
};
