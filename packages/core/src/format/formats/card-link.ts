import { base64urlnopad } from '@scure/base';
import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';
import { type Card, cardSchema } from '../card-schema.ts';
import type { Format } from '../format.ts';
import { LONGEST_FILE, type ReadResult, readJson, refused } from '../read.ts';

/** What stands before the card in a link, with the version of its packing: after a `#`, so that no server is told of it. */
const MARK = 'arc1.';
const NOT_WHOLE = 'This link is not whole: take it again, from its first letter to its last.';

/**
 * What nearly every card says, so that a rung fits into a code that a phone can read from paper. It is part of version 1: never changed, only followed by
 * a version with another.
 */
const SAID_ALREADY = strToU8(
  '"letGo":true,"positions":["P","C","1B","2B","3B","SS","LF","CF","RF"],"contact":"low-volley","marker":{"x":"thenS":"counts":false' +
    ',"hold":{"elevationDeg":{"speedMps":{"netClearanceM":{"flightTimeS":"arc":"high","meet":{"x":"targetAt":{"x":0,"y":"landingZone":{"widthM":' +
    '"sweep":{"kind":"two-line","halfDeg":"ritual":{"bounces":"bounceS":"tossS":"readyS":"hitters":2,"absent":["dragShare":"seed":"batterHeightM":' +
    'softball"baseball"baseball-turf"pickleball"pickleball-standard"pickleball-court"plane","planeY":Starting"Improving"Competing"Advanced"' +
    'Three-wheel pitching machine"Two-wheel pitching machine"One-wheel portable"earn-it"half-and-half"streak"alternate"bag"weighted","weights":[' +
    '{"format":"good-arc-card","version":1,"name":"","sport":"tennis","level":"Building","approach":"sweet-spot","court":{"name":"Court 1",' +
    '"surfaceId":"tennis-clay","indoor":false},"machine":{"name":"","kind":"Two-wheel portable","safety":""},"others":[{"rungs":[{"rung":{"name":' +
    '"From the service line","focalPoint":"","ballId":"tennis-standard","surfaceId":"tennis-acrylic-medium","level":"Building","weather":' +
    '{"temperatureC":20,"altitudeM":0,"relativeHumidity":0.5,"windXMps":0,"windYMps":0},"feeds":[{"name":"Forehand","launch":{"x":0,"y":6.6,"z":0.55,' +
    '"topspinRpm":180,"sidespinRpm":0,"gyroRpm":0,"speedMps":14.469,"elevationDeg":25.494,"bearingDeg":178.477},"target":{"kind":"landing","x":0,"y":-7.6},' +
    '"gameBallId":"tennis-rally-drive-building","stroke":"groundstroke","on":true,"cue":"","id":"b1"}],"order":{"kind":"fixed"},"intervalS":4,' +
    '"ballsPerRound":10,"rounds":3,"player":{"start":{"x":0,"y":-12.2},"recover":{"x":0,"y":-12.2}},"targetSize":{"widthM":4,"depthM":5.5},"targetAt":' +
    '{"x":-2.1,"y":9.1},"gate":{"hits":8,"of":10},"shadowSwings":0},"dials":[{"name":"Speed","reading":"","balls":[{"machine":0,"dials":[]}]}',
);

/**
 * A card as a link that carries all of it, for a code on paper or a message: any Good Arc reads it, and no server need have it.
 * @param origin of the Good Arc that opens it, such as `https://arc.example`
 */
export function writeCardLink(card: Card, origin: string): string {
  const json = JSON.stringify(card);
  const packed = deflateSync(strToU8(json), { level: 9, dictionary: SAID_ALREADY });
  return `${origin}/ladders#${MARK}${sumOf(json)}.${base64urlnopad.encode(packed)}`;
}

/** By which a letter that was changed or lost on the way is seen: the 32-bit FNV-1a sum (offset basis and prime by its authors), in base 36. */
function sumOf(text: string): string {
  let sum = 0x811c9dc5;
  for (const byte of strToU8(text)) sum = Math.imul(sum ^ byte, 0x01000193) >>> 0;
  return sum.toString(36);
}

/** Reads a card from such a link, or from what stands after its `#`. */
export function readCardLink(text: string): ReadResult<Card> {
  const [, version, sum, packed = ''] = /arc(\d+)\.(?:([a-z\d]*)\.)?([\w-]*)\s*$/.exec(text) ?? [];
  if (version === undefined) return refused(NOT_WHOLE);
  if (`arc${version}.` !== MARK) return refused('This link was made by a newer Good Arc: bring this one up to date.');
  let json: string;
  try {
    // a text that would not end is refused where it is as long as a file may be
    const out = new Uint8Array(LONGEST_FILE);
    json = strFromU8(inflateSync(base64urlnopad.decode(packed), { dictionary: SAID_ALREADY, out }));
  } catch {
    return refused(NOT_WHOLE);
  }
  return sumOf(json) === sum ? readJson(json, cardSchema, 'setup card') : refused(NOT_WHOLE);
}

export const format: Format<'card'> = {
  what: 'card',
  name: 'setup card as a link',
  suffix: '',
  mediaType: 'text/plain',
  isIt: (text) => /(^\s*|#)arc\d+\.[\w.-]*\s*$/.test(text),
  read: readCardLink,
};
