import type { Scale, ScaleKind } from './scale-schema.ts';

const counted = (count: number) => ({ lo: 1, hi: count, click: 1, names: [], zero: '' });

/** Scales to start from, one of each kind. */
export const FIRST_SCALE: Record<ScaleKind, Scale> = {
  numbers: { kind: 'numbers', lo: 0, hi: 10, click: 0.5, names: [], zero: '' },
  fractions: { kind: 'fractions', lo: 0, hi: 1, click: 0.125, names: [], zero: '' },
  pins: { kind: 'pins', ...counted(5) },
  notches: { kind: 'notches', ...counted(8) },
  colours: { kind: 'colours', ...counted(4), names: ['white', 'yellow', 'orange', 'red'] },
  turns: { kind: 'turns', lo: -3, hi: 3, click: 0.125, names: [], zero: '' },
};

/** The nearest reading a person can set, inside the scale. */
export function onClick({ lo, hi, click }: Scale, reading: number): number {
  const steps = Math.round((Math.min(hi, Math.max(lo, reading)) - lo) / click);
  // twelve digits: 0.1 + 0.2 reads as 0.3
  return Number(Math.min(hi, lo + steps * click).toPrecision(12));
}

/** Every reading that can be set, from the lowest; at most `most`, evenly chosen. */
export function readingsOf(scale: Scale, most = 400): number[] {
  const count = Math.floor((scale.hi - scale.lo) / scale.click + 1e-9) + 1;
  const every = Math.max(1, (count - 1) / (most - 1));
  const readings: number[] = [];
  for (let i = 0; Math.round(i) < count; i += every) readings.push(onClick(scale, scale.lo + Math.round(i) * scale.click));
  return readings;
}

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const;
const THIRDS = ['', '⅓', '⅔'] as const;

/** `4½`, `⅓`, or a decimal where no sign fits. */
function printNumber(value: number): string {
  const sign = value < 0 ? '−' : '';
  const size = Math.abs(value);
  for (const [signs, parts] of [
    [EIGHTHS, 8],
    [THIRDS, 3],
  ] as const) {
    const whole = Math.floor(size + 1e-6);
    const part = (size - whole) * parts;
    const near = Math.round(part);
    if (Math.abs(part - near) > 1e-6 * parts || near === parts) continue;
    if (near === 0) return `${sign}${whole}`;
    return `${sign}${whole === 0 ? '' : whole}${signs[near]}`;
  }
  return `${sign}${Number(size.toFixed(3))}`;
}

/** A reading as a person says it: `4½`, `pin 3`, `orange`, `1⅛ turns out`. */
export function printReading(scale: Scale, reading: number): string {
  switch (scale.kind) {
    case 'pins':
      return `pin ${printNumber(reading)}`;
    case 'notches':
      return `notch ${printNumber(reading)}`;
    case 'colours':
      return scale.names[Math.round(reading) - scale.lo] ?? printNumber(reading);
    case 'turns': {
      if (Math.abs(reading) < 1e-9) return 'at zero';
      const size = Math.abs(reading);
      return `${printNumber(size)} ${size > 1 ? 'turns' : 'turn'} ${reading > 0 ? 'out' : 'in'}`;
    }
    case 'numbers':
    case 'fractions':
      return printNumber(reading);
  }
}

/** Reads what a person writes: `4.5`, `4½`, `4 1/2`, `a third`, `pin 3`, `orange`, `1/8 in`. @returns null when it is none of them */
export function parseReading(scale: Scale, text: string): number | null {
  const said = text.trim().toLowerCase().replaceAll('−', '-');
  const named = scale.names.findIndex((name) => name.toLowerCase() === said);
  if (scale.kind === 'colours' && named >= 0) return scale.lo + named;
  if (scale.kind === 'turns' && /^(at )?zero$/.test(said)) return 0;
  const inward = scale.kind === 'turns' && /\bin$/.test(said);
  const bare = said
    .replace(/^(pin|notch)\s*/, '')
    .replace(/\s*(turns?)?\s*(in|out)?$/, '')
    .replace(/^an? /, '1/')
    .replace('1/third', '1/3')
    .replace('1/half', '1/2')
    .replace('1/quarter', '1/4')
    .replace(/(\d)\s*(?=[½¼¾⅓⅔⅛⅜⅝⅞])/, '$1 ');
  const match = /^(-?)(?:(\d+(?:[.,]\d+)?)(?:\s+|$))?(?:(\d+)\s*\/\s*(\d+)|([½¼¾⅓⅔⅛⅜⅝⅞]))?$/.exec(bare);
  if (!match || bare === '' || bare === '-') return null;
  const [, sign, whole, top, bottom, one] = match;
  if (whole === undefined && top === undefined && one === undefined) return null;
  const eighth = EIGHTHS.findIndex((each) => each !== '' && each === one);
  const part = top
    ? Number(top) / Number(bottom)
    : eighth > 0
      ? eighth / 8
      : one
        ? THIRDS.findIndex((each) => each !== '' && each === one) / 3
        : 0;
  const value = Number((whole ?? '0').replace(',', '.')) + part;
  return Number.isFinite(value) ? (sign || inward ? -value : value) : null;
}
