import type { BodyOf, Operation, ParamsOf, WireError } from '@lean-mentor/contract';
import type { BaseQueryFn } from '@reduxjs/toolkit/query/react';

/** Why a call failed: what the server said, or that it could not be reached. */
export interface WireFault {
  code: WireError['code'] | 'offline';
  message: string;
  fields?: WireError['fields'];
  reference?: string | undefined;
}

export interface WireCall {
  operation: Operation;
  params?: Record<string, string | number>;
  body?: unknown;
}

type IsUnion<T, Each = T> = T extends unknown ? ([Each] extends [T] ? false : true) : never;
/** Parameters of the address alone: the parameter itself where there is only one. */
type NamedBy<Params> = IsUnion<keyof Params> extends true ? Params : Params[keyof Params];

/**
 * What an operation is asked with: the parameters of its address and its body as one object; the parameter itself where it is the only
 * one and there is no body; nothing where there is neither.
 */
export type ArgumentOf<O extends Operation> = O extends { params: object }
  ? O extends { body: object }
    ? ParamsOf<O> & BodyOf<O>
    : NamedBy<ParamsOf<O>>
  : O extends { body: object }
    ? BodyOf<O>
    : void;

/** The call of an operation that is asked with `argument`. */
export function callOf(operation: Operation, argument: unknown): WireCall {
  const names = [...operation.path.matchAll(/:(\w+)/g)].map(([, name]) => name!);
  if (argument === undefined) return { operation };
  if (typeof argument !== 'object') return { operation, params: { [names[0]!]: argument as string | number } };
  const given = Object.entries(argument as Record<string, string | number>);
  const params = Object.fromEntries(given.filter(([key]) => names.includes(key)));
  if (!operation.body) return { operation, params };
  return { operation, params, body: Object.fromEntries(given.filter(([key]) => !names.includes(key))) };
}

/** The same, held to the operation's types. */
export const call = <O extends Operation>(operation: O, ...[argument]: ArgumentOf<O> extends void ? [] : [ArgumentOf<O>]): WireCall =>
  callOf(operation, argument);

/** Address of an operation; used for streams too (pictures, video, events). */
export const addressOf = (operation: Operation, params: Record<string, string | number> = {}): string =>
  operation.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(params[name])));

let pageToken = '';
let pageAccount: string | null = null;
/** Who is signed in on this page; what it keeps in the browser is theirs. Null while nobody is, or it is not known yet. */
export const currentAccount = (): string | null => pageAccount;
/** What every change must carry (CSRF); it comes with the session. */
export const currentToken = (): string => pageToken;

const offline: WireFault = { code: 'offline', message: 'Lean Mentor cannot be reached. What you wrote stays here; try again in a moment.' };

/** Set when the page is being left: what is sent then must outlive it, which browsers grant to small bodies only. */
let leaving = false;
if (typeof addEventListener === 'function') {
  // Before all that saves on leaving.
  addEventListener('pagehide', () => (leaving = true), { capture: true });
  addEventListener('pageshow', () => (leaving = false));
}
const mostKeptAlive = 60_000;

async function once({ operation, params, body }: WireCall, signal?: AbortSignal): Promise<{ data: unknown } | { error: WireFault }> {
  let response: Response;
  const text = body === undefined ? undefined : JSON.stringify(body);
  try {
    response = await fetch(new URL(addressOf(operation, params), globalThis.location.origin), {
      method: operation.method.toUpperCase(),
      headers: { 'x-lean-token': pageToken, ...(text !== undefined && { 'content-type': 'application/json' }) },
      ...(text !== undefined && { body: text }),
      ...(leaving && (text?.length ?? 0) < mostKeptAlive && { keepalive: true }),
      ...(signal && { signal }),
    });
  } catch {
    return { error: offline };
  }
  const answer: unknown = await response.json().catch(() => null);
  if (!response.ok) return { error: answer && typeof answer === 'object' && 'code' in answer ? (answer as WireFault) : offline };
  if (operation.room === 'access') {
    const session = answer as { token: string; account?: { id: string } | null };
    pageToken = session.token;
    pageAccount = session.account?.id ?? null;
  }
  return { data: answer };
}

/** The base query: one fetch, and where the page's token has aged, a new one and a second try. */
export function wire(sessionOperation: Operation): BaseQueryFn<WireCall, unknown, WireFault> {
  return async (wanted, { signal }) => {
    const answer = await once(wanted, signal);
    if (!('error' in answer) || answer.error.code !== 'stale-page') return answer;
    const session = await once({ operation: sessionOperation }, signal);
    return 'error' in session ? answer : once(wanted, signal);
  };
}

/** One sentence for the person, with the reference where the server gave one. */
export function faultWords(error: unknown): string {
  const fault = error as Partial<WireFault> | undefined;
  if (!fault?.message) return 'Something went wrong in this page. Load it again.';
  return fault.reference ? `${fault.message} Reference ${fault.reference}.` : fault.message;
}
