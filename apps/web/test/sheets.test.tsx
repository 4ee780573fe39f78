// @vitest-environment happy-dom
import { ballById, type RungDocument, readFile } from '@good-arc/core';
import { describe, expect, test } from 'vitest';
import { qrPath } from '../src/ui/qrPath.ts';
import { printersOf } from '../src/ui/Units.tsx';
import type { CardFacts } from '../src/views/card/describe.ts';
import { sheetsOf } from '../src/views/card/sheets.ts';
import { document, id, machine } from './support/courtside.tsx';

const units = printersOf('imperial');
const rung = (n: number, part: Partial<RungDocument> = {}) => ({
  id: id(20 + n),
  ladderId: id(9),
  position: n,
  document: { ...document, ...part },
});
const moved: RungDocument = {
  ...document,
  name: 'From farther back',
  feeds: document.feeds.map((feed) => ({ ...feed, launch: { ...feed.launch, y: feed.launch.y + 3 } })),
};
const facts = (rungs: CardFacts['ladder']['rungs']): CardFacts => ({
  ladder: { id: id(9), version: 1, name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it', origin: null, rungs },
  machine: { ...machine, profile: { ...machine.profile, safety: 'Left cover is sharp.' } },
  machines: [{ ...machine, profile: { ...machine.profile, safety: 'Left cover is sharp.' } }],
  court: {
    version: 1,
    id: id(1),
    name: 'Court 1',
    sport: 'tennis',
    surfaceId: 'tennis-acrylic-medium',
    indoor: false,
    ceilingM: null,
    marksM: [],
    notes: '',
  },
  stock: [],
  checks: { before: ['battery above half'], after: [] },
  day: '2026-11-26',
});

describe('a sheet a rung', () => {
  const sheets = sheetsOf(facts([rung(0), rung(1, moved)]), units, 'https://arc.example');
  test('all it takes to rebuild it: stand, dials, elevation and where it comes down with their ±, aim, start, balls, gate', () => {
    const [first] = sheets;
    for (const key of ['stand', 'dials', 'elevation', 'aim', 'feed', 'player', 'arrives', 'target', 'balls', 'gate'] as const)
      expect(first![key], key).not.toBe('');
    expect(first!.elevation).toMatch(/±/);
    expect(first!.arrives).toMatch(/two balls in three within .* to the side, .* long or short/);
    expect(first!.stoodAt).toBe('');
    expect(sheets[1]!.stoodAt).toBe(first!.stand); // it moves
  });
  test('what has to be minded stands on every sheet', () => {
    for (const { safety, cautions } of sheets) {
      expect(safety).toBe('Left cover is sharp.');
      expect(cautions.at(-1)).toMatch(/Nobody forward of the machine/);
    }
  });
  test('its code holds the rung itself, to what a hand can set, and a phone can read it from paper', () => {
    for (const [i, { link }] of sheets.entries()) {
      const read = readFile('card', link);
      if (!read.ok) throw new Error(read.problems[0]!.detail);
      const { rung: kept } = read.value.rungs[0]!;
      const { launch } = kept.feeds[0]!;
      const set = [document, moved][i]!.feeds[0]!.launch;
      expect(Math.abs(launch.speedMps - set.speedMps)).toBeLessThan(0.006);
      expect(Math.abs(launch.elevationDeg - set.elevationDeg)).toBeLessThan(0.006);
      expect([kept.name, kept.gate, ballById(kept.ballId).sport]).toEqual([read.value.name, document.gate, 'tennis']);
      // 46 mm wide: no square smaller than 0.4 mm
      expect(qrPath(link).size).toBeLessThanOrEqual(46 / 0.4);
    }
  });
});
