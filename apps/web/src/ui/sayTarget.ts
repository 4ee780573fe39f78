import {
  areaOf,
  type CourtPlan,
  diamondOf,
  isToFielders,
  type PlayerTarget,
  placeOfTarget,
  polesToward,
  type RungDocument,
  SPORT_RECORDS,
  type Sport,
  targetsOf,
} from '@good-arc/core';
import { sayArea } from '../words/goals.ts';
import { describeSpot } from './place.ts';

type Aimed = Pick<RungDocument, 'targetAt' | 'targetSize' | 'feeds' | 'hitWith'>;

/** What a target is drawn on and measured from: of a diamond the whole field. */
export const targetPlan = (sport: Sport): CourtPlan => diamondOf(sport)?.field ?? SPORT_RECORDS[sport].court;

/** Named where it stands at a named place, else measured from the lines. */
export function sayPlace(target: PlayerTarget, sport: Sport, length: (m: number) => string): string {
  const toward = polesToward(sport, target);
  if (toward) return `${SPORT_RECORDS[sport].targetNames[toward]} between two poles, ${length(Math.hypot(target.x, target.y))} out`;
  const area = areaOf(sport, target);
  if (area) return sayArea(area, sport);
  const place = placeOfTarget(sport, target);
  return place ? SPORT_RECORDS[sport].targetNames[place] : describeSpot(targetPlan(sport), target, length);
}

/** Balls to fielders are taken, not hit to a place. */
export const isTaken = ({ feeds }: Pick<RungDocument, 'feeds'>, sport: Sport): boolean =>
  feeds.every(({ target }) => isToFielders(sport, target));

/** `8 ft wide, deep left corner`; with several places, which balls go where. */
export function sayTargets(rung: Aimed, sport: Sport, length: (m: number) => string): string {
  if (isTaken(rung, sport)) return 'a clean take counts';
  const all = targetsOf(rung);
  const spin = rung.hitWith ? `, hit with ${rung.hitWith}` : '';
  // a part of the court has its own lines: nobody measures how wide it is
  if (all.length === 1 && areaOf(sport, all[0]!.target)) return sayPlace(all[0]!.target, sport, length) + spin;
  const places = all.map(({ target, feeds }) => {
    const place = sayPlace(target, sport, length);
    return all.length === 1 ? place : `${feeds.length === 1 ? 'ball' : 'balls'} ${feeds.join(', ')}: ${place}`;
  });
  return [`${length(rung.targetSize.widthM)} wide`, places.join('; ')].filter(Boolean).join(', ') + spin;
}
