import { type Area, type Goal, type RungDocument, SPORT_RECORDS, type Sport } from '@good-arc/core';

/** A part of a court as a place to hit to. */
export function sayArea(area: Area, sport: Sport): string {
  const { play } = SPORT_RECORDS[sport];
  switch (area) {
    case 'anywhere':
      return 'anywhere in';
    case 'left-half':
      return 'left half';
    case 'right-half':
      return 'right half';
    default:
      return play.kind === 'net' ? play.areaNames[area] : area;
  }
}

/** What is asked of the balls of a round from here on. */
export function sayGoal({ step, times }: Goal, { hitWith }: Pick<RungDocument, 'hitWith'>): string {
  if (step === 'anywhere') return 'anywhere in counts';
  if (step === 'side') return 'the right side counts';
  const spin = step === 'spin' ? ` with ${hitWith}` : hitWith ? ' with any spin' : '';
  return Math.abs(times - 1) < 0.01 ? `to the target of the card${spin}` : `target ${Math.round(times * 100)} % as wide${spin}`;
}
