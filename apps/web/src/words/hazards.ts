import { type Hazard, upToHalfS } from '@good-arc/core';
import { atPart as at } from './height.ts';

/** What is said of a hazard: what it is, why it matters, what to do. */
export interface Said {
  what: string;
  why: string;
  doThis: string;
}

/** Said under every list of hazards. */
export const MANUAL_FIRST = 'The machine’s manual and local rules come first.';

type Length = (m: number) => string;
/** Figures of a code; one rule may find several. */
type Of<Code extends Hazard['code'], One = Hazard> = One extends Hazard ? (Code extends One['code'] ? One['figures'] : never) : never;

/** A figure that is no temperature of the air, and is known in both units. */
const warmth = (c: number): string => `${Math.round(c)} °C (${Math.round(1.8 * c + 32)} °F)`;

const comesIn = ({ timeS, needS, hitting, band }: Of<'unsafe'>): string =>
  hitting
    ? `It is there in ${timeS.toFixed(2)} s; the game of this age${band ? ` (${band})` : ''} takes ${needS.toFixed(2)} s.`
    : `It is there in ${timeS.toFixed(2)} s; seeing and getting there takes ${needS.toFixed(2)} s.`;

const ball = (name: string | null): string => (name === null ? 'The ball' : `“${name}”`);
const cureOf = ({ heightM, lowM }: Of<'unkind'>): string =>
  heightM < lowM
    ? 'Move the player nearer to the bounce, land it deeper, or throw it higher. On the bench, drag the ball up the player.'
    : 'Let it come down: a shorter or flatter ball, or the player farther back. On the bench, drag the ball down the player.';

function notJudged({ why }: Of<'not-judged'>): Said {
  const unsaid = 'nothing here says that it is safe.';
  const missing = why.flatMap((each) => (each.code === 'does-not-arrive' ? [each] : []));
  if (missing.length > 0) {
    const names = missing.map(({ feed, name }) => (name === undefined ? 'this ball' : `ball ${feed + 1} “${name}”`)).join(', ');
    return {
      what: `Not judged: ${names} ${missing.length === 1 ? 'does' : 'do'} not arrive.`,
      why: `What never reaches the player has no time and no height, so ${unsaid}`,
      doThis: 'Move the player in, land it deeper or throw it harder, then look again.',
    };
  }
  if (why.some(({ code }) => code === 'not-thrown'))
    return {
      what: 'Not judged: this ball cannot be thrown.',
      why: `There is no flight to look at, so ${unsaid}`,
      doThis: 'Change what stands under the picture: the speed, the arc or the place of the machine.',
    };
  if (why.some(({ code }) => code === 'no-machine'))
    return {
      what: 'Not judged: its machine is not in the kit.',
      why: `Nobody knows what throws it, so ${unsaid}`,
      doThis: 'Choose another machine for it.',
    };
  return { what: 'Not judged: no ball of it is switched on.', why: 'Without a ball there is nothing to judge.', doThis: 'Switch one on.' };
}

/** Every hazard by its code. */
const WORDS: { [Code in Hazard['code']]: (figures: Of<Code>, length: Length) => Said } = {
  jam: ({ acrossM, widestM }, length) => ({
    what: 'This ball jams the machine.',
    why: `It is ${length(acrossM)} across; the machine takes ${length(widestM)}.`,
    doThis: 'Take a ball of the usual size; lower-compression ones of that size are soft as well.',
  }),
  'not-judged': notJudged,
  unsafe: (figures) => ({
    what: `A hard ball and too little time for this ${figures.hitting ? 'age' : 'level'}.`,
    why: comesIn(figures),
    doThis: 'Slow it down, stand farther back, or take a soft ball. A coach who wants it all the same confirms it by name.',
  }),
  'too-quick': (figures) => ({
    what: 'Too little time to react for this level.',
    why: comesIn(figures),
    doThis: 'A slower or higher ball, or one that is known.',
  }),
  challenge: (figures) => ({
    what: 'A challenge: quicker than the game of this age.',
    why: comesIn(figures),
    doThis: 'Few balls, a helmet, and back to the game’s own time.',
  }),
  unkind: (figures, length) => ({
    what: `${ball(figures.name)} comes ${at(figures.part)}, ${length(figures.heightM)}.`,
    why: `At this level it should be met between ${length(figures.lowM)} and ${length(figures.highM)}; nobody learns a stroke from there.`,
    doThis: cureOf(figures),
  }),
  height: (figures, length) => ({
    what: `${ball(figures.name)} is met ${at(figures.part)}, ${length(figures.heightM)}: a little ${figures.heightM < figures.lowM ? 'low' : 'high'}.`,
    why: `At this level ${length(figures.lowM)} to ${length(figures.highM)} is good.`,
    doThis: cureOf(figures),
  }),
  survival: ({ intervalS, shortOfS, hitting, readyIntervalS }) => ({
    what: 'This is survival pace: balls are survived, not practised.',
    why: hitting
      ? `${intervalS.toFixed(1)} s from ball to ball leave no time to reset, breathe and look.`
      : `A ball leaves ${shortOfS.toFixed(1)} s before the player is ready to see it.`,
    doThis:
      readyIntervalS === null
        ? 'A longer interval, unless it is meant as work for heart and lungs.'
        : `Feed every ${upToHalfS(readyIntervalS).toFixed(1)} s or slower, unless it is meant as work for heart and lungs.`,
  }),
  'back-pedal': () => ({
    what: 'A ball over the head: people run backwards for it.',
    why: 'Falls come from back-pedalling and from balls underfoot.',
    doThis: 'Turn and run, never backwards. Clear the ground behind first.',
  }),
  juniors: ({ swingsEach, swingsBefore, mostSwings, ageYears }) => ({
    what:
      swingsBefore > 0
        ? `${swingsBefore} swings are in this day already; with these ${swingsEach} it is ${swingsBefore + swingsEach}.`
        : `${swingsEach} swings each in a day.`,
    why: `Young arms are counted: ${mostSwings} a day is where to think${ageYears === null ? '' : ` at ${ageYears}`}.`,
    doThis: 'Fewer rounds, another player in turn, or the rest tomorrow.',
  }),
  'child-feeds': ({ ageYears, fromYears, handFed }) => ({
    what: handFed ? 'A grown-up feeds this machine.' : 'A grown-up sets, feeds and moves this machine.',
    why: `${ageYears === null ? 'Children may be about' : `Somebody here is ${ageYears}`}: fingers and sleeves get into wheels, and a ball that is dropped in leaves at once.`,
    doThis: `Nobody under ${fromYears} feeds, adjusts or carries it. Look up before you feed; show the ball, down, in.`,
  }),
  'wrong-ball': ({ ball: name, indoors }) => ({
    what: `${name}: not the ball for ${indoors ? 'a hall' : 'the open'}.`,
    why: indoors
      ? 'It is harder and quicker off the floor than what is played with here.'
      : 'It is softer, and the wind takes it more than what is played with here.',
    doThis: `Take ${indoors ? 'an indoor' : 'an outdoor'} ball, and choose it here, too.`,
  }),
  'wind-indoors': () => ({
    what: 'Wind is set, but this court is in a hall.',
    why: 'The ball is aimed for a wind that is not there.',
    doThis: 'Set the wind to nothing.',
  }),
  'long-run': ({ balls }) => ({
    what: `The same ball ${balls} times running.`,
    why: 'It becomes a habit of the arm, and the feet go to sleep.',
    doThis: 'Smaller blocks, or a limit to the run.',
  }),
  'long-round': ({ balls, capBalls }) => ({
    what: `${balls} balls without a stop.`,
    why: `After about ${capBalls} nobody corrects anything any more; balls lie underfoot.`,
    doThis: `Plan a stop at ${capBalls}: pick up, breathe, look at the count.`,
  }),
  'non-volley': () => ({
    what: 'Volleys close to the non-volley zone.',
    why: 'Touching the zone, or being carried into it by the swing, loses the ball.',
    doThis: 'Start a stride behind the line and finish balanced. Eye protection.',
  }),
  helmets: ({ ball }) => ({
    what: `${ball}: helmets and a screen.`,
    why: 'A hit ball comes back faster than it was thrown.',
    doThis:
      'Helmet on the hitter and on a feeder without a screen; the screen close to the machine; nobody forward of it while it is armed.',
  }),
  fielders: () => ({
    what: 'Several players look up at once.',
    why: 'Two who do not call run into each other.',
    doThis: 'One voice for each ball; agree who has the middle.',
  }),
  'machine-in-the-way': () => ({
    what: 'The way to the target leads past the machine.',
    why: 'A ball hit well hits the machine, or whoever feeds it.',
    doThis: 'Hit to the other side of it, or move the machine; a feeder stands behind a screen.',
  }),
  'in-front': ({ awayM, closeM, hard }, length) => ({
    what: 'Someone stands forward of the machine, close to it.',
    why: `It is ${length(awayM)} to the muzzle, and inside ${length(closeM)} a ball that leaves early or off its line cannot be dodged.`,
    doThis: hard ? 'Move them back to the plate or behind a screen before it is fed.' : 'Move the player back, or feed by hand.',
  }),
  'close-together': ({ apartM, leastM }, length) => ({
    what: `Two who hit side by side are only ${length(apartM)} apart.`,
    why: 'One reaches into the swing of the other.',
    doThis: `Let the machine turn farther, or move it back, until they stand ${length(leastM)} apart.`,
  }),
  fence: ({ upM, fenceM }, length) => ({
    what: 'A ball that is missed goes over the fence.',
    why: `It is ${length(upM)} up there; a fence is taken to be ${length(fenceM)} high (our assumption).`,
    doThis: 'A flatter arc, more topspin, or a lower net of people behind: look what lies beyond.',
  }),
  'near-ceiling': ({ apexM, ceilingM }, length) => ({
    what: 'The ball passes close under the ceiling.',
    why: `Its highest point is ${length(apexM ?? ceilingM)}; the ceiling is at ${length(ceilingM)}.`,
    doThis: 'A flatter arc; mind lamps and beams.',
  }),
  ceiling: ({ ceilingM }, length) => ({
    what: 'This arc would touch the ceiling.',
    why: `The court has ${length(ceilingM)}.`,
    doThis: 'Take a flatter arc from the slider.',
  }),
  'too-far': ({ farthestM }, length) => ({
    what: `The machine stands beyond ${length(farthestM)}.`,
    why: 'From there a small error of the wheels is a ball at the hitter.',
    doThis: `Bring it to ${length(farthestM)} or nearer and use the pace chart for the speed.`,
  }),
  heat: ({ wbgtC, mostC }) => ({
    what: `Hot: ${warmth(wbgtC)} as a body feels it in the sun.`,
    why: `From ${warmth(mostC)} on nobody should play; air, damp and sun are counted together.`,
    doThis: 'Shorter rounds, shade and water every ten minutes, and an eye on whoever goes quiet.',
  }),
  'heat-stop': ({ wbgtC, mostC }) => ({
    what: `Too hot to go on: ${warmth(wbgtC)} as a body feels it in the sun.`,
    why: `${warmth(mostC)} is where play is stopped${mostC < 32 ? ' for children' : ''}; air, damp and sun are counted together.`,
    doThis: 'Stop, shade and water; come back in the morning or the evening, or go indoors.',
  }),
  windy: () => ({
    what: 'Too much wind for this ball.',
    why: 'The spread is wider than what a player can learn from.',
    doThis: 'Feed with the wind at the machine’s back, lower and faster, or come indoors.',
  }),
  'low-net': () => ({
    what: 'Low over the net for a feed at this level.',
    why: 'Every ball that clips the net breaks the rhythm.',
    doThis: 'A higher arc, or hold the net clearance.',
  }),
};

/** A hazard in words. @param length writes a length as the person reads it */
export const sayHazard = ({ code, figures }: Hazard, length: Length): Said =>
  (WORDS[code] as (of: Hazard['figures'], length: Length) => Said)(figures, length);
