import { describe, expect, it } from 'vitest';
import { readConfig } from './config.ts';

const given = { LEAN_DB_PASSWORD: 'a long password', LEAN_SECRET: 'a secret of some length' };

describe('the environment', () => {
  it('has defaults for all that need not be said', () => {
    expect(readConfig(given)).toMatchObject({ port: 4170, database: { port: 4171, name: 'lean_mentor' }, logLevel: 'info' });
  });

  it.each([
    [{ ...given, PORT: 'door' }, 'PORT must be a port number.'],
    [{ ...given, LEAN_DB_PORT: '70000' }, 'LEAN_DB_PORT must be at most 65535.'],
    [{ LEAN_DB_PASSWORD: 'a long password' }, 'LEAN_SECRET is missing; scripts/start.mjs sets it.'],
  ])('is refused with one sentence that names the variable (%#)', (env, words) => {
    expect(() => readConfig(env)).toThrow(words);
  });
});
