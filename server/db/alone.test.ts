import { spawn } from 'node:child_process';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { program } from '../testing/program.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { alone } from './alone.ts';
import { migrate } from './migrate.ts';

let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse({ migrated: false });
});
afterAll(() => house.close());

/** Runs the command that prepares a house, in a process of its own; answers its exit status and what it said. */
function prepare(): { ended: Promise<[number | null, string]>; goAway: () => void } {
  const { name, password, hosts } = house.config.database;
  const env = {
    ...process.env,
    LEAN_DB_NAME: name,
    LEAN_DB_PASSWORD: password,
    LEAN_DB_PORT: String(hosts[0]!.port),
    LEAN_DATA_DIR: house.config.dataDir,
    LEAN_SECRET: 'a secret for the tests only',
    LEAN_LOG: 'silent',
  };
  const child = spawn(process.execPath, program('server/commands/prepare.ts'), {
    env,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  });
  let said = '';
  for (const stream of [child.stdout!, child.stderr!]) stream.on('data', (piece: Buffer) => (said += piece.toString()));
  return { ended: new Promise((resolve) => child.once('exit', (status) => resolve([status, said]))), goAway: () => child.disconnect() };
}

describe('alone', () => {
  it('lets one after the other work on a database, whatever came of the one before', async () => {
    let inside = 0;
    const one = (fails: boolean): Promise<void> =>
      alone(house.db.sequelize, async () => {
        inside += 1;
        expect(inside).toBe(1);
        await new Promise((resolve) => setTimeout(resolve, 20));
        inside -= 1;
        if (fails) throw new Error('refused');
      });
    const ends = await Promise.allSettled([true, false, true, false].map(one));
    expect(ends.map(({ status }) => status)).toEqual(['rejected', 'fulfilled', 'rejected', 'fulfilled']);
  });
});

describe('preparing a house', () => {
  it('twice at once is preparing it once', async () => {
    expect(await Promise.all([prepare().ended, prepare().ended])).toEqual([
      [0, ''],
      [0, ''],
    ]);
    expect(await migrate(house.db.sequelize)).toEqual([]);
    const [row] = await house.db.sequelize.query<{ n: string }>('SELECT COUNT(*) AS n FROM principles', { type: QueryTypes.SELECT });
    expect(Number(row!.n)).toBeGreaterThan(0);
  });

  it('ends with the start that began it', async () => {
    let goOn = (): void => undefined;
    const held = alone(house.db.sequelize, () => new Promise<void>((resolve) => (goOn = resolve)));
    const { ended, goAway } = prepare();
    goAway();
    expect((await ended)[0]).toBe(1);
    goOn();
    await held;
  });
});
