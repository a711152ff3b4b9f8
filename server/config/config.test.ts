import { describe, expect, it } from 'vitest';
import { readConfig } from './config.ts';

const given = { LEAN_DB_PASSWORD: 'a long password', LEAN_SECRET: 'a secret of some length' };

describe('the environment', () => {
  it('has defaults for all that need not be said', () => {
    expect(readConfig(given)).toMatchObject({ port: 4170, database: { port: 4171, name: 'lean_mentor' }, logLevel: 'info' });
  });

  it('reaches nobody outside unless it is told to, trusts no proxy, and has no demo where others can reach it', () => {
    expect(readConfig(given)).toMatchObject({
      host: '127.0.0.1',
      url: 'http://127.0.0.1:4170',
      https: false,
      trustedProxies: false,
      demo: true,
    });
    expect(readConfig({ ...given, LEAN_HOST: '0.0.0.0' }).demo).toBe(false);
    expect(readConfig({ ...given, LEAN_HOST: '0.0.0.0', LEAN_DEMO: '1' }).demo).toBe(true);
    expect(readConfig({ ...given, LEAN_URL: 'https://mentor.example/' })).toMatchObject({ url: 'https://mentor.example', https: true });
    expect(readConfig({ ...given, LEAN_TRUSTED_PROXIES: '10.0.0.0/8, 127.0.0.1' }).trustedProxies).toEqual(['10.0.0.0/8', '127.0.0.1']);
    expect(readConfig({ ...given, LEAN_TRUSTED_PROXIES: '2' }).trustedProxies).toBe(2);
  });

  it.each([
    [{ ...given, PORT: 'door' }, 'PORT must be a port number.'],
    [{ ...given, LEAN_DB_PORT: '70000' }, 'LEAN_DB_PORT must be at most 65535.'],
    [{ LEAN_DB_PASSWORD: 'a long password' }, 'LEAN_SECRET is missing; scripts/start.mjs sets it.'],
    [{ ...given, LEAN_RECOGNISER: 'hears {voice}' }, 'LEAN_RECOGNISER must name {voice} and {words}'],
    [{ ...given, LEAN_URL: 'mentor.example' }, 'LEAN_URL must be an address such as https://mentor.example.'],
    [{ ...given, LEAN_TRUSTED_PROXIES: 'somebody' }, 'LEAN_TRUSTED_PROXIES names "somebody"'],
  ])('is refused with one sentence that names the variable (%#)', (env, words) => {
    expect(() => readConfig(env)).toThrow(words);
  });
});
