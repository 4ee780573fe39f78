import {
  type BuildQuestion,
  fitDrill,
  GAME_BOOK,
  type JudgeContext,
  type JudgedRung,
  judgeRung,
  type Level,
  LIBRARY,
  MACHINE_KINDS,
  type MachineProfile,
  type RungDocument,
  SPORT_RECORDS,
  type Sport,
} from '../../src/index.ts';

/** A made-up club to build ladders in. */
export const WEATHER = { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 };
/** A hard court where there is one; the first surface of the others. */
const surfaceOf = (sport: Sport): string => (sport === 'tennis' ? 'tennis-acrylic-medium' : SPORT_RECORDS[sport].surfaces[0]!.id);

export const kindOf = (kind: string): MachineProfile => MACHINE_KINDS.find((each) => each.kind === kind)!;
export const kindsFor = (sport: Sport): MachineProfile[] => MACHINE_KINDS.filter(({ sports }) => sports.includes(sport));

export const venueOf = (sport: Sport, profile: MachineProfile, level: Level, ballId: string = SPORT_RECORDS[sport].balls[0]!.id) => ({
  sport,
  court: { id: '0190f3a0-0000-7000-8000-00000000c0a7', surfaceId: surfaceOf(sport) },
  machine: { id: '0190f3a0-0000-7000-8000-00000000aac1', profile },
  ballId,
  level,
  weather: WEATHER,
});

export function buildQuestion(gameBallId: string, kind: string, part: Partial<BuildQuestion> = {}): BuildQuestion {
  const gameBall = GAME_BOOK.find(({ id }) => id === gameBallId)!;
  return {
    ...venueOf(gameBall.sport, kindOf(kind), gameBall.level),
    gameBall,
    hand: 'right',
    wing: 'forehand',
    heightM: 1.7,
    focalPoint: 'Early shoulders',
    minutes: 30,
    hopperBalls: 100,
    approach: 'sweet-spot',
    wanted: 'working',
    ...part,
  };
}

export const judgeWith = ({ sport, machine }: { sport: Sport; machine: { profile: MachineProfile } }): JudgeContext => ({
  sport,
  machine: machine.profile,
  gameBall: (id) => GAME_BOOK.find((ball) => ball.id === id),
});

/** The verdict on a rung of which every ball arrives. @throws Error for another */
export function judgedWhole(rung: RungDocument, context: JudgeContext): JudgedRung {
  const judgement = judgeRung(rung, context);
  if (judgement.kind === 'not-judged') throw new Error(`not judged: ${JSON.stringify(judgement.why)}`);
  return judgement;
}

/** The rungs of a built-in drill on a generic machine, for a right-hander of its own level. */
export function drillOn(id: string, kind: string): RungDocument[] {
  const drill = LIBRARY.find((each) => each.id === id)!;
  return fitDrill(drill, { ...venueOf(drill.sport, kindOf(kind), drill.level), hand: 'right', heightM: 1.7, approach: 'sweet-spot' }).rungs;
}
