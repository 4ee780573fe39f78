import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { userInfo } from 'node:os';
import { join } from 'node:path';
import { freePort, start, stop } from '../lib/children.mjs';
import { installDatabase, MARIADBD, serverOptions } from '../lib/mariadb.mjs';
import { Stop } from '../lib/say.mjs';
import { run } from '../lib/setup.mjs';

/** Galera's library; it may have been installed a moment ago. */
const provider = () => ['/usr/lib/galera/libgalera_smm.so', '/usr/lib/libgalera_smm.so'].find((path) => existsSync(path)) ?? '';
const NODES = 3;
/**
 * A node that says nothing is suspected after 1.5 s and left out when the others agree, a moment later. One that they do not agree on is waited for: were
 * two that are merely slow to give each other up while the third is gone, neither would have a majority, and they would stay without until it is back.
 * Three checks make less than the time of suspicion: a node that stood still itself leaves one out instead of suspecting all others.
 */
const TIMES = Object.entries({
  'evs.keepalive_period': 'PT0.3S',
  'evs.inactive_check_period': 'PT0.3S',
  'evs.join_retrans_period': 'PT0.3S',
  'evs.suspect_timeout': 'PT1.5S',
  'evs.inactive_timeout': 'PT6S',
  'evs.install_timeout': 'PT6S',
})
  .map(([name, value]) => `${name}=${value}`)
  .join(';');

/** @typedef {{ name: string, dir: string, port: number, group: number, ist: number, sst: number, socket: string, child: import('../lib/children.mjs').Child | null }} Node */

/** What one line of SQL answers, tab by tab; null when the node does not. @param {string} socket @param {string} statement */
export function ask(socket, statement) {
  const done = spawnSync('mariadb', ['--no-defaults', `--socket=${socket}`, '--connect-timeout=2', '-N', '-B', '-e', statement], {
    encoding: 'utf8',
    timeout: 10_000,
  });
  return done.status === 0 ? done.stdout.trim() : null;
}

/** @param {Node} node @param {string} name */
const status = (node, name) => (ask(node.socket, `SHOW STATUS LIKE '${name}'`) ?? '').split('\t')[1] ?? '';

/** Whether a node takes writes: it belongs to the part of the cluster that has the majority, and has all of its data. @param {Node} node */
export const isReady = (node) => status(node, 'wsrep_ready') === 'ON' && status(node, 'wsrep_local_state_comment') === 'Synced';

/**
 * Three nodes of a MariaDB Galera cluster on loopback, from Debian's packages. The first founds it; the others, and any that comes back, are given what
 * they lack: what they missed out of the others' caches, or all of it by rsync.
 * @param {string} dir @param {string} database @param {string} password of the user `goodarc` @param {string} scripts where those of Debian's `mariadb-server` are that hand data on
 * @param {(() => Promise<void>)[]} started how they end is added here, before the first starts @throws Stop when a node does not start
 */
export async function startGalera(dir, database, password, scripts, started) {
  if (!provider()) throw new Stop('Galera’s library is not there: apt-get install galera-4');
  rmSync(dir, { recursive: true, force: true });
  /** @type {Node[]} */
  const nodes = [];
  for (let i = 0; i < NODES; i++) {
    const at = join(dir, `n${i + 1}`);
    mkdirSync(join(at, 'tmp'), { recursive: true });
    nodes.push({
      name: `n${i + 1}`,
      dir: at,
      port: await freePort(),
      group: await freePort(),
      ist: await freePort(),
      sst: await freePort(),
      socket: join(at, 's'),
      child: null,
    });
  }
  const address = `gcomm://${nodes.map(({ group }) => `127.0.0.1:${group}`).join(',')}`;
  // rsync, as root, writes as nobody
  const isRoot = process.getuid?.() === 0;
  const user = isRoot ? 'nobody' : userInfo().username;
  /** @param {string} path */
  const own = (path) => {
    if (isRoot) run('chown', ['-R', 'nobody:', path], { quiet: true });
  };
  const [first, ...others] = nodes;
  if (!first) throw new Stop('no nodes');

  /** @param {Node} node */
  const options = (node) => [
    ...serverOptions({ dir: node.dir, user, socket: node.socket, pidFile: join(node.dir, 'pid'), port: node.port }),
    '--innodb-buffer-pool-size=64M',
    '--binlog-format=ROW',
    '--innodb-autoinc-lock-mode=2',
    // what is acknowledged is on a majority of nodes; each writes it down within a second
    '--innodb-flush-log-at-trx-commit=2',
    '--wsrep-on=ON',
    `--wsrep-provider=${provider()}`,
    '--wsrep-cluster-name=goodarc',
    `--wsrep-cluster-address=${address}`,
    `--wsrep-node-name=${node.name}`,
    `--wsrep-node-address=127.0.0.1:${node.group}`,
    '--wsrep-sst-method=rsync',
    `--wsrep-sst-receive-address=127.0.0.1:${node.sst}`,
    `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${node.group};ist.recv_addr=127.0.0.1:${node.ist};gcache.size=64M;${TIMES}`,
  ];
  /** @param {Node} node */
  const envOf = (node) => ({ ...process.env, PATH: `${scripts}:${process.env.PATH}`, TMPDIR: join(node.dir, 'tmp') });
  /** Starts a node; the one that founds the cluster alone. @param {Node} node @param {string[]} more */
  const spawn = (node, ...more) => {
    node.child = start(node.name, [MARIADBD, ...options(node), ...more], {
      log: openSync(join(node.dir, 'log'), 'a'),
      env: envOf(node),
    });
  };
  /** @param {Node} node @param {() => boolean} is @param {string} what */
  const until = async (node, is, what) => {
    for (const end = Date.now() + 60_000; !is(); await new Promise((resolve) => setTimeout(resolve, 100))) {
      if (node.child?.child.exitCode !== null || Date.now() > end)
        throw new Stop(
          `${node.name} did not ${what}. The end of its log:\n${readFileSync(join(node.dir, 'log'), 'utf8').split('\n').slice(-15).join('\n')}`,
        );
    }
  };

  started.push(async () => {
    for (const { child } of [...nodes].reverse()) if (child) await stop(child);
  });
  for (const node of nodes) own(node.dir);
  installDatabase(first.dir, user);
  own(first.dir);
  // it founds the cluster, and the others are given all it has
  spawn(first, '--wsrep-new-cluster');
  await until(first, () => isReady(first), 'found the cluster');
  ask(
    first.socket,
    `CREATE DATABASE \`${database}\`; CREATE USER 'goodarc'@'127.0.0.1' IDENTIFIED BY '${password}'; GRANT ALL ON \`${database}\`.* TO 'goodarc'@'127.0.0.1'`,
  );
  for (const node of others) {
    mkdirSync(join(node.dir, 'mariadb'), { recursive: true });
    own(node.dir);
    spawn(node);
    await until(node, () => isReady(node), 'join');
  }

  return {
    nodes,
    /** Ends a node at once, as a failure of its machine would. @param {Node} node */
    async kill(node) {
      node.child?.child.kill('SIGKILL');
      await node.child?.ended;
    },
    /** Brings a node back: it finds how far it had come, and gets the rest from the others. @param {Node} node */
    async revive(node) {
      const said = join(node.dir, 'recovered.err');
      rmSync(said, { force: true });
      spawnSync(MARIADBD, [...options(node), '--wsrep-recover', `--log-error=${said}`], { env: envOf(node) });
      const position = [...readFileSync(said, 'utf8').matchAll(/Recovered position:\s*(\S+)/g)].at(-1)?.[1];
      if (!position) throw new Stop(`${node.name}: how far it had come could not be found`);
      spawn(node, `--wsrep-start-position=${position}`);
      await until(node, () => isReady(node), 'come back');
    },
    /** Cuts a node off from the others, or lets it back. @param {Node} node @param {boolean} isCut */
    cut(node, isCut) {
      ask(node.socket, `SET GLOBAL wsrep_provider_options = 'gmcast.isolate=${isCut ? 1 : 0}'`);
    },
  };
}

/** Lines that the web servers have to a node: those to the node that is written to. @param {Node} node */
const linesOf = (node) => Number(ask(node.socket, "SELECT COUNT(*) FROM information_schema.processlist WHERE user = 'goodarc'") ?? 0);

/** The node that is written to first, then the others. @param {Node[]} nodes */
export const byLines = (nodes) => [...nodes].sort((a, b) => linesOf(b) - linesOf(a));

/** A script by which a proxy asks whether a node takes writes. @param {string} file @param {Node[]} nodes */
export function writeCheck(file, nodes) {
  const cases = nodes.map(({ port, socket }) => `${port}) socket=${socket} ;;`).join(' ');
  writeFileSync(
    file,
    `#!/bin/sh
# asked by the proxy: is the node at port $4 ready for writes?
case "$4" in ${cases} *) exit 1 ;; esac
[ "$(timeout 2 mariadb --no-defaults --socket="$socket" --connect-timeout=1 -N -B -e "SHOW STATUS LIKE 'wsrep_ready'" | cut -f2)" = ON ]
`,
    { mode: 0o755 },
  );
}
