import { type Arrangement, arrange, type Setup } from '../bench/index.ts';
import type { Sport } from '../catalog/index.ts';
import type { RungDocument } from '../drill/index.ts';
import type { Judgement } from '../ladder/index.ts';
import type { MachineProfile } from '../machine/index.ts';
import { type Hazard, RULES } from './registry.ts';
import { subjectOfRung } from './subject/rung.ts';
import { subjectOfSetup } from './subject/setup.ts';
import type { Around, Subject } from './subject/subject.ts';

/** More swings in a day than a young player should have. */
export { overTheDay } from './juniors.ts';
/** Something to think of before a ball is thrown: a code, its weight and its figures in SI. */
export type { Hazard } from './registry.ts';
/** What is known beside a set-up or a rung. */
export type { Around } from './subject/subject.ts';
/** A rule’s code; the sentence for it is the interface’s. */
export type HazardCode = Hazard['code'];

/** That a ball leaves too little time, or that nobody knows. */
const OF_TIME: readonly HazardCode[] = ['unsafe', 'not-judged', 'challenge', 'too-quick'];
const rank = ({ code, weight }: Hazard): number => (OF_TIME.includes(code) ? 0 : weight === 'grave' ? 1 : 2);

/** What the rules find: of time first, then the grave. A rule that knows nothing of its subject says nothing. */
function hazardsOf(subject: Subject): Hazard[] {
  const found = RULES.flatMap((rule): Hazard[] => {
    const hazard = rule(subject);
    return hazard ? [hazard] : [];
  });
  return found.sort((a, b) => rank(a) - rank(b));
}

/** Dangers and nuisances of a set-up. The list is not complete: the machine's manual and local rules come first. @param options `widestBallM` of the machine, and what is known beside the set-up */
export const hazardsOfSetup = (setup: Setup, arrangement: Arrangement, options: { widestBallM?: number } & Around = {}): Hazard[] =>
  hazardsOf(subjectOfSetup(setup, arrangement, options));

/** What nobody should be led to by a search. */
const FORBIDS: readonly HazardCode[] = ['unsafe', 'not-judged', 'in-front', 'too-far', 'fence', 'ceiling', 'unkind', 'jam'];

/** Whether a set-up may be proposed on this machine: nothing of it is forbidden elsewhere on the screen. */
export const isProposable = (setup: Setup, machine: MachineProfile): boolean =>
  !hazardsOfSetup(setup, arrange(setup, machine), { widestBallM: machine.widestBallM }).some(({ code }) => FORBIDS.includes(code));

/** What to think of before a rung is climbed. @param around what is known beside it: who hits, where, who feeds */
export const hazardsOfRung = (rung: RungDocument, sport: Sport, judgement: Judgement, around: Around = {}): Hazard[] =>
  hazardsOf(subjectOfRung(rung, sport, judgement, around));

/** What is said wherever a rung is shown, and before it is armed, beside those of time. */
const IN_SIGHT: readonly HazardCode[] = [
  ...OF_TIME,
  'unkind',
  'in-front',
  'close-together',
  'fence',
  'child-feeds',
  'juniors',
  'wrong-ball',
  'heat',
  'heat-stop',
];

/** Those that matter on a card and on court: of time, of balls that nobody should have to play, of who feeds, where one stands and how much it gets. */
export const hazardsInSight = (rung: RungDocument, sport: Sport, judgement: Judgement, around: Around = {}): Hazard[] =>
  hazardsOfRung(rung, sport, judgement, around).filter(({ code }) => IN_SIGHT.includes(code));
