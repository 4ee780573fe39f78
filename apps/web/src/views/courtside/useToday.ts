import { type ForToday, forToday, type MachineProfile, type RungDocument, type Sport, type Venue, type Weather } from '@good-arc/core';
import { useEffect, useMemo, useState } from 'react';
import { keepToday, keptToday } from '../../device/kept.ts';

const keyOf = (courtId: string): string => `air:${courtId}`;

/** Where a rung is thrown, apart from its air. */
export interface Where {
  sport: Sport;
  machine: { id: string; profile: MachineProfile };
  ceilingM: number | null;
}

/** A rung where it is thrown, in an air. */
export function venueOf(
  { ballId, dragShare, level, surfaceId, courtId }: RungDocument,
  { sport, machine, ceilingM }: Where,
  weather: Weather,
): Venue {
  const court = { id: courtId, surfaceId, ceilingM };
  return { sport, court, machine, ballId, level, weather, ...(dragShare !== undefined && { dragShare }) };
}

/**
 * The air of today on this court, and the rung solved again for it. What is set here holds for the next rung on this court, too, until the day is over.
 */
export function useToday(rung: RungDocument, { sport, machine, ceilingM }: Where) {
  const [weather, setWeather] = useState<Weather>(rung.weather);
  const [taken, setTaken] = useState(false);
  const { courtId } = rung;

  useEffect(() => {
    void keptToday('air', keyOf(courtId)).then((kept) => {
      if (!kept) return;
      setWeather((now) => ({ ...now, ...kept.air }));
      setTaken(kept.taken);
    });
  }, [courtId]);

  function keep(next: Weather, isTaken: boolean): void {
    const { windXMps, windYMps, temperatureC } = next;
    keepToday(keyOf(courtId), { air: { windXMps, windYMps, temperatureC }, taken: isTaken });
    setWeather(next);
    setTaken(isTaken);
  }

  const venue = useMemo(() => venueOf(rung, { sport, machine, ceilingM }, weather), [rung, sport, ceilingM, machine, weather]);
  const solved = useMemo(
    // in the air that it was made for there is nothing to turn
    (): ForToday => (weather === rung.weather ? { rung, changes: [], lost: [] } : forToday(rung, venue)),
    [rung, venue, weather],
  );

  return {
    weather,
    venue,
    setWeather: (next: Weather): void => keep(next, taken),
    /** Of a round that goes on: what it began with. */
    found: setWeather,
    solved,
    /** The rung is turned for today’s air. */
    isTaken: taken && solved.changes.length > 0,
    take: (isTaken: boolean): void => keep(weather, isTaken),
    /** As it is thrown today. */
    document: taken ? solved.rung : rung,
  };
}
