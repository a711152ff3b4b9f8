import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });

/** A house without the demo, in a folder of its own, to be started as a person does. Whoever starts it ends it and removes the folder. */
export interface OwnHouse {
  root: string;
  dataDir: string;
  base: string;
  env: NodeJS.ProcessEnv;
  /** Starts it and waits for the line that says it is ready. */
  start: (own?: NodeJS.ProcessEnv) => Promise<{ child: ChildProcess; said: () => string }>;
  /** `npm run account` with these words. */
  account: (...words: string[]) => { status: number | null; stdout: string; stderr: string };
}

export async function ownHouse(): Promise<OwnHouse> {
  const root = fileURLToPath(new URL('..', import.meta.url));
  const dataDir = mkdtempSync(join(tmpdir(), 'lean-e2e-start-'));
  const [port, databasePort] = [await freePort(), await freePort()];
  const env = { ...process.env, PORT: String(port), LEAN_DB_PORT: String(databasePort), LEAN_DATA_DIR: dataDir, LEAN_DEMO: '0' };
  const start: OwnHouse['start'] = (own = env) => {
    const child = spawn(process.execPath, ['scripts/start.mjs'], { cwd: root, env: own, stdio: ['ignore', 'pipe', 'pipe'] });
    let words = '';
    return new Promise((resolve, reject) => {
      const hear = (chunk: Buffer): void => {
        words += chunk.toString();
        if (words.includes('is ready')) resolve({ child, said: () => words });
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', () => reject(new Error(`It ended: ${words}`)));
    });
  };
  const account: OwnHouse['account'] = (...words) =>
    spawnSync(process.execPath, ['scripts/account.mjs', ...words], { cwd: root, env, encoding: 'utf8' });
  return { root, dataDir, base: `http://127.0.0.1:${port}`, env, start, account };
}
