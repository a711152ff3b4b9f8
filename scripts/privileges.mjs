import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, lchownSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { PlainFault } from './plainFault.mjs';
import { findProgram } from './systemPackages.mjs';

/** As whom the parts of the house run where root starts them. */
export const houseUser = 'lean-mentor';

const isRoot = () => process.getuid?.() === 0;

function idOf(flag) {
  const { status, stdout } = spawnSync('id', [flag, houseUser], { encoding: 'utf8' });
  return status === 0 ? Number(stdout.trim()) : null;
}

/** The house's user, made where there is none yet. Only root can. */
function ensureHouseUser() {
  if (idOf('-u') === null) {
    const args = ['--system', '--user-group', '--no-create-home', '--home-dir', '/nonexistent', '--shell', '/usr/sbin/nologin', houseUser];
    const made = spawnSync(findProgram('useradd') ?? 'useradd', args, { encoding: 'utf8' });
    if (made.status !== 0 && idOf('-u') === null)
      throw new PlainFault(`The user ${houseUser}, as which the house runs, could not be made: ${(made.stderr ?? '').trim()}`);
  }
  return { uid: idOf('-u'), gid: idOf('-g') };
}

/** Gives a folder with all in it to somebody; links are given, not followed. */
function give(path, { uid, gid }) {
  lchownSync(path, uid, gid);
  for (const entry of readdirSync(path, { withFileTypes: true })) {
    const inside = join(path, entry.name);
    if (entry.isDirectory()) give(inside, { uid, gid });
    else lchownSync(inside, uid, gid);
  }
}

/** Whether somebody can run this Node on the house's files: they may lie in root's own folder. */
function canRun(root, identity) {
  const script = `require('node:fs').accessSync(${JSON.stringify(join(root, 'server', 'main.ts'))})`;
  return spawnSync(process.execPath, ['-e', script], { ...identity, cwd: '/', stdio: 'ignore' }).status === 0;
}

/**
 * As whom the parts of a house run: started by root as the house's own user, otherwise as who started it (null: nothing to change).
 * The data folder becomes theirs, and nobody else's to look into.
 */
export function houseIdentity(root, dataDir) {
  mkdirSync(dataDir, { recursive: true });
  if (!isRoot() || process.env.LEAN_AS_ROOT === '1') {
    chmodSync(dataDir, 0o700);
    return null;
  }
  const identity = ensureHouseUser();
  if (!canRun(root, identity))
    throw new PlainFault(
      `Started by root, the house runs as ${houseUser}, who cannot read ${root} or run ${process.execPath}. Move the project to a folder that everybody can read, start it as an ordinary user, or set LEAN_AS_ROOT=1.`,
    );
  // All of it only where it was somebody else's: a practice's footage is large.
  if (statSync(dataDir).uid !== identity.uid) give(dataDir, identity);
  chownSync(dataDir, identity.uid, identity.gid);
  chmodSync(dataDir, 0o700);
  return identity;
}

/** Whether root can have this project run by the house's user: true for whoever is not root, who needs nobody else. */
export const canDropRoot = (root) => !isRoot() || canRun(root, ensureHouseUser());

/** Who owns a data folder, for commands that root runs beside a house. */
export function ownerOf(dataDir) {
  if (!isRoot()) return null;
  const { uid, gid } = statSync(dataDir);
  return { uid, gid };
}
