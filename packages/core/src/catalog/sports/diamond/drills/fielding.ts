import type { Drill } from '../../../drill.ts';
import { type DiamondDrills, MANUAL, partsOf } from './parts.ts';

/** In the field, by position. */
export function fielding(kit: DiamondDrills): readonly Drill[] {
  const { sport } = kit;
  const { field, flies, fly, gaps, ground, grounders, spotOf } = partsOf(kit);
  const pop = fly('Pop-up in front of the plate', ['C', 'P'], { x: 0, y: 12 }, 60);
  return [
    {
      id: `${sport}-between-two-gloves`,
      sport,
      level: 'Building',
      name: 'Between two gloves',
      purpose: 'fielding',
      why: 'Pop-ups that drop between two fielders are lost by silence: someone has to call.',
      setUp: 'Machine at home, turned to the gaps. Names of positions are called before and during.',
      cues: ['Call it three times', 'The one coming in has it', 'Peel off behind'],
      faults: ['Both calling', 'Nobody calling'],
      cautions: ['Eyes up means feet blind: clear the ground first.', MANUAL],
      easier: 'Name the fielder before the ball.',
      harder: 'Say nothing; shorten the interval.',
      players: [2, 9],
      rungs: [
        field('Named first', 'Call it three times.', gaps(52), { intervalS: 8 }),
        field('Unnamed', 'The one coming in has it.', gaps(58), { order: { kind: 'bag' }, intervalS: 7 }),
        field('Higher, and quicker', 'Peel off behind.', gaps(60), { order: { kind: 'bag' }, intervalS: 6 }),
      ],
    },
    {
      id: `${sport}-flies-by-field`,
      sport,
      level: 'Building',
      name: 'Flies by field',
      purpose: 'fielding',
      why: 'Left, centre, right: reads off a ball that is the same every time, then not.',
      setUp: 'Machine at home. Three fielders out, a cut-off in; absent fields are left out.',
      cues: ['Drop step first', 'Behind it, then through it', 'Throw to the cut-off'],
      faults: ['Running in on a ball over the head', 'Drifting under it'],
      cautions: ['Turn and run, never backwards.', MANUAL],
      easier: 'In order, with time.',
      harder: 'Shuffled, some short and some deep.',
      players: [1, 6],
      rungs: [
        field('In order', 'Drop step first.', flies(0), { intervalS: 8 }),
        field('Shuffled', 'Read, then run.', flies(0), { order: { kind: 'bag' }, intervalS: 8 }),
        field('Short and deep', 'Through the ball.', [...flies(-9), ...flies(6)], { order: { kind: 'bag' }, intervalS: 8 }),
      ],
    },
    {
      id: `${sport}-ground-ball-round`,
      sport,
      level: 'Building',
      name: 'Ground-ball round',
      purpose: 'fielding',
      why: 'Third to first, one after the other, until the hands are soft.',
      setUp: 'Machine at home, tilted down; buckets at first. Throws go to a net or a partner.',
      cues: ['Feet first', 'Low to high', 'Glove out in front'],
      faults: ['Waiting for the hop', 'Standing up early'],
      cautions: ['Check the ground: one stone is a broken tooth.', 'Throws are counted for juniors.', MANUAL],
      easier: 'Slower, in order.',
      harder: 'Shuffled; double-play feet.',
      players: [2, 8],
      rungs: [
        field('Slow, in order', 'Feet first.', grounders(38), { intervalS: 6 }),
        field('Game pace, in order', 'Glove out.', grounders(50), { intervalS: 6 }),
        field('Shuffled', 'Low to high.', grounders(50), { order: { kind: 'bag' }, intervalS: 6 }),
      ],
    },
    {
      id: `${sport}-straight-up`,
      sport,
      level: 'Competing',
      name: 'Straight up behind the plate',
      purpose: 'fielding',
      why: 'The catcher’s pop-up turns back toward the field: back to it, mask off, wait.',
      setUp: 'Machine ten metres behind the plate, as steep as it goes, turned over the catcher; catcher in full gear.',
      cues: ['Find it, then mask', 'Back to the field', 'Let it come back'],
      faults: ['Throwing the mask first', 'Standing right under it'],
      cautions: ['Full gear.', 'Backstop and steps: walk the way once before.', MANUAL],
      easier: 'Lower.',
      harder: 'First and third come in and call.',
      players: [1, 3],
      rungs: [
        field('Not so high', 'Find it first.', [fly('Pop-up', ['C'], { x: 0.8, y: 7 }, 60)], {
          intervalS: 8,
          perRound: 8,
          from: { x: 0.5, y: -10 },
          start: spotOf('C'),
        }),
        field(
          'Either side',
          'Back to the field.',
          [
            fly('Pop-up, first-base side', ['C', '1B'], { x: 3, y: 7 }, 60),
            fly('Pop-up, third-base side', ['C', '3B'], { x: -3, y: 7 }, 60),
          ],
          { order: { kind: 'bag' }, intervalS: 8, perRound: 8, from: { x: 0.5, y: -10 }, start: spotOf('C') },
        ),
        field(
          'With the corners in',
          'One voice.',
          [
            fly('Pop-up, first-base side', ['C', '1B'], { x: 4, y: 9 }, 58),
            fly('Pop-up, third-base side', ['C', '3B'], { x: -4, y: 9 }, 58),
            fly('Pop-up, middle', ['C', 'P'], { x: 0, y: 9 }, 58),
          ],
          { order: { kind: 'bag' }, intervalS: 8, perRound: 9, from: { x: 0.5, y: -10 }, start: spotOf('C') },
        ),
      ],
    },
    {
      id: `${sport}-whoever-is-there`,
      sport,
      level: 'Building',
      name: 'Whoever is there',
      purpose: 'fielding',
      why: 'A whole-field routine that goes on with the positions that came.',
      setUp: 'Machine at home. Tick who is absent: their balls are left out, nobody waits.',
      cues: ['Everyone moves on every ball', 'Call it', 'Back up the throw'],
      faults: ['Watching', 'Standing between balls'],
      cautions: [MANUAL, 'Clear loose balls before each round.'],
      easier: 'Infield only.',
      harder: 'Runners on.',
      players: [2, 9],
      rungs: [
        field('Infield', 'Feet first.', [...grounders(45), ground('P', 45)], { order: { kind: 'bag' }, intervalS: 6 }),
        field('Outfield', 'Drop step.', flies(0), { order: { kind: 'bag' }, intervalS: 8 }),
        field('Whole field', 'Everyone moves.', [...grounders(45), ground('P', 45), pop, ...flies(0), ...gaps(55)], {
          order: { kind: 'bag' },
          intervalS: 8,
          perRound: 20,
        }),
      ],
    },
  ];
}
