import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, test } from 'vitest';
import { originFrom } from '../lib/app.mjs';
import { alive, commandOf, endById, freePort, start, stop } from '../lib/children.mjs';
import { startDatabase } from '../lib/mariadb.mjs';
import { readPlaywright, readVitest } from '../lib/test.mjs';
import { midMean } from '../load/measure.mjs';

const cleanUp: (() => unknown)[] = [];
afterEach(async () => {
  for (const each of cleanUp.splice(0).reverse()) await each();
});

const folder = (): string => {
  const made = mkdtempSync(join(tmpdir(), 'arc-'));
  cleanUp.push(() => rmSync(made, { recursive: true, force: true }));
  return made;
};

describe('figures of a trial', () => {
  test('the mean of the middle half is moved by no outlier', () => {
    expect(midMean([3, 1, 2, 100, 4])).toBe(3);
    expect(midMean([1, 2, 3, 4, 5, 6, 7, 8, 9])).toBe(midMean([-50, -40, 3, 4, 5, 6, 7, 80, 90]));
    expect(midMean([7])).toBe(7);
  });
});

describe('children', () => {
  test('a free port is kept, a taken one is replaced by a free one', async () => {
    const wanted = await freePort();
    expect(await freePort(wanted)).toBe(wanted);
    const server = createServer().listen(wanted, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    cleanUp.push(() => new Promise((resolve) => server.close(resolve)));
    const other = await freePort(wanted);
    expect(other).not.toBe(wanted);
    expect(other).toBeGreaterThan(0);
  });
  test('ports that are asked for one after the other differ, and are none that a connection is given meanwhile', async () => {
    const ports: number[] = [];
    for (let i = 0; i < 40; i++) ports.push(await freePort());
    expect(new Set(ports).size).toBe(40);
    const [first = 0] = readFileSync('/proc/sys/net/ipv4/ip_local_port_range', 'utf8').split('\t').map(Number);
    if (first > 21_000) expect(Math.max(...ports)).toBeLessThan(first);
  });
  test('a child is started, known by its command, and ended; ending it twice does no harm', async () => {
    const child = start('sleeper', ['sleep', '60'], { log: 2 });
    await expect.poll(() => commandOf(child.pid), { timeout: 20_000 }).toContain('sleep 60');
    expect(alive(child.pid)).toBe(true);
    await stop(child);
    await stop(child);
    expect(alive(child.pid)).toBe(false);
    expect(commandOf(child.pid)).toBe('');
  });
  test('a child that does not listen to SIGTERM is ended all the same', async () => {
    const deaf = join(folder(), 'deaf');
    const child = start('stubborn', ['sh', '-c', `trap "" TERM; mkdir -p "${deaf}"; while true; do sleep 0.1; done`], { log: 2 });
    await expect.poll(() => existsSync(deaf), { timeout: 20_000 }).toBe(true);
    await stop(child, 400);
    expect(alive(child.pid)).toBe(false);
  });
  test('ending a process that is gone already is no error', async () => {
    await expect(endById(2 ** 22 - 3)).resolves.toBeUndefined();
  });
});

describe('our own MariaDB', () => {
  test('starts on empty data, keeps what was written through a crash, and takes over from a server left behind', async () => {
    const dir = folder();
    mkdirSync(dir, { recursive: true });
    const mysql = (await import('mysql2/promise')).default;
    const first = await startDatabase(dir, ['kept']);
    cleanUp.push(() => first.stop());
    const write = await mysql.createConnection(first.urlOf('kept'));
    await write.query('create table t (n int) engine=InnoDB');
    await write.query('insert into t values (41), (42)');
    await write.end();
    process.kill(first.child.pid, 'SIGKILL'); // a crash in the middle of its life
    await first.child.ended;

    const second = await startDatabase(dir, ['kept']);
    cleanUp.push(() => second.stop());
    const read = await mysql.createConnection(second.urlOf('kept'));
    expect((await read.query('select sum(n) s from t'))[0]).toEqual([{ s: '83' }]);
    await read.end();

    // a second start finds the running server of a session that died, and ends it first
    const third = await startDatabase(dir, ['kept']);
    cleanUp.push(() => third.stop());
    expect(alive(second.child.pid)).toBe(false);
    const again = await mysql.createConnection(third.urlOf('kept'));
    expect((await again.query('select count(*) c from t'))[0]).toEqual([{ c: 2 }]);
    await again.end();
  });
  test('a stale pid file is not believed', async () => {
    const dir = folder();
    writeFileSync(join(dir, 'db.pid'), String(process.pid)); // a living process that is no database
    const server = await startDatabase(dir, ['any']);
    cleanUp.push(() => server.stop());
    expect(alive(process.pid)).toBe(true);
    expect(Number(readFileSync(join(dir, 'db.pid'), 'utf8'))).toBe(server.child.pid);
  });
  test('its password is in a file that only its owner reads', async () => {
    const dir = folder();
    const server = await startDatabase(dir, ['any']);
    cleanUp.push(() => server.stop());
    const { statSync } = await import('node:fs');
    expect(statSync(join(dir, 'db.password')).mode & 0o077).toBe(0);
    expect(server.urlOf('any')).toMatch(/^mysql:\/\/goodarc:[\w-]{20,}@127\.0\.0\.1:\d+\/any\?socketPath=[\w%.-]+db\.sock$/);
  });
});

describe('what the runners counted', () => {
  test('Vitest: each failed test by name with its error, a file that does not load, an error outside', () => {
    const assertionResults = [
      { status: 'passed', fullName: 'aim up' },
      { status: 'failed', fullName: 'aim down', failureMessages: ['\u001b[31mexpected 2 to be 3\u001b[39m\n    at aim.test.ts:4'] },
    ];
    const testResults = [
      { name: '/x/aim.test.ts', status: 'failed', assertionResults },
      { name: '/x/fly.test.ts', status: 'failed', message: 'no such module', assertionResults: [] },
    ];
    const count = readVitest({ numPassedTests: 1, success: false, testResults });
    expect(count.passed).toBe(1);
    expect(count.failures).toHaveLength(2);
    expect(count.failures[0]).toBe('aim.test.ts › aim down\n      expected 2 to be 3\n          at aim.test.ts:4');
    expect(count.failures[1]).toContain('no such module');
    expect(readVitest({ numPassedTests: 1, success: false, testResults: [] }).failures).toHaveLength(1);
    expect(readVitest({ numPassedTests: 1, success: true, testResults: [] })).toEqual({ passed: 1, failures: [] });
  });
  test('Playwright: a second try that went well has passed; what failed is named with its last error', () => {
    const spec = (title: string, status: string) => ({
      title,
      file: 'kit.spec.ts',
      tests: [{ projectName: 'desk', status, results: [{}, { error: { message: 'not visible' } }] }],
    });
    const report = {
      suites: [{ specs: [spec('one', 'flaky')], suites: [{ specs: [spec('two', 'unexpected')] }] }],
      stats: { expected: 4, flaky: 1 },
      errors: [],
    };
    expect(readPlaywright(report)).toEqual({ passed: 5, failures: ['[desk] kit.spec.ts › two\n      not visible'] });
    expect(readPlaywright({ ...report, errors: [{ message: 'no server' }] }).failures).toHaveLength(2);
  });
});

test('a public address is a scheme and a host; anything else is refused with what would be right', () => {
  expect(originFrom('')).toBe('');
  expect(originFrom('https://arc.example.org/')).toBe('https://arc.example.org');
  expect(originFrom('http://127.0.0.1:8080')).toBe('http://127.0.0.1:8080');
  for (const wrong of ['arc.example.org', 'ftp://arc.example.org', 'https://arc.example.org/club', 'nonsense'])
    expect(() => originFrom(wrong)).toThrow(/https:\/\/arc.example.org/);
});
