import { createHash } from 'node:crypto';
import { copyFileSync, createReadStream, existsSync, linkSync, lstatSync, mkdirSync, readdirSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

/** Of a data folder what a backup leaves out: the database itself, which is dumped, and what only the running house needs. */
const left = /^(db|db\.[^/]*|house\.lock[^/]*|log|work|reserve)(\/|$)/;
/** What is just being written, beside its place. */
const unfinished = /\.[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$|\.new$/;
/** Grows or is written over in place. All else is written whole and never again, so that a second name for it is a copy. */
const changing = /^uploads\/|^secrets\.json$/;

/** Paths of the files of a data folder that belong into a backup, in their order. */
export function filesToKeep(dataDir) {
  const found = [];
  const walk = (folder) => {
    for (const entry of readdirSync(join(dataDir, folder), { withFileTypes: true })) {
      const path = folder ? `${folder}/${entry.name}` : entry.name;
      if (left.test(path) || unfinished.test(path)) continue;
      if (entry.isDirectory()) walk(path);
      else if (entry.isFile()) found.push(path);
    }
  };
  walk('');
  return found.sort();
}

const isGone = (error) => error.code === 'ENOENT';

/** Puts a file into a backup: by a second name on the same disk, else as a copy. What was removed meanwhile is left out. */
function keep(dataDir, target, path) {
  const [from, to] = [join(dataDir, path), join(target, path)];
  mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
  try {
    if (changing.test(path)) copyFileSync(from, to);
    else linkSync(from, to);
  } catch (error) {
    if (isGone(error)) return;
    if (error.code !== 'EXDEV' && error.code !== 'EPERM' && error.code !== 'EMLINK') throw error;
    try {
      copyFileSync(from, to);
    } catch (again) {
      if (!isGone(again)) throw again;
    }
  }
}

/** Puts all files of a data folder into a backup that are not in it yet. */
export function keepFiles(dataDir, target) {
  for (const path of filesToKeep(dataDir)) if (!existsSync(join(target, path))) keep(dataDir, target, path);
}

/** SHA-256 of a file, in hexadecimal. */
async function sumOf(file) {
  const hash = createHash('sha256');
  for await (const piece of createReadStream(file)) hash.update(piece);
  return hash.digest('hex');
}

/** Every file below a folder with its size and sum, by its path in it. */
export async function summedFiles(folder) {
  const names = readdirSync(folder, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile());
  const files = [];
  for (const entry of names) {
    const file = join(entry.parentPath ?? entry.path, entry.name);
    files.push({ path: relative(folder, file), bytes: lstatSync(file).size, sha256: await sumOf(file) });
  }
  return files.sort((a, b) => (a.path < b.path ? -1 : 1));
}

/** The first file of a backup that is not what its list says, in words; null where all are. */
export async function firstFault(folder, files) {
  for (const { path, bytes, sha256 } of files) {
    const file = join(folder, path);
    if (!existsSync(file)) return `${path} is missing`;
    if (lstatSync(file).size !== bytes) return `${path} has ${lstatSync(file).size} bytes where ${bytes} were kept`;
    if ((await sumOf(file)) !== sha256) return `${path} is not what was kept`;
  }
  return null;
}
