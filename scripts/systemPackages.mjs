import { spawnSync } from 'node:child_process';
import { accessSync, constants } from 'node:fs';
import { delimiter, join } from 'node:path';
import { PlainFault } from './plainFault.mjs';

/** Debian packages of each program that some part of the house runs. */
const packagesOf = {
  mariadbd: ['mariadb-server'],
  'mariadb-install-db': ['mariadb-server'],
  'mariadb-dump': ['mariadb-client'],
  mariadb: ['mariadb-client'],
  ffmpeg: ['ffmpeg'],
  ffprobe: ['ffmpeg'],
  prlimit: ['util-linux'],
  // For the tests of docs/operations/tls.md.
  nginx: ['nginx-light'],
  openssl: ['openssl'],
  'chromium-headless-shell': ['chromium-headless-shell'],
  // With how English sounds, which it does not work without.
  pocketsphinx_batch: ['pocketsphinx', 'pocketsphinx-en-us'],
};

/** Full path of a program, also where an ordinary user's PATH lacks the sbin folders, or null. */
export function findProgram(name, path = process.env.PATH ?? '') {
  for (const folder of [...path.split(delimiter), '/usr/sbin', '/usr/local/sbin', '/sbin']) {
    if (!folder) continue;
    try {
      accessSync(join(folder, name), constants.X_OK);
      return join(folder, name);
    } catch {
      continue;
    }
  }
  return null;
}

const succeeds = (command, args, options = {}) => spawnSync(command, args, { stdio: 'ignore', ...options }).status === 0;

/** How this user can run a program as root: directly, through sudo, or not at all (null). */
function rootPrefix() {
  if (process.getuid?.() === 0) return [];
  if (!findProgram('sudo')) return null;
  if (succeeds('sudo', ['-n', 'true'])) return ['sudo', '-n'];
  return process.stdin.isTTY ? ['sudo'] : null;
}

/**
 * Installs the Debian packages of programs that are missing. Throws a PlainFault that names the packages where it may not,
 * or cannot.
 */
export function ensurePrograms(names, say) {
  const missing = [...new Set(names.filter((name) => !findProgram(name)).flatMap((name) => packagesOf[name]))];
  if (missing.length === 0) return;
  const byHand = `Install ${missing.join(' and ')} (Debian: apt-get install ${missing.join(' ')}), then run this again.`;
  const prefix = rootPrefix();
  if (!findProgram('apt-get') || prefix === null) throw new PlainFault(`Needed and not installed: ${missing.join(', ')}. ${byHand}`);
  say(`Installing ${missing.join(', ')} …`);
  const apt = (args) => {
    const [command, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args];
    return succeeds(command, rest, { stdio: ['inherit', 'ignore', 'inherit'] });
  };
  const install = () => apt(['install', '-y', '-qq', '--no-install-recommends', ...missing]);
  // A fresh machine has no package lists yet; one in use may have old ones.
  if (!(apt(['update', '-qq']) && install()) || names.some((name) => !findProgram(name)))
    throw new PlainFault(`The packages ${missing.join(', ')} could not be installed. ${byHand}`);
}
