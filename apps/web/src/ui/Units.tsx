import {
  type Dimension,
  mToFt,
  printAngle,
  printBreak,
  printCount,
  printLength,
  printSpeed,
  printSpin,
  printTemperature,
  printTime,
  type UnitSystem,
} from '@good-arc/core';
import { createContext, type ReactNode, type RefObject, useContext, useEffect, useRef } from 'react';

const UnitsContext = createContext<UnitSystem>('imperial');

/**
 * Marks the island around an element as listening, once it does. Until then its fields take no pointer (`global.css`): what is chosen in a page that
 * the server drew, before its script is there, would be lost.
 */
export function useListens(within: RefObject<HTMLElement | null>): void {
  useEffect(() => within.current?.closest('astro-island')?.setAttribute('data-listens', ''), [within]);
}

/** The outermost part of every view: the person's units. */
export function Units({ system, children }: { system: UnitSystem; children: ReactNode }) {
  const mark = useRef<HTMLSpanElement>(null);
  useListens(mark);
  return (
    <UnitsContext value={system}>
      <span ref={mark} hidden />
      {children}
    </UnitsContext>
  );
}

/** Every quantity printed in one system of units. */
export function printersOf(system: UnitSystem) {
  return {
    system,
    length: (m: number) => printLength(m, system),
    break: (m: number) => printBreak(m, system),
    speed: (mps: number, digits = 0) => printSpeed(mps, system, digits),
    /** `2,950 ft up`, `at sea level`: to the ten feet or metres, nobody knows it better. */
    altitude: (m: number) => {
      const [height, unit] = system === 'imperial' ? [Math.round(mToFt(m) / 10) * 10, 'ft'] : [Math.round(m / 10) * 10, 'm'];
      return height === 0 ? 'at sea level' : `${printCount(Math.abs(height))} ${unit} ${height > 0 ? 'up' : 'below the sea'}`;
    },
    temperature: (c: number) => printTemperature(c, system),
    print: (value: number, dimension: Dimension, digits = 1): string => {
      switch (dimension) {
        case 'length':
          return printLength(value, system);
        case 'speed':
          return printSpeed(value, system, 1);
        case 'spin':
          return printSpin(value);
        case 'time':
          return printTime(value, digits);
        case 'angle':
          return printAngle(value, 1);
        case 'temperature':
          return printTemperature(value, system);
        case 'count':
          return String(value);
        case 'number':
          return String(Number(value.toFixed(3)));
      }
    },
  };
}

const PRINTERS = { imperial: printersOf('imperial'), metric: printersOf('metric') };

/** The person's units, and every quantity printed in them: the same object as long as they are the same. */
export const useUnits = (): ReturnType<typeof printersOf> => PRINTERS[useContext(UnitsContext)];
