import { diamondOf, LEVELS, type Level, type Sport } from '@good-arc/core';

/** A level as the sport says it: on a diamond the ages that it stands for (`11–14`). */
export const sayLevel = (sport: Sport, level: Level): string => diamondOf(sport)?.ages[level] ?? level;

/** What the field for a level is called. */
export const levelLabel = (sport: Sport): string => (diamondOf(sport) ? 'Age' : 'Level');

/** All levels, lowest first, to choose from. */
export const levelChoices = (sport: Sport): readonly (readonly [Level, string])[] =>
  LEVELS.map((level) => [level, sayLevel(sport, level)] as const);
