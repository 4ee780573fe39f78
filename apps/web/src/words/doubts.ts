import type { Doubt } from '@good-arc/core';

interface Print {
  reading: (reading: number) => string;
  speed: (mps: number) => string;
}

/** Why a tune-up should not be trusted as it stands, and what to do. */
export function sayDoubt(doubt: Doubt, print: Print): string {
  switch (doubt.code) {
    case 'few-marks':
      return `${doubt.figures.readings === 1 ? 'One mark tells' : `${doubt.figures.readings} marks tell`} little of the shape between and beyond them: more marks.`;
    case 'rough':
      return 'This dial does not follow a smooth curve: more marks, close together where you use it.';
    case 'drift':
      return `Balls of one mark ${doubt.figures.share < 0 ? 'get slower' : 'get faster'} as they are thrown, by about ${Math.abs(100 * doubt.figures.share).toFixed(0)} %: ${doubt.figures.share < 0 ? 'a battery that empties' : 'wheels that warm up'}? Throw a few first, or charge it, and begin again.`;
    case 'turned':
      return `Balls at ${print.reading(doubt.figures.reading)} thrown at two times do not agree. Did the dial turn, or was it set from the other side?`;
    case 'radar-against-marks':
      return `The radar sees the balls ${print.speed(Math.abs(doubt.figures.fasterMps))} ${doubt.figures.fasterMps > 0 ? 'faster' : 'slower'} than their marks say. One of them is wrong: the gun’s angle, the tape, or the elevation.`;
  }
}
