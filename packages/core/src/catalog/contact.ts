import { USUAL_HEIGHT_M } from './sports/diamond/field.ts';
import type { Level, Stroke } from './types.ts';

/** How a ball is met, as far as its height goes: each has its own bands. */
export const CONTACTS = ['groundstroke', 'volley', 'low-volley', 'overhead', 'low'] as const;
/** How a ball is met; see `CONTACTS`. `low`: drops, dinks and sliced returns. */
export type Contact = (typeof CONTACTS)[number];

type Band = readonly [lo: number, hi: number];

/** Heights at which the ball meets a body of the usual height kindly, m; null where a level should not be asked for it (common practice, no source). */
const CONTACT_BANDS: Readonly<Record<Contact, Readonly<Record<Level, Band | null>>>> = {
  groundstroke: { Starting: [0.7, 1.0], Building: [0.7, 1.1], Competing: [0.65, 1.25], Advanced: [0.55, 1.45] },
  volley: { Starting: [0.9, 1.5], Building: [0.9, 1.6], Competing: [0.6, 1.8], Advanced: [0.3, 2.0] },
  'low-volley': { Starting: null, Building: [0.4, 0.8], Competing: [0.25, 0.8], Advanced: [0.15, 0.8] },
  overhead: { Starting: [2.0, 2.3], Building: [2.0, 2.5], Competing: [2.0, 2.7], Advanced: [2.0, 2.9] },
  low: { Starting: [0.35, 0.7], Building: [0.3, 0.7], Competing: [0.25, 0.7], Advanced: [0.2, 0.7] },
};

/** How a stroke is met unless more is known; null for a swing at a pitch, which has its strike zone. */
export const contactOf = (stroke: Stroke, contact?: Contact): Contact | null => (stroke === 'swing' ? null : (contact ?? stroke));

/** The band of a contact for a player. @param heightM of the player; of an unknown one the usual @returns null where the level should not be asked for it */
export function contactBand(contact: Contact, level: Level, heightM: number = USUAL_HEIGHT_M): Band | null {
  const band = CONTACT_BANDS[contact][level];
  return band && [(band[0] * heightM) / USUAL_HEIGHT_M, (band[1] * heightM) / USUAL_HEIGHT_M];
}

/** How kind a height is: in its band, a little outside, or unkind. */
export type ContactWord = 'good' | 'off' | 'unkind';

/** Shares beyond the nearer edge of the band from which a height is a caution, and unkind. */
const OFF = 0.1;
const UNKIND = 0.3;

/** What to say of a height: the word, the band, and the part of the body that the ball comes to. */
export interface ContactVerdict {
  word: ContactWord;
  heightM: number;
  band: Band;
  part: BodyPart;
}

/** The height at which a ball is met, judged by its band. @returns null where the level has no such contact: that is unkind by itself */
export function judgeContact(contact: Contact, level: Level, heightM: number, playerM: number = USUAL_HEIGHT_M): ContactVerdict {
  // a level that should not be asked for it is judged by the next one's band
  const band = contactBand(contact, level, playerM) ?? contactBand(contact, 'Building', playerM)!;
  const off = heightM < band[0] ? 1 - heightM / band[0] : heightM > band[1] ? heightM / band[1] - 1 : 0;
  return { word: off > UNKIND ? 'unkind' : off > OFF ? 'off' : 'good', heightM, band, part: bodyPart(heightM, playerM) };
}

/** Parts of the body from the ground up, each with the share of the height at which it ends (proportions of a standing adult, rounded; common practice). */
const BODY_PARTS = [
  ['ankles', 0.08],
  ['shins', 0.24],
  ['knees', 0.32],
  ['thighs', 0.46],
  ['waist', 0.62],
  ['chest', 0.77],
  ['shoulders', 0.86],
  ['head', 1.02],
  ['above the head', Number.POSITIVE_INFINITY],
] as const;
/** A part of the body, as a coach says where the ball came. */
export type BodyPart = (typeof BODY_PARTS)[number][0];

/** The part of the body at a height. */
export const bodyPart = (heightM: number, playerM: number = USUAL_HEIGHT_M): BodyPart =>
  BODY_PARTS.find(([, ends]) => heightM / playerM <= ends)![0];

/** Parts of the body with their heights, m, from the ground up: for a drawing. */
export const bodyBands = (playerM: number = USUAL_HEIGHT_M): { part: BodyPart; toM: number }[] =>
  BODY_PARTS.map(([part, ends]) => ({ part, toM: ends * playerM }));
