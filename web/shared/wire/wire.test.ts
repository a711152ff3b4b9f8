// @vitest-environment jsdom
import { getClientHistory, getSession, signIn } from '@lean-mentor/contract';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { addressOf, call, currentToken, faultWords, wire } from './wire.ts';

const api = { signal: new AbortController().signal } as Parameters<ReturnType<typeof wire>>[1];
const answer = (body: unknown, status = 200): Response => new Response(JSON.stringify(body), { status });
afterEach(() => vi.unstubAllGlobals());

describe('a call', () => {
  it('goes to the operation’s address with its parameters in place', () => {
    expect(addressOf(getClientHistory, { clientId: 'a/b' })).toBe('/api/clients/a%2Fb/history');
  });

  it('carries the token that came with the session', async () => {
    const fetches = vi
      .fn()
      .mockResolvedValueOnce(answer({ account: null, token: 'fresh' }))
      .mockResolvedValueOnce(answer({ account: null, token: 'next' }));
    vi.stubGlobal('fetch', fetches);
    await wire(getSession)(call(getSession), api, {});
    await wire(getSession)(call(signIn, { email: 'a@b.example', password: 'x' }), api, {});
    expect(fetches.mock.calls[1]?.[1].headers['x-lean-token']).toBe('fresh');
    expect(currentToken()).toBe('next');
  });

  it('is made again with a new token when the page’s has aged', async () => {
    const fetches = vi
      .fn()
      .mockResolvedValueOnce(answer({ code: 'stale-page', message: 'Old.' }, 403))
      .mockResolvedValueOnce(answer({ account: null, token: 'newer' }))
      .mockResolvedValueOnce(answer({ done: true }));
    vi.stubGlobal('fetch', fetches);
    expect(await wire(getSession)(call(getClientHistory, 'x'), api, {})).toEqual({ data: { done: true } });
    expect(fetches.mock.calls[2]?.[1].headers['x-lean-token']).toBe('newer');
  });

  it('that does not reach the server says what is kept', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    const { error } = (await wire(getSession)(call(getSession), api, {})) as { error: unknown };
    expect(faultWords(error)).toBe('Lean Mentor cannot be reached. What you wrote stays here; try again in a moment.');
  });

  it('that failed on the server’s side shows the reference that is in its log', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(answer({ code: 'unknown', message: 'Something went wrong.', reference: 'ab12cd34' }, 500)),
    );
    const { error } = (await wire(getSession)(call(getSession), api, {})) as { error: unknown };
    expect(faultWords(error)).toBe('Something went wrong. Reference ab12cd34.');
  });
});
