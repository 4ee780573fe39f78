/** What a person does in an outing; the first is what everyone came for. */
export const STATIONS = ['hitting', 'feeding', 'calling', 'picking up', 'on deck'] as const;
/** What somebody does in a turn. */
export type Station = (typeof STATIONS)[number];

/** Who is there, how many hit at once, and for how many turns. */
export interface RotationQuestion {
  /** Who is there. */
  players: readonly string[];
  /** How many hit at once (lines), and which of the other stations are wanted. */
  lines: number;
  stations: readonly Exclude<Station, 'hitting' | 'on deck'>[];
  turns: number;
}

/** Who stands where in one turn. */
export type Turn = Record<Station, string[]>;

/**
 * Turns in which everybody hits as often as everybody else, to within one. Everyone walks through the same circle of stations, hitting places spread
 * evenly over it; who has none is on deck. With fewer people than stations the last wanted ones fall away: a missing player needs no new plan.
 * @returns no turns when nobody is there
 */
export function rotate({ players, lines, stations, turns }: RotationQuestion): Turn[] {
  const count = players.length;
  if (count === 0) return [];
  const circle = circleOf(count, Math.max(1, lines), stations);
  return Array.from({ length: turns }, (_, turn) => {
    const places: Turn = { hitting: [], feeding: [], calling: [], 'picking up': [], 'on deck': [] };
    circle.forEach((station, slot) => {
      places[station].push(players[(((slot - turn) % count) + count) % count]!);
    });
    return places;
  });
}

/** The stations of one circle, a place for each player. */
function circleOf(count: number, lines: number, stations: readonly Exclude<Station, 'hitting' | 'on deck'>[]): Station[] {
  const hitting = Math.min(lines, count);
  const circle: Station[] = Array<Station>(count).fill('on deck');
  for (let i = 0; i < hitting; i++) circle[Math.floor((i * count) / hitting)] = 'hitting';
  // a person walks down the circle: on deck comes before hitting, picking up after it
  const free = circle.flatMap((station, slot) => (station === 'on deck' ? [slot] : []));
  for (const station of stations) {
    const slot = station === 'picking up' ? free.pop() : free.shift();
    if (slot === undefined) break;
    circle[slot] = station;
  }
  return circle;
}

/** How often each player stands at a station. */
export const countAt = (turns: readonly Turn[], station: Station, players: readonly string[]): number[] =>
  players.map((player) => turns.filter((turn) => turn[station].includes(player)).length);
