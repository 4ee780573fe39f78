import type { Target } from '../aim/index.ts';
import type { Net } from '../catalog/index.ts';
import type { Conditions, Launch } from '../flight/index.ts';
import type { MachineProfile } from '../machine/index.ts';
import { seededRandom } from '../random.ts';
import { endpointOf } from './endpoint.ts';
import { type Covariance, chanceInRectangle, normalCdf, normals } from './normal.ts';
import { KNOBS, sensitivity } from './sensitivity.ts';

/** A machine that does not throw the same ball twice, in gusts, at a target of some size. */
export interface SpreadQuestion {
  conditions: Conditions;
  launch: Launch;
  /** 1 σ each, normal and independent; `spinPct` moves all of the spin by one factor. */
  repeatability: MachineProfile['repeatability'];
  /** 1 σ on each component of the wind, m/s. */
  gustMps: number;
  /** Its middle and its size: `depthM` is along the court, or the height of a window in a plane. */
  target: Target;
  size: { widthM: number; depthM: number };
  net: Net | null;
}

/**
 * Shares of all balls. `net`: would not clear the net. The others count only balls that clear it; `short`, `long` and `wide` are each
 * against its own edge of the target, so that a ball can be both long and wide. In a plane `short` is low and `long` is high.
 */
export interface Chances {
  net: number;
  inTarget: number;
  short: number;
  long: number;
  wide: number;
}

/** Where balls come down, by first-order propagation of the machine’s scatter. */
export interface LinearSpread {
  mean: { x: number; y: number };
  cov: Covariance;
  chance: Pick<Chances, 'net' | 'inTarget'>;
  /** Where the spread comes from: σ of each cause along and across, m. */
  causes: { cause: 'speed' | 'elevation' | 'bearing' | 'spin' | 'gusts'; xM: number; alongM: number }[];
}

/** Where balls come down, counted over many sampled throws. */
export interface SampledSpread {
  mean: { x: number; y: number };
  cov: Covariance;
  chance: Chances;
  standardError: Chances;
  /** Balls that never reached the plane of the target are not in mean and covariance. */
  counted: number;
}

const edges = ({ target, size }: SpreadQuestion) => {
  const along = target.kind === 'landing' ? target.y : target.z;
  return {
    x: [target.x - size.widthM / 2, target.x + size.widthM / 2] as const,
    along: [along - size.depthM / 2, along + size.depthM / 2] as const,
  };
};

/** σ of each knob, from the machine's repeatability and the gusts; spins move together and are handled apart. */
const sigmas = ({ launch, repeatability, gustMps }: SpreadQuestion) => ({
  speedMps: (repeatability.speedPct / 100) * launch.speedMps,
  elevationDeg: repeatability.elevationDeg,
  bearingDeg: repeatability.bearingDeg,
  spin: repeatability.spinPct / 100,
  gust: gustMps,
});

/** Less than this into the net does not show in the target. */
const HARDLY_EVER = 1e-5;
const SLICES = 64;
const WIDEST_Z = 6;

/** Chance of the target among balls that clear the net: sliced by how high they cross it, since a low one is also a short one. */
function overNet(
  clearanceM: number,
  netSigmaM: number,
  mean: { x: number; y: number },
  cov: { xx: number; xy: number; yy: number },
  toNet: { x: number; along: number },
  inRectangle: (mean: { x: number; y: number }, cov: { xx: number; xy: number; yy: number }) => number,
): number {
  const from = Math.max(-WIDEST_Z, -clearanceM / netSigmaM);
  const [bx, by] = [toNet.x / netSigmaM, toNet.along / netSigmaM];
  // what is left when the height over the net is known; a hair is kept so that it stays a covariance
  const rest = { xx: Math.max(1e-12, cov.xx - bx * bx), xy: cov.xy - bx * by, yy: Math.max(1e-12, cov.yy - by * by) };
  const step = (WIDEST_Z - from) / SLICES;
  let chance = 0;
  for (let i = 0; i < SLICES && step > 0; i++) {
    const z = from + (i + 0.5) * step;
    chance += ((Math.exp((-z * z) / 2) * step) / Math.sqrt(2 * Math.PI)) * inRectangle({ x: mean.x + bx * z, y: mean.y + by * z }, rest);
  }
  return chance;
}

/** The ellipse at once, by the sensitivities. @returns null when a neighbouring ball never reaches the target's plane */
export function linearSpread(question: SpreadQuestion): LinearSpread | null {
  const { conditions, launch, target, net } = question;
  const middle = endpointOf(conditions, launch, target, net);
  const effects = sensitivity(conditions, launch, target, net);
  if (!middle || !effects) return null;
  const sigma = sigmas(question);
  const spin = { x: 0, along: 0, net: 0 };
  for (const knob of KNOBS) {
    if (knob !== 'topspinRpm' && knob !== 'sidespinRpm' && knob !== 'gyroRpm') continue;
    spin.x += effects[knob].x * launch[knob] * sigma.spin;
    spin.along += effects[knob].along * launch[knob] * sigma.spin;
    spin.net += effects[knob].netClearanceM * launch[knob] * sigma.spin;
  }
  const part = (knob: 'speedMps' | 'elevationDeg' | 'bearingDeg' | 'windXMps' | 'windYMps', s: number) => ({
    x: effects[knob].x * s,
    along: effects[knob].along * s,
    net: effects[knob].netClearanceM * s,
  });
  const parts = [
    part('speedMps', sigma.speedMps),
    part('elevationDeg', sigma.elevationDeg),
    part('bearingDeg', sigma.bearingDeg),
    spin,
    part('windXMps', sigma.gust),
    part('windYMps', sigma.gust),
  ] as const;
  const sum = (f: (p: (typeof parts)[number]) => number): number => parts.reduce((total, p) => total + f(p), 0);
  const cov = { xx: sum((p) => p.x * p.x), xy: sum((p) => p.x * p.along), yy: sum((p) => p.along * p.along) };
  const mean = { x: middle.x, y: middle.along };
  const box = edges(question);
  const netSigma = Math.sqrt(sum((p) => p.net * p.net));
  const clearance = middle.netClearanceM;
  const intoNet = clearance === null ? 0 : netSigma < 1e-9 ? (clearance < 0 ? 1 : 0) : normalCdf(-clearance / netSigma);
  const inRectangle = (at: typeof mean, of: typeof cov): number => chanceInRectangle(at, of, box.x, box.along);
  const toNet = { x: sum((p) => p.x * p.net), along: sum((p) => p.along * p.net) };
  const inTarget =
    clearance === null || intoNet < HARDLY_EVER
      ? inRectangle(mean, cov)
      : netSigma < 1e-9
        ? (1 - intoNet) * inRectangle(mean, cov)
        : overNet(clearance, netSigma, mean, cov, toNet, inRectangle);
  const [a, b, c, d, e, f] = parts;
  return {
    mean,
    cov,
    chance: { net: intoNet, inTarget },
    causes: [
      { cause: 'speed', xM: Math.abs(a.x), alongM: Math.abs(a.along) },
      { cause: 'elevation', xM: Math.abs(b.x), alongM: Math.abs(b.along) },
      { cause: 'bearing', xM: Math.abs(c.x), alongM: Math.abs(c.along) },
      { cause: 'spin', xM: Math.abs(d.x), alongM: Math.abs(d.along) },
      { cause: 'gusts', xM: Math.hypot(e.x, f.x), alongM: Math.hypot(e.along, f.along) },
    ],
  };
}

/** One throw of a machine that does not throw the same ball twice. @param normal standard normal numbers @param ball is written over where one is given, and returned */
export function thrownOff(
  launch: Launch,
  { speedPct, elevationDeg, bearingDeg, spinPct }: MachineProfile['repeatability'],
  normal: () => number,
  ball: Launch = { ...launch },
): Launch {
  ball.speedMps = Math.max(0.1, launch.speedMps + (speedPct / 100) * launch.speedMps * normal());
  ball.elevationDeg = launch.elevationDeg + elevationDeg * normal();
  ball.bearingDeg = launch.bearingDeg + bearingDeg * normal();
  const factor = 1 + (spinPct / 100) * normal();
  ball.topspinRpm = launch.topspinRpm * factor;
  ball.sidespinRpm = launch.sidespinRpm * factor;
  ball.gyroRpm = launch.gyroRpm * factor;
  return ball;
}

/**
 * Throws `samples` balls, each a little off, and counts. The same seed gives the same balls.
 * @param samples at least 2
 */
export function sampledSpread(question: SpreadQuestion, samples: number, seed: number): SampledSpread {
  const { conditions, launch, target, net } = question;
  const normal = normals(seededRandom(seed));
  const box = edges(question);
  // a ball that travels toward −y is long when it lands beyond the lower y; a plane's “long” is high
  const away = target.kind === 'landing' && target.y < launch.y ? -1 : 1;
  const count = { net: 0, inTarget: 0, short: 0, long: 0, wide: 0 };
  let [n, mx, my, sxx, sxy, syy] = [0, 0, 0, 0, 0, 0];
  const wind = { ...conditions.wind };
  const ball = { ...launch };
  const here = { ...conditions, wind };
  for (let i = 0; i < samples; i++) {
    thrownOff(launch, question.repeatability, normal, ball);
    wind.xMps = conditions.wind.xMps + question.gustMps * normal();
    wind.yMps = conditions.wind.yMps + question.gustMps * normal();
    const out = endpointOf(here, ball, target, net);
    if (!out) {
      count.short++;
      continue;
    }
    // Welford's running mean and covariance
    n++;
    const dx = out.x - mx;
    const dy = out.along - my;
    mx += dx / n;
    my += dy / n;
    sxx += dx * (out.x - mx);
    sxy += dx * (out.along - my);
    syy += dy * (out.along - my);
    if (out.netClearanceM !== null && out.netClearanceM < 0) {
      count.net++;
      continue;
    }
    const wide = out.x < box.x[0] || out.x > box.x[1];
    const below = out.along < box.along[0];
    const above = out.along > box.along[1];
    if (wide) count.wide++;
    if (away < 0 ? above : below) count.short++;
    if (away < 0 ? below : above) count.long++;
    if (!wide && !below && !above) count.inTarget++;
  }
  const share = (k: number): number => k / samples;
  const error = (k: number): number => Math.sqrt((share(k) * (1 - share(k))) / samples);
  const each = (f: (k: number) => number): Chances => ({
    net: f(count.net),
    inTarget: f(count.inTarget),
    short: f(count.short),
    long: f(count.long),
    wide: f(count.wide),
  });
  const over = Math.max(1, n - 1);
  return {
    mean: { x: mx, y: my },
    cov: { xx: sxx / over, xy: sxy / over, yy: syy / over },
    chance: each(share),
    standardError: each(error),
    counted: n,
  };
}
