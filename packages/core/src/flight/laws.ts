/**
 * Drag and lift coefficients of a family of balls, with the spin parameter S = Rω⊥/v:
 * Cd = `cd` + `cdPerKrpm` · total spin / 1000 rpm + (of felt) S·(4.196 + 22.503 S^2.5)^−0.4, Cl = `scale` · S / (`base` + `slope` · S).
 * Every law that is used anywhere is one of these records; the stepper and the reference of the tests read the same ones.
 */
export interface AeroLaw {
  /** Without spin. */
  cd: number;
  cdPerKrpm: number;
  /** What spin adds to the drag of felt; null for other covers. */
  spinDrag: SpinDrag | null;
  lift: { scale: number; base: number; slope: number };
}

/** S·(`still` + `spun` · S^2.5)^−0.4. */
export interface SpinDrag {
  still: number;
  spun: number;
}

/**
 * Felt: Cd = 0.508 + (22.503 + 4.196 q^2.5)^−0.4, Cl = 1/(2.022 + 0.981 q), q = 1/S (A. Štěpánek, Am. J. Phys. 56 (1988) 138; quoted from memory).
 */
export const FELT = {
  cd: 0.508,
  cdPerKrpm: 0,
  spinDrag: { still: 4.196, spun: 22.503 },
  lift: { scale: 1, base: 0.981, slope: 2.022 },
} as const satisfies AeroLaw;

/** Raised seams: Cd = 0.3008 + 0.0292 a thousand rpm, Cl = 1.12 S/(0.583 + 2.333 S) (A. Nathan’s published trajectory-calculator fit; quoted from memory). */
export const SEAMED: AeroLaw = { cd: 0.3008, cdPerKrpm: 0.0292, spinDrag: null, lift: { scale: 1.12, base: 0.583, slope: 2.333 } };

/** Plastic with holes: its own Cd, Cl = S/(1 + 2.5 S) (our assumption, no source). */
export const holed = (cd: number): AeroLaw => ({ cd, cdPerKrpm: 0, spinDrag: null, lift: { scale: 1, base: 1, slope: 2.5 } });

/**
 * Drag and lift coefficients at one air speed.
 * @param acrossRadPerS part of the spin across the travel (ω⊥); `spinRadPerS` all of it
 */
export function coefficients(
  { aero, radiusM, dragFactor }: { aero: AeroLaw; radiusM: number; dragFactor: number },
  airSpeedMps: number,
  acrossRadPerS: number,
  spinRadPerS: number,
): { cd: number; cl: number } {
  const s = airSpeedMps > 0 ? (radiusM * acrossRadPerS) / airSpeedMps : 0;
  const { cd, cdPerKrpm, spinDrag, lift } = aero;
  const bySpin = spinDrag ? s * (spinDrag.still + spinDrag.spun * s ** 2.5) ** -0.4 : 0;
  return {
    cd: (cd + cdPerKrpm * krpm(spinRadPerS) + bySpin) * dragFactor,
    cl: (lift.scale * s) / (lift.base + lift.slope * s),
  };
}

/** Thousands of turns a minute. */
export const krpm = (radPerS: number): number => (radPerS * 60) / (2 * Math.PI) / 1000;
