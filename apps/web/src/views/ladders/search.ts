import { type Drill, type Level, LIBRARY, minutesOf, type Purpose, type Sport } from '@good-arc/core';
import MiniSearch from 'minisearch';

/** What a library is searched by; empty fields ask nothing. */
export interface LibraryQuery {
  text: string;
  sport: Sport | '';
  level: Level | '';
  purpose: Purpose | '';
  minutes: number | null;
  players: number | null;
}

export const NOTHING: LibraryQuery = { text: '', sport: '', level: '', purpose: '', minutes: null, players: null };

/** Minutes of a drill as it is written. */
export const drillMinutes = ({ rungs }: Drill): number =>
  Math.round(rungs.reduce((sum, { intervalS, perRound, rounds }) => sum + minutesOf({ intervalS, ballsPerRound: perRound, rounds }), 0));

const index = new MiniSearch<Drill & { words: string }>({
  fields: ['name', 'purpose', 'words'],
  searchOptions: { boost: { name: 3, purpose: 2 }, prefix: true, fuzzy: 0.2, combineWith: 'AND' },
});
index.addAll(
  LIBRARY.map((drill) => ({
    ...drill,
    words: [
      drill.sport,
      drill.why,
      drill.setUp,
      ...drill.cues,
      ...drill.faults,
      ...drill.rungs.flatMap(({ name, focalPoint }) => [name, focalPoint]),
    ].join(' '),
  })),
);

/** Drills that fit, the best first; without words in the order of the library. */
export function searchLibrary({ text, sport, level, purpose, minutes, players }: LibraryQuery): Drill[] {
  const found = text.trim() === '' ? LIBRARY : index.search(text).flatMap(({ id }) => LIBRARY.find((drill) => drill.id === id) ?? []);
  return found.filter(
    (drill) =>
      (sport === '' || drill.sport === sport) &&
      (level === '' || drill.level === level) &&
      (purpose === '' || drill.purpose === purpose) &&
      (minutes === null || drillMinutes(drill) <= minutes) &&
      (players === null || (players >= drill.players[0] && players <= drill.players[1])),
  );
}
