import type { PersonId } from '@good-arc/core';
import type { ClubFacts } from '../../src/api/rows.ts';

export const ME = '01890000-0000-7000-8000-0000000000aa' as PersonId;

/** A club as its owner sees it in Kit, unless said otherwise. */
export const aClub = (part: Partial<ClubFacts> = {}): ClubFacts => ({
  name: 'Larkfield Courts',
  altitudeM: 0,
  me: ME,
  mayChange: true,
  people: [{ id: ME, name: 'Hanne Veldt', role: 'owner' }],
  ...part,
});
