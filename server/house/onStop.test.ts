import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';

const module = fileURLToPath(new URL('onStop.ts', import.meta.url));

/** Runs a few lines in a process with a channel to this one, which is cut at once; answers what they said. */
function saidAfterTheCut(lines: string, withChannel: boolean): Promise<string> {
  const script = `import { onStop } from ${JSON.stringify(module)};\n${lines}`;
  const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
    stdio: withChannel ? ['ignore', 'pipe', 'inherit', 'ipc'] : ['ignore', 'pipe', 'inherit'],
  });
  if (withChannel) child.disconnect();
  let said = '';
  child.stdout!.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.stdout!.once('end', () => resolve(said)));
}
const listen = "onStop(() => console.log('stopped'));";
const untilCut = 'while (process.connected) await new Promise((resolve) => setTimeout(resolve, 5));\n';

it('stops a process whose starting script was gone before it listened', async () => {
  expect(await saidAfterTheCut(`${untilCut}${listen}`, true)).toBe('stopped\n');
});

it('stops a process whose starting script goes while it listens, once', async () => {
  expect(await saidAfterTheCut(`${listen}\n${untilCut}process.emit('SIGTERM');`, true)).toBe('stopped\n');
});

it('lets a process that nobody holds a channel to go on', async () => {
  expect(await saidAfterTheCut(`${listen}\nconsole.log('goes on');`, false)).toBe('goes on\n');
});
