import type { Arrangement, Setup } from '../bench/index.ts';
import type { Sport } from '../catalog/index.ts';
import type { RungDocument } from '../drill/index.ts';
import type { Judgement } from '../ladder/index.ts';
import { type BackPedal, backPedal } from './back-pedal.ts';
import { type Ceiling, ceiling } from './ceiling.ts';
import { type Fence, fence } from './fence.ts';
import { type Fielders, fielders } from './fielders.ts';
import { type Helmets, helmets } from './helmets.ts';
import { type InFront, inFront } from './in-front.ts';
import { type Jam, jam } from './jam.ts';
import { type Juniors, juniors } from './juniors.ts';
import { type LongRound, longRound } from './long-round.ts';
import { type LongRun, longRun } from './long-run.ts';
import { type LowNet, lowNet } from './low-net.ts';
import { type MachineInTheWay, machineInTheWay } from './machine-in-the-way.ts';
import { type NonVolley, nonVolley } from './non-volley.ts';
import { type NotJudgedHazard, notJudgedRule } from './not-judged.ts';
import { subjectOfRung } from './rung.ts';
import { subjectOfSetup } from './setup.ts';
import type { Subject } from './subject.ts';
import { type Survival, survival } from './survival.ts';
import { type TooFar, tooFar } from './too-far.ts';
import { type TooQuick, tooQuick } from './too-quick.ts';
import { type Windy, windy } from './windy.ts';

/** Something to think of before a ball is thrown: a code, its weight and its figures in SI. */
export type Hazard =
  | BackPedal
  | Ceiling
  | Fence
  | Fielders
  | Helmets
  | InFront
  | Jam
  | Juniors
  | LongRound
  | LongRun
  | LowNet
  | MachineInTheWay
  | NonVolley
  | NotJudgedHazard
  | Survival
  | TooFar
  | TooQuick
  | Windy;
export type HazardCode = Hazard['code'];

/** Every rule, in the order in which hazards are said. A rule that knows nothing of its subject says nothing. */
const RULES: readonly ((subject: Subject) => Hazard | null)[] = [
  jam,
  notJudgedRule,
  tooQuick,
  survival,
  backPedal,
  juniors,
  longRun,
  longRound,
  nonVolley,
  helmets,
  fielders,
  machineInTheWay,
  inFront,
  fence,
  ceiling,
  tooFar,
  windy,
  lowNet,
];

const hazardsOf = (subject: Subject): Hazard[] => RULES.flatMap((rule) => rule(subject) ?? []);

/** Dangers and nuisances of a set-up. The list is not complete: the machine's manual and local rules come first. @param options `widestBallM` of the machine */
export const hazardsOfSetup = (setup: Setup, arrangement: Arrangement, options: { widestBallM?: number } = {}): Hazard[] =>
  hazardsOf(subjectOfSetup(setup, arrangement, options));

/** What to think of before a rung is climbed. */
export const hazardsOfRung = (rung: RungDocument, sport: Sport, judgement: Judgement): Hazard[] =>
  hazardsOf(subjectOfRung(rung, sport, judgement));

const OF_TIME: readonly HazardCode[] = ['unsafe', 'not-judged', 'challenge', 'too-quick'];

/** Those that say that a ball leaves too little time, or that nobody knows: for wherever a rung is shown, and before it is armed. */
export const timeHazards = (rung: RungDocument, sport: Sport, judgement: Judgement): Hazard[] =>
  hazardsOfRung(rung, sport, judgement).filter(({ code }) => OF_TIME.includes(code));
