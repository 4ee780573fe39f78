// Written by ./arc from the files beside it: add a file, and it is listed.
import { type Hazard as BackPedal, rule as backPedal } from './back-pedal.ts';
import { type Hazard as Ceiling, rule as ceiling } from './ceiling.ts';
import { type Hazard as ChildFeeds, rule as childFeeds } from './child-feeds.ts';
import { type Hazard as CloseTogether, rule as closeTogether } from './close-together.ts';
import { type Hazard as Contact, rule as contact } from './contact.ts';
import { type Hazard as Fence, rule as fence } from './fence.ts';
import { type Hazard as Fielders, rule as fielders } from './fielders.ts';
import { type Hazard as Heat, rule as heat } from './heat.ts';
import { type Hazard as Helmets, rule as helmets } from './helmets.ts';
import { type Hazard as InFront, rule as inFront } from './in-front.ts';
import { type Hazard as Jam, rule as jam } from './jam.ts';
import { type Hazard as Juniors, rule as juniors } from './juniors.ts';
import { type Hazard as LongRound, rule as longRound } from './long-round.ts';
import { type Hazard as LongRun, rule as longRun } from './long-run.ts';
import { type Hazard as LowNet, rule as lowNet } from './low-net.ts';
import { type Hazard as MachineInTheWay, rule as machineInTheWay } from './machine-in-the-way.ts';
import { type Hazard as NonVolley, rule as nonVolley } from './non-volley.ts';
import { type Hazard as NotJudged, rule as notJudged } from './not-judged.ts';
import { type Hazard as Survival, rule as survival } from './survival.ts';
import { type Hazard as TooFar, rule as tooFar } from './too-far.ts';
import { type Hazard as TooQuick, rule as tooQuick } from './too-quick.ts';
import { type Hazard as Windy, rule as windy } from './windy.ts';
import { type Hazard as WrongBall, rule as wrongBall } from './wrong-ball.ts';

/** What a rule has to say: its code, its weight, and the figures it rests on. */
export type Hazard =
  | BackPedal
  | Ceiling
  | ChildFeeds
  | CloseTogether
  | Contact
  | Fence
  | Fielders
  | Heat
  | Helmets
  | InFront
  | Jam
  | Juniors
  | LongRound
  | LongRun
  | LowNet
  | MachineInTheWay
  | NonVolley
  | NotJudged
  | Survival
  | TooFar
  | TooQuick
  | Windy
  | WrongBall;

export const RULES = [
  backPedal,
  ceiling,
  childFeeds,
  closeTogether,
  contact,
  fence,
  fielders,
  heat,
  helmets,
  inFront,
  jam,
  juniors,
  longRound,
  longRun,
  lowNet,
  machineInTheWay,
  nonVolley,
  notJudged,
  survival,
  tooFar,
  tooQuick,
  windy,
  wrongBall,
];
