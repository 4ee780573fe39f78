import { type Dial, type DialMoves, dialValue, onClick, printReading, readingFor, wheelsFor } from '../dial/index.ts';
import type { Launch } from '../flight/index.ts';
import type { DialId } from '../ids.ts';
import { shortTurnDeg, within } from '../quantity/index.ts';
import type { MachineProfile } from './profile.ts';
import { spinFor } from './spin.ts';

/** A machine with its dials, and what was seen of it today. */
export interface DialledMachine {
  profile: MachineProfile;
  dials: readonly Dial[];
  /** Speed today over what the curves say: a first ball that landed off. 1 without. */
  speedShare?: number;
}

/** One dial's place for a feed. */
export interface DialSetting {
  dialId: DialId;
  name: string;
  moves: DialMoves;
  /** On a click. */
  reading: number;
  text: string;
  /** What the reading gives, and the 95 % interval of that, in the unit of what the dial moves. */
  gives: number;
  lo: number;
  hi: number;
  /** `gives` less what was wanted: what clicks leave over, and what the dial cannot reach. */
  off: number;
  /** The wanted value lies beyond the scale. */
  beyond: boolean;
}

/** What a person has to do by hand between two balls. */
export type ByHand = 'turn' | 'pin' | 'program' | 'walk';

/** What is reached for on a machine and whether it can. */
export interface Capability {
  can: boolean;
  settings: DialSetting[];
  /** Dials that move something this feed needs and were never tuned. */
  untuned: Dial[];
  /** What it cannot do, with the nearest it can. */
  short: { what: 'speed' | 'elevation' | 'topspin' | 'sidespin' | 'bearing'; wanted: number; nearest: number }[];
  /** What a person has to do. */
  byHand: ByHand[];
}

/** A spin this close is the same ball, rpm. */
const SAME_SPIN_RPM = 60;

/**
 * Can this machine throw this ball, with which dial values, how far off is the nearest, and what must a person do?
 * @param launch what is wanted; its bearing is taken against `pointsDeg`
 * @param pointsDeg where the machine points as it stands; null when a person turns it anyway
 */
export function capability(
  { profile, dials, speedShare = 1 }: DialledMachine,
  launch: Pick<Launch, 'speedMps' | 'elevationDeg' | 'bearingDeg' | 'topspinRpm' | 'sidespinRpm'>,
  ballRadiusM: number,
  pointsDeg: number | null = null,
  intervalS: number | null = null,
): Capability {
  const speedMps = within(launch.speedMps, profile.speedMps);
  const elevationDeg = within(launch.elevationDeg, profile.elevationDeg);
  const spin = spinFor(profile.spin, launch, speedMps);
  const short: Capability['short'] = [
    { what: 'speed' as const, wanted: launch.speedMps, nearest: speedMps, slack: 0.01 },
    { what: 'elevation' as const, wanted: launch.elevationDeg, nearest: elevationDeg, slack: 0.01 },
    { what: 'topspin' as const, wanted: launch.topspinRpm, nearest: spin.topspinRpm, slack: SAME_SPIN_RPM },
    { what: 'sidespin' as const, wanted: launch.sidespinRpm, nearest: spin.sidespinRpm, slack: SAME_SPIN_RPM },
  ].flatMap(({ what, wanted, nearest, slack }) => (Math.abs(wanted - nearest) > slack ? [{ what, wanted, nearest }] : []));

  const turnDeg = pointsDeg === null ? 0 : shortTurnDeg(launch.bearingDeg - pointsDeg);
  const reach = profile.bearingReachDeg;
  if (Math.abs(turnDeg) > reach && profile.aimedBy === 'program')
    short.push({ what: 'bearing', wanted: turnDeg, nearest: Math.sign(turnDeg) * reach });

  const wheels = wheelsFor(
    { speedMps: speedMps / speedShare, topspinRpm: spin.topspinRpm, sidespinRpm: spin.sidespinRpm },
    profile.wheelsDeg,
    ballRadiusM,
  );
  const wantedOf = ({ moves, wheel }: Dial): number | null => {
    switch (moves) {
      case 'speed':
        return speedMps / speedShare;
      case 'wheel':
        return wheels[wheel! - 1] ?? null;
      case 'elevation':
        return elevationDeg;
      case 'topspin':
        return spin.topspinRpm;
      case 'sidespin':
        return spin.sidespinRpm;
      case 'bearing':
        return turnDeg;
      case 'interval':
        return intervalS;
    }
  };
  const settings: DialSetting[] = [];
  const untuned: Dial[] = [];
  const left = new Map<DialMoves, number>();
  // several dials may move one thing (a hole and a fine screw): the coarsest first, the finer make up what its clicks leave over
  for (const dial of [...dials].sort((a, b) => clickWorth(b) - clickWorth(a))) {
    const asked = left.get(dial.moves) ?? wantedOf(dial);
    if (asked === null) continue;
    if (!dial.curve) {
      untuned.push(dial);
      continue;
    }
    const { reading: exact, beyond } = readingFor(dial.scale, dial.curve, asked);
    const reading = onClick(dial.scale, exact);
    const { value, lo, hi } = dialValue(dial.scale, dial.curve, reading);
    settings.push({
      dialId: dial.id,
      name: dial.name,
      moves: dial.moves,
      reading,
      text: printReading(dial.scale, reading),
      gives: value,
      lo,
      hi,
      off: value - asked,
      beyond: beyond !== 0,
    });
    if (dial.moves === 'elevation') left.set('elevation', asked - value);
  }
  const order = dials.map(({ id }) => id);
  settings.sort((a, b) => order.indexOf(a.dialId) - order.indexOf(b.dialId));
  untuned.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));

  const byHand: ByHand[] = [
    ...(profile.aimedBy !== 'program' && Math.abs(turnDeg) > Math.max(0.5, profile.aimedBy === 'sweep' ? reach : 0)
      ? ['turn' as const]
      : []),
    ...(profile.speedSteps?.length || dials.some(({ scale }) => scale.kind === 'pins') ? ['pin' as const] : []),
    ...(dials.length === 0 ? ['program' as const] : []),
    ...(short.some(({ what }) => what === 'speed') ? ['walk' as const] : []),
  ];
  return { can: short.length === 0 && settings.every(({ beyond }) => !beyond), settings, untuned, short, byHand };
}

/** What one click is worth in the middle of the scale; an untuned dial counts by its clicks. */
function clickWorth({ curve, scale }: Dial): number {
  if (!curve) return scale.click / (scale.hi - scale.lo);
  const middle = (scale.lo + scale.hi) / 2;
  return Math.abs(dialValue(scale, curve, middle + scale.click / 2).value - dialValue(scale, curve, middle - scale.click / 2).value);
}

/** Clicks that bring a dial from a reading to a change of what it moves, and what they then give. */
export interface ClickTrim {
  dialId: DialId;
  name: string;
  /** Positive: a higher reading. Never 0: less than half a click is no trim. */
  clicks: number;
  reading: number;
  text: string;
  /** What the clicks change, in the unit of what the dial moves. */
  change: number;
}

/**
 * The clicks nearest to a wanted change, of the dial whose clicks are finest first.
 * @param readings where each dial stands now, by its id; a dial without one is left out
 */
export function clicksFor(
  dials: readonly Dial[],
  moves: DialMoves,
  change: number,
  readings: Readonly<Record<string, number>>,
): ClickTrim[] {
  return dials
    .filter((dial) => dial.moves === moves && dial.curve && readings[dial.id] !== undefined)
    .sort((a, b) => clickWorth(a) - clickWorth(b))
    .flatMap((dial) => {
      const now = readings[dial.id]!;
      const value = dialValue(dial.scale, dial.curve!, now).value;
      const reading = onClick(dial.scale, readingFor(dial.scale, dial.curve!, value + change).reading);
      const clicks = Math.round((reading - now) / dial.scale.click);
      if (clicks === 0) return [];
      const gives = dialValue(dial.scale, dial.curve!, reading).value - value;
      return [{ dialId: dial.id, name: dial.name, clicks, reading, text: printReading(dial.scale, reading), change: gives }];
    });
}
