import { fitDrill, gameBallById, hazardsOfRung, judgeRung, LIBRARY, MACHINE_KINDS } from '@good-arc/core';

const drill = LIBRARY.find(({ id }) => id === 'tennis-baseline-groove')!;
const profile = MACHINE_KINDS.find(({ kind }) => kind === 'Two-wheel portable')!;
const id = '01890000-0000-7000-8000-000000000001';

/** A built-in drill aimed anew on one machine, court, ball and level; what this machine cannot throw is named in `problems`. */
export const { rungs, problems } = fitDrill(drill, {
  sport: 'tennis',
  court: { id, surfaceId: 'tennis-clay' },
  machine: { id, profile },
  ballId: 'tennis-standard',
  level: 'Building',
  weather: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
  hand: 'right',
  heightM: 1.7,
  approach: 'sweet-spot',
});

const first = rungs[0]!;
/** Every ball of it has a verdict, or the reason why it has none. */
export const judgement = judgeRung(first, { sport: 'tennis', machine: profile, gameBall: gameBallById });

/** What a coach should think of before it is climbed: codes with a weight and figures in SI. */
export const hazards = hazardsOfRung(
  { ...first, intervalS: 1.5 },
  'tennis',
  judgeRung({ ...first, intervalS: 1.5 }, { sport: 'tennis', machine: profile, gameBall: gameBallById }),
);
