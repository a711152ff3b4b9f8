import { expect, it } from 'vitest';

interface Sizes {
  servers: number;
  jobs: number;
  coaches: number;
  readers: number;
  seconds: number;
}
// The scripts are plain JavaScript, which runs before anything is installed.
const script: string = new URL('../scripts/manyServers.mjs', import.meta.url).href;
const { manyServers } = (await import(script)) as { manyServers: (sizes: Sizes) => Promise<string | null> };

// `npm run drill` does the same with three jobs processes, ten coaches and a hundred readers.
it('one practice on several machines: what one server is told all know, and nothing is lost or doubled while the database is away', async () => {
  expect(await manyServers({ servers: 2, jobs: 1, coaches: 3, readers: 8, seconds: 8 })).toBeNull();
});
