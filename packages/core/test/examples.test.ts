import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { landing, solution } from '../examples/aim.ts';
import { hazards, judgement, problems, rungs } from '../examples/drill.ts';
import { ownS, verdict } from '../examples/hitter.ts';

const here = new URL('../', import.meta.url);

describe('the worked examples of the README', () => {
  test('stand in it word for word', () => {
    const readme = readFileSync(new URL('README.md', here), 'utf8');
    const files = readdirSync(new URL('examples/', here));
    expect(files).toHaveLength(3);
    for (const file of files) expect(readme).toContain(`\`\`\`ts\n${readFileSync(new URL(`examples/${file}`, here), 'utf8')}\`\`\``);
  });
  test('aim: flown again, the ball is within a millimetre of its spot', () => {
    expect(solution!.elevationDeg).toBeCloseTo(18, 6);
    expect(Math.hypot(landing.x - 1.2, landing.y + 8.4)).toBeLessThan(0.001);
  });
  test('hitter: 0.50 s is the game at 11–12 from 46 ft (common practice), 70 mph from 35 ft is too quick', () => {
    expect(ownS).toBeCloseTo(0.5, 1);
    expect(verdict).toMatchObject({ word: 'too quick', tooQuick: true });
    expect(verdict.share).toBeLessThan(0.75);
  });
  test('drill: all of it fits, the first rung is judged whole, and at 1.5 s it is survival pace', () => {
    expect(problems).toEqual([]);
    expect(rungs.length).toBeGreaterThanOrEqual(3);
    expect(judgement.kind).toBe('judged');
    expect(hazards.map(({ code }) => code)).toContain('survival');
  });
});
