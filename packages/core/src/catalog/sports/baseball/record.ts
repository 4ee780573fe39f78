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

/** Rubber to the rear tip of the plate (Official Baseball Rules 2.01; quoted from memory). */
const rubberM = ftToM(60.5);

export const record: SportRecord = {
  ...shared,
  id: 'baseball',
  name: 'Baseball',
  place: 3,
  balls,
  surfaces: surfaces('baseball'),
  court: plateCourt('baseball', rubberM, 46, {
    what: 'field',
    source: 'Official Baseball Rules 2.01–2.02 (plate 17 in, pitcher’s plate 60 ft 6 in); quoted from memory',
  }),
  gameBalls,
  play: {
    kind: 'diamond',
    field: wholeField(
      'baseball',
      { basesFt: 90, rubberM, foulM: 92, fielderFt: 315, landing: { x: -8, y: 78 } },
      { what: 'field', source: 'Official Baseball Rules 2.01 (bases 90 ft); fences differ from field to field; quoted from memory' },
    ),
    positions,
    fieldingBalls: [
      { name: 'Pop-up', elevationDeg: 62, mph: 55, to: '2B' },
      { name: 'Fly ball', elevationDeg: 36, mph: 68, to: 'CF' },
      { name: 'Line drive', elevationDeg: 14, mph: 66, to: 'LF' },
      { name: 'Grounder', elevationDeg: -3, mph: 60, to: 'SS' },
    ],
    rubberY_m: rubberM,
    bands,
    ages: AGES,
    release: { z: 1.75, fastballRpm: FASTBALL.totalRpm * FASTBALL.activeShare },
    // 18–24 in to the arm side, grown arms 5.5 to 6.5 ft up (common practice, no source)
    slots: [
      { id: 'three-quarter', name: 'Three-quarter', asideM: inToM(21), share: 1 },
      { id: 'over-the-top', name: 'Over the top', asideM: inToM(18), share: 1.1 },
      { id: 'sidearm', name: 'Sidearm', asideM: inToM(24), share: 0.92 },
    ],
    // 50 to 30 ft
    machineY_m: [15.2, 14.0, 12.8, 11.6, 10.4, 9.1],
    farthestY_m: ftToM(55),
    targetsM: { short: ftToM(95), deep: ftToM(240) },
  },
};
