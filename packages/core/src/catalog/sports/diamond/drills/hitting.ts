import type { Drill } from '../../../drill.ts';
import { type DiamondDrills, HELMETS, MANUAL, partsOf, pitch, SCREEN } from './parts.ts';

/** A tenth less time than the game: a kind pitch takes half as long again, so one share is half the game's time. */
const A_TENTH_BEYOND = 1.2;

/** At the plate. */
export function hitting(kit: DiamondDrills): readonly Drill[] {
  const { sport, machineFt, nearFt, bends } = kit;
  const { at, rung, twoMachines } = partsOf(kit);
  return [
    {
      id: `${sport}-loaded-at-release`,
      sport,
      level: 'Building',
      name: 'Loaded at release',
      purpose: 'timing',
      why: 'The load is done when the ball is let go, not when it is seen: swing on the cue and ignore the ball.',
      setUp: `Machine at ${machineFt} ft on the arm side. The drop and the roll are the cue; first without a bat.`,
      cues: ['Load on the drop', 'Still on the roll', 'Go as it enters'],
      faults: ['Starting when the ball is seen', 'Lunging at a slow one'],
      cautions: [HELMETS, SCREEN, MANUAL],
      easier: 'Call the three beats aloud.',
      harder: 'Eyes closed until the go.',
      players: [1, 5],
      rungs: [
        rung(
          'Watch and load',
          'Loaded as it is let go.',
          [pitch('Easy fastball', 'fastball', 0, { cue: 'No swing: load only', counts: false })],
          { perRound: 6, rounds: 2, gate: { hits: 4, of: 6 } },
        ),
        rung(
          'Swing, never mind the ball',
          'Go as it enters.',
          [pitch('Easy fastball', 'fastball', 0.2, { cue: 'Swing on the cue, ignore the ball' })],
          { rounds: 2 },
        ),
        rung('Swing on time', 'The same beats, now hit it.', [pitch('Fastball', 'fastball', 0.5)]),
      ],
    },
    {
      id: `${sport}-one-hand-two-speeds`,
      sport,
      level: 'Competing',
      name: 'One hand position, two speeds',
      purpose: 'timing',
      why: 'Fast and slow are hit from the same loaded hands; one of them is waited for.',
      setUp: 'One machine that changes speed, or two side by side; same height for both.',
      cues: ['Hands stay', 'Front foot soft', 'Drive the slow one the other way'],
      faults: ['Hands drifting on the slow one', 'Guessing'],
      cautions: [HELMETS, SCREEN],
      easier: 'Blocks of three.',
      harder: 'Seven of the fast to three of the slow, no telling.',
      players: [1, 5],
      rungs: [
        rung('Fast, then slow, told', 'Hands stay.', [pitch('Fastball', 'fastball', 0.5), pitch('Change-up', 'change-up', 0.5)], {
          order: { kind: 'blocks', size: 3 },
        }),
        rung('Turn about', 'Soft front foot.', [pitch('Fastball', 'fastball', 0.6), pitch('Change-up', 'change-up', 0.6)], {
          order: { kind: 'alternate' },
        }),
        rung('Not told', 'Ready for the fast one.', [pitch('Fastball', 'fastball', 0.6), pitch('Change-up', 'change-up', 0.6)], {
          order: { kind: 'weighted', weights: [7, 3], longestRun: 4 },
          perRound: 10,
          rounds: 3,
        }),
      ],
    },
    {
      id: `${sport}-velocity-climb`,
      sport,
      level: 'Advanced',
      name: 'Velocity climb',
      purpose: 'timing',
      why: 'From an easy look to a challenge day in small steps, five or six swings each.',
      setUp: 'Machine on the arm side, screen close to it. Distance fixed; only the speed climbs.',
      cues: ['Loaded earlier, not swung harder', 'See it out of the wheels', 'Short to it'],
      faults: ['Swinging harder instead of earlier', 'Staying on a step that is won'],
      cautions: [HELMETS, SCREEN, MANUAL],
      easier: 'One step down, twice as many.',
      harder: 'A challenge day: a tenth beyond the game.',
      players: [1, 6],
      rungs: [
        rung('Easy look', 'Loaded early.', [pitch('Fastball', 'fastball', 0)], { rounds: 2 }),
        rung('A third of the way', 'Short to it.', [pitch('Fastball', 'fastball', 1 / 3)], { rounds: 2 }),
        rung('Two thirds', 'See it out of the wheels.', [pitch('Fastball', 'fastball', 2 / 3)], { rounds: 2 }),
        rung('Game time', 'Same swing.', [pitch('Fastball', 'fastball', 1)], { rounds: 2 }),
        rung('Challenge day', 'Earlier still.', [pitch('Fastball', 'fastball', A_TENTH_BEYOND)], {
          rounds: 2,
          perRound: 5,
          gate: { hits: 3, of: 5 },
        }),
      ],
    },
    {
      id: `${sport}-bend-climb`,
      sport,
      level: 'Competing',
      name: 'Bend climb',
      purpose: 'choice',
      why: 'The breaking ball from a slow loop to the real thing, seen as a strike before it is hit.',
      setUp: `A machine that gives topspin or side spin, at ${machineFt} ft.`,
      cues: ['See the hump', 'Let it come to you', 'Through the middle'],
      faults: ['Pulling off it', 'Swinging at its start instead of its end'],
      cautions: [HELMETS, SCREEN, 'Throwing breaking balls is another matter for young arms: league and medical guidance first.'],
      easier: 'Track it, no swing.',
      harder: 'Mixed with fastballs.',
      players: [1, 5],
      rungs: [
        rung('Track it', 'Say ball or strike.', [pitch(bends.name, bends.slug, 0, { cue: 'No swing: say it', counts: false })], {
          rounds: 2,
          gate: { hits: 4, of: 6 },
        }),
        rung('Slow loop', 'Let it come.', [pitch(bends.name, bends.slug, 0.2)], { rounds: 3 }),
        rung(`Game ${bends.name.toLowerCase()}`, 'Through the middle.', [pitch(bends.name, bends.slug, 0.8)], { rounds: 3 }),
        rung(`${bends.name} among fastballs`, 'See the hump.', [pitch('Fastball', 'fastball', 0.5), pitch(bends.name, bends.slug, 0.6)], {
          order: { kind: 'weighted', weights: [3, 2], longestRun: 3 },
          perRound: 10,
          rounds: 3,
        }),
      ],
    },
    {
      id: `${sport}-strike-or-chase`,
      sport,
      level: 'Competing',
      name: 'Strike or chase',
      purpose: 'choice',
      why: 'Two strikes: the edge is protected, the ball below it is let go.',
      setUp: 'Two settings a ball’s width apart, one at the bottom of the zone and one under it.',
      cues: ['Choke up, shorten', 'See the height early', 'Let the low one go'],
      faults: ['Deciding before it leaves', 'Lunging at the low one'],
      cautions: [HELMETS, SCREEN],
      easier: 'Say it, do not swing.',
      harder: 'The chase ball comes more often.',
      players: [1, 5],
      rungs: [
        rung(
          'Say it',
          'Height early.',
          [
            pitch('Low strike', 'fastball', 0.2, { zone: 0.15 }),
            pitch('Chase', 'fastball', 0.2, { zone: -0.45, cue: 'Let it go', letGo: true }),
          ],
          { order: { kind: 'bag' }, perRound: 8, rounds: 2 },
        ),
        rung(
          'Swing or let go',
          'Shorten, protect.',
          [
            pitch('Low strike', 'fastball', 0.5, { zone: 0.15 }),
            pitch('Chase', 'fastball', 0.5, { zone: -0.45, cue: 'Let it go', letGo: true }),
          ],
          { order: { kind: 'weighted', weights: [3, 2], longestRun: 3 }, perRound: 10, rounds: 3 },
        ),
        rung(
          'With a slow one',
          'Ready for the fast.',
          [
            pitch('Low strike', 'fastball', 0.5, { zone: 0.15 }),
            pitch('Chase', 'fastball', 0.5, { zone: -0.45, cue: 'Let it go', letGo: true }),
            pitch('Change-up', 'change-up', 0.5, { zone: 0.2 }),
          ],
          { order: { kind: 'weighted', weights: [2, 2, 1], longestRun: 3 }, perRound: 10, rounds: 3 },
        ),
      ],
    },
    {
      id: `${sport}-two-machines-one-voice`,
      sport,
      level: 'Advanced',
      name: 'Two machines, one voice',
      purpose: 'choice',
      why: 'Both feeders show a ball, one lets go: the nearest thing to a pitcher with two pitches.',
      setUp: 'Two machines side by side behind screens. The caller reads the list; the other feeder only shows.',
      cues: ['Same rhythm: show, down, in', 'Ready for the fast one', 'Hit what came'],
      faults: ['Feeders with two rhythms', 'Looking at the feeder’s hand'],
      cautions: [HELMETS, SCREEN, MANUAL],
      easier: 'Fixed: five from each.',
      harder: 'The list is new every round.',
      players: [3, 6],
      rungs: [
        rung('Five from each', 'One rhythm.', twoMachines(0.5), { order: { kind: 'blocks', size: 5 }, perRound: 10, rounds: 2 }),
        rung('Turn about', 'Show, down, in.', twoMachines(0.6), { order: { kind: 'alternate' }, perRound: 10, rounds: 2 }),
        rung('Called', 'Hit what came.', twoMachines(0.6), {
          order: { kind: 'calls', list: [1, 1, 2, 1, 2, 2, 1, 1, 2, 1] },
          perRound: 10,
          rounds: 3,
        }),
      ],
    },
    {
      id: `${sport}-first-strikes`,
      sport,
      level: 'Starting',
      name: 'First strikes',
      purpose: 'groove',
      why: 'Every ball a strike, every swing a swing: confidence for the youngest.',
      setUp: `Thrower at ${nearFt[1]} ft or nearer, a grown-up feeds. Seat every ball the same way: its seams change the height.`,
      cues: ['Feet still until it comes', 'Eyes on the top half', 'Swing all the way round'],
      faults: ['Stepping out', 'Waiting for a better one'],
      cautions: [HELMETS, 'Children do not carry, feed or adjust the machine.', 'Count the swings; stop while it is fun.'],
      easier: 'A soft ball of the same size.',
      harder: 'One pin quicker.',
      players: [1, 8],
      rungs: [
        rung('Slow strike', 'Feet still.', [pitch('Strike', 'fastball', 0)], { from: at(nearFt[0]), perRound: 5, rounds: 3, width: 1.3 }),
        rung('A pin quicker', 'Top half of the ball.', [pitch('Strike', 'fastball', 0.35)], {
          from: at(nearFt[0]),
          perRound: 5,
          rounds: 3,
          width: 1.1,
        }),
        rung('League look', 'All the way round.', [pitch('Strike', 'fastball', 0.7)], { from: at(nearFt[1]), perRound: 5, rounds: 3 }),
      ],
    },
  ];
}
