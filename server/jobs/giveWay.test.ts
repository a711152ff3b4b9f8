import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { giveWay } from './giveWay.ts';

const file = '/proc/self/autogroup';

describe('the jobs process', () => {
  it.runIf(existsSync(file))('stands behind everybody else where the system shares out by sessions', () => {
    // In a session of its own, as the house starts it: ours keeps its place.
    const says = `import { giveWay } from './server/jobs/giveWay.ts'; import { readFileSync } from 'node:fs'; await giveWay(); process.stdout.write(readFileSync('${file}', 'utf8'));`;
    const said = execFileSync('setsid', ['-w', process.execPath, '--import', 'tsx', '--input-type=module', '-e', says], {
      encoding: 'utf8',
    });
    expect(said).toMatch(/ nice 15$/m);
  });

  it('goes on where there is no such thing', async () => {
    await expect(giveWay('/no/such/file')).resolves.toBeUndefined();
  });
});
