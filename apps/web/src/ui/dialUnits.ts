import { type DialMoves, type Dimension, mpsToMph, type UnitSystem } from '@good-arc/core';

/** What each thing a dial moves is measured in. */
export const DIMENSION_OF: Record<DialMoves, Dimension> = {
  speed: 'speed',
  wheel: 'speed',
  elevation: 'angle',
  bearing: 'angle',
  topspin: 'spin',
  sidespin: 'spin',
  interval: 'time',
};

export const MOVES_NAMES: Record<DialMoves, string> = {
  speed: 'speed',
  wheel: 'a wheel',
  elevation: 'elevation',
  bearing: 'turn',
  topspin: 'topspin',
  sidespin: 'sidespin',
  interval: 'feed interval',
};

/** Numbers for a chart's axis: the person's unit, its name, its decimals. */
export function chartUnit(moves: DialMoves, system: UnitSystem): { of: (value: number) => number; name: string; digits: number } {
  switch (DIMENSION_OF[moves]) {
    case 'speed':
      return system === 'imperial' ? { of: mpsToMph, name: 'mph', digits: 1 } : { of: (mps) => mps * 3.6, name: 'km/h', digits: 0 };
    case 'angle':
      return { of: (deg) => deg, name: '°', digits: 1 };
    case 'spin':
      return { of: (rpm) => rpm, name: 'rpm', digits: 0 };
    default:
      return { of: (s) => s, name: 's', digits: 1 };
  }
}
