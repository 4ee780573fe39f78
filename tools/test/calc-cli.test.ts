import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';

/** The command as a script would use it: a process, its two outputs and its exit status. */
const arc = (args: string[], input = '') => {
  const { status, stdout, stderr } = spawnSync('./arc', args, { input, encoding: 'utf8', cwd: new URL('../../', import.meta.url) });
  return { status, stdout, stderr };
};

const INTERVAL = {
  level: 'Building',
  stroke: 'groundstroke',
  doubtBits: 0,
  intervalS: 4,
  balls: [{ flightS: 1.3, contact: { x: 0, y: -12 } }],
  recover: null,
  shadowSwings: 0,
};
const lastLine = (text: string): string => text.trim().split('\n').at(-1)!;

describe('./arc calc', () => {
  test('one document in, one out, nothing else on standard output', () => {
    const { status, stdout } = arc(['calc', 'interval'], JSON.stringify(INTERVAL, null, 2));
    expect(status).toBe(0);
    expect(stdout.trim().split('\n')).toHaveLength(1);
    expect(JSON.parse(stdout)).toMatchObject({ word: 'calm' });
  });
  test('bad input: exit 2, nothing on standard output, a problem document that names the field on standard error', () => {
    const { status, stdout, stderr } = arc(['calc', 'interval'], JSON.stringify({ ...INTERVAL, level: 'Champion' }));
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(JSON.parse(lastLine(stderr))).toMatchObject({
      status: 400,
      errors: [{ pointer: '/level', detail: expect.stringContaining('Starting') }],
    });
  });
  test('--lines answers every good line and tells the number of every bad one', () => {
    const lines = [
      JSON.stringify(INTERVAL),
      '{broken',
      '',
      JSON.stringify({ ...INTERVAL, intervalS: -1 }),
      JSON.stringify({ ...INTERVAL, intervalS: 2 }),
    ];
    const { status, stdout, stderr } = arc(['calc', 'interval', '--lines'], lines.join('\n'));
    expect(status).toBe(2);
    expect(
      stdout
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line).word),
    ).toEqual(['calm', 'rushed']);
    const problems = stderr
      .trim()
      .split('\n')
      .filter((line) => line.startsWith('{'))
      .map((line) => JSON.parse(line));
    expect(problems.map(({ line, errors }) => [line, errors[0].pointer])).toEqual([
      [2, ''],
      [4, '/intervalS'],
    ]);
  });
  test('an impossible question is an answer: exit 0', () => {
    const question = {
      ball: 'pickleball-outdoor',
      air: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 },
      from: { x: 0, y: 6, z: 0.7 },
      target: { kind: 'landing', x: 0, y: -6 },
      hold: { speedMps: 5 },
      limits: { speedMps: [3, 6], elevationDeg: [0, 45] },
    };
    const { status, stdout } = arc(['calc', 'aim'], JSON.stringify(question));
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({ solutions: [], reason: { code: 'out-of-reach' } });
  });
  test.each<[string, string[], string, RegExp]>([
    ['no such verb', ['calc', 'bend'], '{}', /fly, aim, family, spread, pace, interval/],
    ['no verb', ['calc'], '{}', /There is no verb/],
    ['a name that every object has', ['calc', 'toString'], '{}', /There is no verb “toString”/],
    ['no such flag', ['calc', 'fly', '--fast'], '{}', /--lines/],
    ['no JSON', ['calc', 'fly'], 'hello', /JSON document/],
    ['nothing at all', ['calc', 'fly'], '', /JSON document/],
  ])('%s: exit 2 and what would be right', (_name, args, input, detail) => {
    const { status, stdout, stderr } = arc(args, input);
    expect([status, stdout]).toEqual([2, '']);
    expect(JSON.parse(lastLine(stderr)).errors[0].detail).toMatch(detail);
  });
  test('the example in docs/calc.md runs as it stands there', () => {
    const text = readFileSync(new URL('../../docs/calc.md', import.meta.url), 'utf8');
    const example = /echo '([\s\S]*?)' \| \.\/arc calc fly/.exec(text)![1]!;
    const { status, stdout } = arc(['calc', 'fly'], example);
    expect(status).toBe(0);
    expect(JSON.parse(stdout).crossings.map(({ planeY }: { planeY: number }) => planeY)).toEqual([0, -11.885]);
  });
});

describe('./arc', () => {
  test('without a command says what there is; an unknown one is an error', () => {
    expect(arc([]).stderr).toMatch(/demo[\s\S]*test[\s\S]*calc/);
    expect(arc([]).status).toBe(0);
    expect(arc(['dance']).status).toBe(2);
  });
  test('test --only refuses a part that is none', () => {
    const { status, stderr } = arc(['test', '--only', 'everything']);
    expect(status).toBe(1);
    expect(stderr).toMatch(/lint, core, web, browser/);
  });
});

test.each([
  ['demo', '[--fresh]'],
  ['dev', 'live reload'],
  ['serve', '--origin'],
  ['stop', 'ends a running demo'],
  ['test', '--only'],
  ['calc', 'streak'],
  ['check', 'exit 1'],
  ['cluster', '--down'],
  ['load', '--browser'],
  ['soak', '--cluster'],
])('%s --help says what it does and does nothing', (command, said) => {
  const { status, stdout, stderr } = arc([command, '--help'], '');
  expect(status).toBe(0);
  expect(stderr).toContain(`Usage: ./arc ${command}`);
  expect(stderr).toContain(said);
  expect(stdout).toBe('');
});
