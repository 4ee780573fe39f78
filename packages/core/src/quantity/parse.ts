import { type Dimension, FACTORS, UNIT_OF, type UnitSystem } from './units.ts';

/** The outcome of reading what a person typed: an SI value, or what was wrong and what would be right. */
export type Parsed = { ok: true; value: number } | { ok: false; problem: string };

const ALIASES: Record<string, string> = {
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  cm: 'cm',
  mm: 'mm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  "''": 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  yd: 'yd',
  yard: 'yd',
  yards: 'yd',
  mph: 'mph',
  'mi/h': 'mph',
  'km/h': 'km/h',
  kmh: 'km/h',
  kph: 'km/h',
  kmph: 'km/h',
  'm/s': 'm/s',
  mps: 'm/s',
  'ft/s': 'ft/s',
  fps: 'ft/s',
  rpm: 'rpm',
  'rad/s': 'rad/s',
  rps: 'rps',
  s: 's',
  sec: 's',
  secs: 's',
  second: 's',
  seconds: 's',
  ms: 'ms',
  min: 'min',
  '°': '°',
  deg: '°',
  degree: '°',
  degrees: '°',
  rad: 'rad',
  '°c': '°C',
  c: '°C',
  '°f': '°F',
  f: '°F',
};

const EXAMPLE: Record<Dimension, string> = {
  length: `5'6", 5 ft 6, 1.7 m or 170 cm`,
  speed: '62 mph, 100 km/h or 28 m/s',
  spin: '1200 rpm',
  time: '4 s or 4.5',
  angle: '18°',
  temperature: '24 °C or 75 °F',
  count: 'a whole number such as 10',
  number: 'a number such as 1.5',
};

const FRACTIONS: Record<string, string> = { '¼': ' 1/4', '½': ' 1/2', '¾': ' 3/4', '⅓': ' 1/3', '⅔': ' 2/3', '⅛': ' 1/8' };
// number, with an optional simple fraction ("2 1/2", "3/4"), then letters or marks of a unit
const TOKEN = /^\s*(\d+\s+\d+\/\d+|\d+\/\d+|\d*\.?\d+)\s*([a-z°/]+|''|["'])?/;

function readNumber(text: string): number {
  const parts = text.trim().split(/\s+/);
  return parts.reduce((sum, part) => {
    const [top, bottom] = part.split('/');
    return sum + (bottom === undefined ? Number(top) : Number(top) / Number(bottom));
  }, 0);
}

/** Puts typographic marks, decimal commas and fractions into one plain form. */
function tidy(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(/[′’‘]/g, "'")
    .replace(/[″”“]/g, '"')
    .replace(/(\d),(\d{3})(?!\d)/g, '$1$2')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/[¼½¾⅓⅔⅛]/g, (mark) => FRACTIONS[mark] ?? mark);
}

/**
 * Reads a quantity as a person types it.
 * @param text       for example `5'6"`, `5 ft 6`, `1.7 m`, `62mph`, `-4 ft`, `2 1/2 in`
 * @param dimension  what is being asked for
 * @param system     the unit of a number without one
 * @returns the value in SI (m, m/s, s), rpm, degrees or °C; a message with an example when it cannot be read
 */
export function parseQuantity(text: string, dimension: Dimension, system: UnitSystem): Parsed {
  const fail = (why: string): Parsed => ({ ok: false, problem: `${why}. Type ${EXAMPLE[dimension]}.` });
  let rest = tidy(text);
  if (rest === '') return fail('Nothing was typed');
  if (dimension === 'count') {
    return /^-?\d+$/.test(rest) ? { ok: true, value: Number(rest) } : fail(`“${text}” is not a whole number`);
  }
  if (dimension === 'number') {
    return /^-?\d*\.?\d+$/.test(rest) ? { ok: true, value: Number(rest) } : fail(`“${text}” is not a number`);
  }
  let sign = 1;
  if (/^[+-]/.test(rest)) {
    sign = rest.startsWith('-') ? -1 : 1;
    rest = rest.slice(1);
  }
  if (dimension === 'temperature') return readTemperature(rest, sign, system, text, fail);

  const factors: Record<string, number> = FACTORS[dimension];
  const bareUnit =
    dimension === 'length' || dimension === 'speed'
      ? UNIT_OF[system][dimension]
      : dimension === 'spin'
        ? 'rpm'
        : dimension === 'time'
          ? 's'
          : '°';
  let total = 0;
  let previous: string | undefined;
  while (rest.trim() !== '') {
    const match = TOKEN.exec(rest);
    if (!match) return fail(`“${text}” is not ${dimension === 'angle' ? 'an' : 'a'} ${dimension}`);
    const [whole, numberText = '', unitText] = match;
    let unit = unitText === undefined ? undefined : ALIASES[unitText];
    if (unitText !== undefined && (unit === undefined || !(unit in factors))) return fail(`“${unitText}” is not a unit of ${dimension}`);
    // "5 ft 6" and "5'6": the second bare number is inches
    if (unit === undefined) unit = previous === 'ft' ? 'in' : previous === undefined ? bareUnit : undefined;
    if (unit === undefined || (previous !== undefined && !(previous === 'ft' && unit === 'in')))
      return fail(`“${text}” has one number too many`);
    total += readNumber(numberText) * (factors[unit] ?? Number.NaN);
    previous = unitText === undefined ? 'bare' : unit;
    rest = rest.slice(whole.length);
  }
  return Number.isFinite(total)
    ? { ok: true, value: sign * total }
    : fail(`“${text}” is not ${dimension === 'angle' ? 'an' : 'a'} ${dimension}`);
}

function readTemperature(rest: string, sign: number, system: UnitSystem, text: string, fail: (why: string) => Parsed): Parsed {
  const match = /^\s*(\d*\.?\d+)\s*(°?\s*[cf])?\s*$/.exec(rest);
  if (!match) return fail(`“${text}” is not a temperature`);
  const value = sign * Number(match[1]);
  const unit = match[2] === undefined ? UNIT_OF[system].temperature : ALIASES[match[2].replace(/\s/g, '')];
  return { ok: true, value: unit === '°F' ? ((value - 32) * 5) / 9 : value };
}
