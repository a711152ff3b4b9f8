import { spawnSync } from 'node:child_process';
import { buildServer, builtProgram } from './build.mjs';
import { reportFault } from './plainFault.mjs';
import { root } from './settings.mjs';

/** `npm run -s lean -- COMMAND FILE …`: what is computed, on files and without a database (server/commands/lean.ts). */
try {
  // Nothing but the answer is said: others read it.
  buildServer(root, () => undefined);
  const words = [...builtProgram(root, 'server/commands/lean.ts'), ...process.argv.slice(2)];
  process.exitCode = spawnSync(process.execPath, words, { stdio: 'inherit' }).status ?? 1;
} catch (error) {
  reportFault(error);
}
