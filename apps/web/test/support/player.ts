import type { PlayerRow } from '../../src/api/rows.ts';

/** A made-up player as a page knows one. */
export const aPlayer = (part: Partial<PlayerRow> = {}): PlayerRow => ({
  version: 1,
  id: '0190f3a0-0000-7000-8000-000000000010',
  name: 'Ines Rookwood',
  level: 'Building',
  hand: 'right',
  bats: null,
  heightM: 1.7,
  bornYear: null,
  goals: '',
  aims: [],
  season: null,
  avoid: '',
  notes: '',
  ...part,
});
