/** A smaller change is not worth a hand on the machine, wherever one is advised (our judgement: what a dial without marks can be set to again). */
export const LEAST_BY_HAND = { elevationDeg: 0.25, speedMps: 0.15, turnDeg: 0.4 } as const;
