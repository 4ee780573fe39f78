import { SPORT_RECORDS } from '@good-arc/core';
import { expect, test } from 'vitest';
import { drawnElsewhere, thumbOf } from '../src/ui/thumb.ts';
import { rungDocument } from './support/rig.ts';

const rung = rungDocument('0190f3a0-0000-7000-8000-000000000001', '0190f3a0-0000-7000-8000-000000000002');
const [feed] = rung.feeds;
const points = (arc: string): [number, number][] => arc.split(' ').map((each) => each.split(',').map(Number) as [number, number]);

test('the flight fits into the drawing, from the machine on the left over the net to the player', () => {
  const { arcs, net, above, height } = thumbOf(rung, 'tennis', 300, 104);
  const path = points(arcs[0]!);
  for (const [x, y] of path) {
    expect(x).toBeGreaterThanOrEqual(0);
    expect(y).toBeGreaterThanOrEqual(0);
    expect(y).toBeLessThanOrEqual(height);
  }
  expect(path[0]![0]).toBeLessThan(net!.x1);
  expect(path.at(-1)![0]).toBeGreaterThan(net!.x1);
  // nothing goes to several places
  expect(above).toBeNull();
});
test('balls to two places are shown from above, too, each to where it is met; what is off is not', () => {
  const aside = { ...feed!, id: 'b', meet: { x: 3, y: -12 } };
  const both = thumbOf({ ...rung, feeds: [feed!, aside] }, 'tennis');
  expect(both.above!.ways).toHaveLength(2);
  expect(both.above!.ways[1]!.x2).toBeGreaterThan(both.above!.ways[0]!.x2);
  const { inPlay } = SPORT_RECORDS.tennis.court;
  const perM = both.above!.court.width / (inPlay.x2 - inPlay.x1);
  expect(both.above!.ways[1]!.x2 - both.above!.court.x).toBeCloseTo((3 - inPlay.x1) * perM, 0);
  expect(thumbOf({ ...rung, feeds: [feed!, { ...aside, on: false }] }, 'tennis').above).toBeNull();
});

test('a drawing that came along stands for its rung at its size, and for no other', () => {
  const document = { ...rung };
  const brought = { ...thumbOf(rung, 'tennis', 172, 60), arcs: ['1,2 3,4'] };
  drawnElsewhere(document, 'tennis', brought);
  expect(thumbOf(document, 'tennis', 172, 60)).toBe(brought);
  expect(thumbOf(document, 'tennis').arcs[0]).not.toBe('1,2 3,4');
  expect(thumbOf({ ...document }, 'tennis', 172, 60)).toEqual(thumbOf(rung, 'tennis', 172, 60));
});
