import {
  type BALLS,
  type Level,
  MACHINE_KINDS,
  type OwnGameBall,
  type Setup,
  SPORT_RECORDS,
  SPORTS,
  type Sport,
  type SurfaceId,
  type TargetPlaceId,
} from '@good-arc/core';

/** The demo centre's invented courts, machines, balls, people and ladders. */
export const ALTITUDE_M = 900;

export interface DemoRung {
  name: string;
  focalPoint: string;
  change: (setup: Setup) => Partial<Setup>;
  balls?: number;
  rounds?: number;
  gate: { hits: number; of: number };
}

export interface DemoLadder {
  name: string;
  sport: Sport;
  level: Level;
  approach: 'sweet-spot' | 'earn-it' | 'in-a-row' | 'coachs-eye';
  court: string;
  machine: string;
  players: readonly string[];
  /** Where it is hit to, when it is not where the level first does. */
  hit?: TargetPlaceId;
  rungs: readonly DemoRung[];
}

export const COURTS: readonly [name: string, sport: Sport, surfaceId: SurfaceId, indoor: boolean, ceilingM?: number][] = [
  ['Court 1', 'tennis', 'tennis-acrylic-medium', false],
  ['Court 2', 'tennis', 'tennis-clay', false],
  ['Orchard pickleball', 'pickleball', 'pickleball-acrylic', false],
  ['Hall pickleball', 'pickleball', 'pickleball-wood', true, 7.2],
  ['Cage 1', 'baseball', 'baseball-turf', true, 4.2],
  ['Long Meadow field', 'baseball', 'baseball-grass', false],
];

/** Spare names for machines of sports that are not listed here. */
const SPARE_NAMES = ['Sorrel', 'Marten', 'Plover', 'Teasel'];

/** A sport of the catalog that has no court above gets one, with a machine that throws its ball and a basket. */
export const TAKEN_UP = SPORTS.filter((sport) => COURTS.every(([, listed]) => listed !== sport)).flatMap((sport, i) => {
  const { name, balls, surfaces } = SPORT_RECORDS[sport];
  const profile = MACHINE_KINDS.find(({ sports }) => sports.includes(sport));
  const [surface, ball] = [surfaces[0]!, balls[0]!];
  return profile
    ? [
        {
          court: `${name} 1`,
          sport,
          surfaceId: surface.id,
          machine: SPARE_NAMES[i] ?? `${name} machine`,
          profile,
          basket: ball.name,
          ballId: ball.id,
        },
      ]
    : [];
});

export const GAME_BALLS: readonly [name: string, document: OwnGameBall, notes: string][] = [
  [
    'Orla’s looping backhand',
    { kind: 'shaped', sport: 'tennis', level: 'Building', from: { y: 11.9, z: 1 }, topspinRpm: 1900, landsPastM: 8.6, clearsByM: 2.1 },
    'What beat Ines in the spring match.',
  ],
  [
    'League lefty, off-speed',
    {
      kind: 'pitch',
      sport: 'baseball',
      level: 'Building',
      band: 'own',
      releaseFt: 44,
      hand: 'left',
      speedMph: 47,
      topspinRpm: -1300,
      sidespinRpm: 400,
      gyroRpm: 500,
    },
    '',
  ],
];

export const MACHINES: readonly [name: string, kind: string, notes: string][] = [
  ['Bramble', 'Two-wheel portable', 'Left wheel squeaks when cold.'],
  ['Wren', 'One-wheel portable', 'Keep on charge between groups.'],
  ['Thistle', 'Holed-ball court machine', ''],
  ['Flint', 'Two-wheel pitching machine', 'Feeder holds fourteen.'],
  ['Heron', 'Programmable field machine', 'Two people to lift.'],
];

export const STOCK: readonly [name: string, ballId: (typeof BALLS)[number]['id'], count: number, condition: 'new' | 'good' | 'worn'][] = [
  ['Standard, basket A', 'tennis-standard', 120, 'good'],
  ['Standard, old basket', 'tennis-standard', 80, 'worn'],
  ['Green for juniors', 'tennis-stage1-green', 60, 'good'],
  ['Outdoor pickleballs', 'pickleball-outdoor', 90, 'good'],
  ['Indoor pickleballs', 'pickleball-indoor', 40, 'new'],
  ['Cage baseballs', 'baseball', 72, 'good'],
];

export const PLAYERS: readonly [
  name: string,
  level: Level,
  hand: 'left' | 'right',
  heightM: number,
  notes: string,
  goals?: string,
  avoid?: string,
  ageYears?: number,
][] = [
  ['Ines Rookwood', 'Building', 'right', 1.68, 'Backhand first.', 'A backhand that holds in a rally.', 'Long runs to the left: the knee.'],
  ['Bo Tallowby', 'Starting', 'right', 1.79, '', '', '', 34],
  ['Sam Pellarin', 'Competing', 'left', 1.74, 'Likes to be told the number of balls.'],
  ['Mira Quistgaard-Lund', 'Advanced', 'right', 1.71, ''],
  ['Theo Larchmont', 'Building', 'right', 1.52, '', 'Hit the league fastball.', 'More than 60 swings a day.', 13],
  ['Juno Abasolo', 'Competing', 'right', 1.83, ''],
  ['Peregrine Ashdown-Whittlesea', 'Starting', 'left', 1.66, 'New this month.'],
  ['Nell Orrinsmith', 'Building', 'right', 1.6, ''],
];

export const LADDERS: readonly DemoLadder[] = [
  {
    name: 'Backhand: from kind to game',
    sport: 'tennis',
    level: 'Building',
    approach: 'sweet-spot',
    court: 'Court 1',
    machine: 'Bramble',
    hit: 'deep-right',
    players: ['Ines Rookwood', 'Bo Tallowby', 'Sam Pellarin'],
    rungs: [
      {
        name: 'Groove from the service line',
        focalPoint: 'Turn the shoulders before the bounce.',
        gate: { hits: 6, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 0.5, y: 3 },
          target: { kind: 'landing', x: -0.8, y: -4.2 },
          hold: { elevationDeg: 24 },
          topspinRpm: 0,
          player: { x: -0.8, y: -7.2 },
          intervalS: 3.5,
        }),
      },
      {
        name: 'Same ball, from the baseline',
        focalPoint: 'Let it drop to the waist.',
        gate: { hits: 6, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 0.5, y: 4.5 },
          target: { kind: 'landing', x: -1.2, y: -7.4 },
          hold: { elevationDeg: 26 },
          topspinRpm: 300,
          player: { x: -1.4, y: -11.6 },
        }),
      },
      {
        name: 'Across the net, deeper',
        focalPoint: 'Long finish over the shoulder.',
        gate: { hits: 5, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 1, y: 7 },
          target: { kind: 'landing', x: -1.6, y: -8.2 },
          hold: { elevationDeg: 20 },
          topspinRpm: 800,
          player: { x: -1.8, y: -12.2 },
        }),
      },
      {
        name: 'From the far baseline, with weight',
        focalPoint: 'Early racket, then move.',
        gate: { hits: 5, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 1.2, y: 11.6 },
          target: { kind: 'landing', x: -1.8, y: -8.8 },
          hold: { elevationDeg: 15 },
          topspinRpm: 1400,
          player: { x: -2, y: -12.4 },
          intervalS: 4.5,
        }),
      },
    ],
  },
  {
    name: 'Soft hands: drops off underspin',
    sport: 'pickleball',
    level: 'Building',
    approach: 'earn-it',
    court: 'Orchard pickleball',
    machine: 'Thistle',
    players: ['Nell Orrinsmith', 'Juno Abasolo', 'Peregrine Ashdown-Whittlesea'],
    hit: 'short-middle',
    rungs: [
      {
        name: 'High and slow to mid-court',
        focalPoint: 'Paddle under the ball, knees do the lift.',
        gate: { hits: 7, of: 10 },
        change: (s) => ({
          from: { ...s.from, y: 4.5 },
          target: { kind: 'landing', x: 0.4, y: -3.4 },
          hold: { elevationDeg: 30 },
          topspinRpm: 0,
          player: { x: 0.5, y: -4.8 },
        }),
      },
      {
        name: 'Deeper, a little underspin',
        focalPoint: 'Wait for it; it stays low.',
        gate: { hits: 7, of: 10 },
        change: () => ({
          target: { kind: 'landing', x: 0.6, y: -4.4 },
          hold: { elevationDeg: 24 },
          topspinRpm: -400,
          player: { x: 0.7, y: -6.2 },
        }),
      },
      {
        name: 'Deep return, from the baseline',
        focalPoint: 'First step forward after contact.',
        gate: { hits: 6, of: 10 },
        change: () => ({
          target: { kind: 'landing', x: 0.8, y: -5 },
          hold: { elevationDeg: 21 },
          topspinRpm: -700,
          player: { x: 0.9, y: -6.9 },
          intervalS: 4.5,
        }),
      },
    ],
  },
  {
    name: 'Cage climb: straight ball',
    sport: 'baseball',
    level: 'Building',
    approach: 'in-a-row',
    court: 'Cage 1',
    machine: 'Flint',
    players: ['Theo Larchmont', 'Mira Quistgaard-Lund'],
    rungs: [
      {
        name: 'Easy and true',
        focalPoint: 'Load when the ball drops into the feeder.',
        gate: { hits: 6, of: 8 },
        balls: 8,
        rounds: 3,
        change: () => ({ hold: { speedMps: 18 }, topspinRpm: -1000, intervalS: 7 }),
      },
      {
        name: 'Quicker hands',
        focalPoint: 'Short path to the ball.',
        gate: { hits: 5, of: 8 },
        balls: 8,
        rounds: 3,
        change: () => ({ hold: { speedMps: 22 }, topspinRpm: -1400, intervalS: 7 }),
      },
      {
        name: 'Game look',
        focalPoint: 'See it early, stay inside it.',
        gate: { hits: 4, of: 8 },
        balls: 8,
        rounds: 3,
        change: () => ({ hold: { speedMps: 26.5 }, topspinRpm: -1800, intervalS: 8 }),
      },
    ],
  },
];

export const SQUADS: readonly [name: string, players: readonly string[], notes: string][] = [
  ['Orchard four', ['Ines Rookwood', 'Bo Tallowby', 'Sam Pellarin', 'Juno Abasolo'], 'Orchard court, from half past five.'],
  ['Cage group', ['Theo Larchmont', 'Juno Abasolo', 'Mira Quistgaard-Lund'], ''],
];

/** One of them works toward something with a date, so many days from now. */
export const GOAL = {
  player: 'Ines Rookwood',
  aim: { sport: 'tennis', stroke: 'groundstroke', sideM: 0.75, distanceM: 21 },
  days: 42,
} as const;

/** Whose season is under way in the demo, since so many days and for so many more. */
export const SEASON = {
  player: 'Ines Rookwood',
  ladder: 'Backhand: from kind to game',
  since: 40,
  until: 43,
  document: { weekdays: [2, 4, 6], restsArm: false, ballsAWeek: 60, fromRung: 0 },
} as const;
