import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Those that Debian’s program has not built in. */
const MODULES = ['mpm_event', 'authz_core', 'proxy', 'proxy_http', 'ssl'];

/** Apache as a club would put it before Good Arc, with the configuration that comes with it: HTTPS outside, plain HTTP to the port inside. */
export function startProxy(port: number, target: string): { end: () => Promise<void> } {
  const folder = mkdtempSync(join(tmpdir(), 'good-arc-proxy-'));
  const [key, certificate] = [join(folder, 'key.pem'), join(folder, 'certificate.pem')];
  execFileSync(
    'openssl',
    ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost', '-keyout', key, '-out', certificate],
    { stdio: 'ignore' },
  );
  const configuration = `
ServerName localhost
PidFile ${folder}/pid
ErrorLog ${folder}/error.log
Listen 127.0.0.1:${port}
${MODULES.map((name) => `LoadModule ${name}_module /usr/lib/apache2/modules/mod_${name}.so`).join('\n')}
User www-data
Group www-data
Define ARC_HOST localhost
Define ARC_PORT ${port}
Define ARC_CERTIFICATE ${certificate}
Define ARC_KEY ${key}
Define ARC_SERVER ${target}
Include ${join(process.cwd(), 'deploy/apache.conf')}
`;
  writeFileSync(join(folder, 'apache.conf'), configuration);
  const child = spawn('/usr/sbin/apache2', ['-f', join(folder, 'apache.conf'), '-DFOREGROUND'], {
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  const over = new Promise<void>((resolve) => child.on('exit', () => resolve()));
  return {
    async end() {
      child.kill('SIGTERM');
      await over;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
