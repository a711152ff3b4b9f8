import type { Draft, DraftStep, Footage, Request } from '@lean-mentor/contract';
import { once } from 'node:events';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { demoPassword } from '@lean-mentor/demo';

/** Somebody who calls the API from Node, with a session of their own. */
export interface Caller {
  base: string;
  cookie: () => string;
  ask: (method: string, path: string, more?: { body?: BodyInit; headers?: Record<string, string> }) => Promise<Response>;
  /** Begins a request with one file of this many bytes, still to be uploaded, of which all is said, and leaves it at a step; answers its footage. */
  openDraft: (byteSize: number, question: string, step?: DraftStep) => Promise<Footage>;
  /** The same, sent. */
  openRequest: (byteSize: number, question: string) => Promise<Footage>;
  /** Uploads the bytes of a footage (tus, one piece), given as buffers one after another. Answers the seconds it took. */
  upload: (footage: Footage, buffers: Iterable<Buffer>) => Promise<number>;
  /** Waits until a footage is ready or has failed; answers which. */
  settled: (footageId: string) => Promise<string>;
  /** Waits until nobody's footage is being made ready any more. */
  quiet: () => Promise<void>;
}

const pollMs = 300;

export async function signInTo(base: string, who: string): Promise<Caller> {
  let cookie = '';
  let token = '';
  const ask: Caller['ask'] = async (method, path, { body, headers } = {}) => {
    const answer = await fetch(base + path, {
      method,
      headers: { cookie, 'x-lean-token': token, ...headers },
      ...(body !== undefined && { body }),
    });
    const session = answer.headers.getSetCookie().find((one) => one.startsWith('lean.sid='));
    if (session) cookie = session.split(';')[0]!;
    if (!answer.ok) throw new Error(`${method} ${path} answered ${answer.status}: ${await answer.text()}`);
    return answer;
  };
  const json = (value: unknown) => ({ body: JSON.stringify(value), headers: { 'content-type': 'application/json' } });
  token = (await (await ask('GET', '/api/session')).json()).token;
  const session = await (await ask('POST', '/api/session', json({ email: `${who}@skerrow.example`, password: demoPassword }))).json();
  token = session.token;

  const footageStates = async (as: Caller['ask']) =>
    ((await (await as('GET', '/api/requests')).json()) as { requests: Request[] }).requests.flatMap((r) => r.footages);
  const wait = () => new Promise((resolve) => setTimeout(resolve, pollMs));
  const openDraft: Caller['openDraft'] = async (byteSize, question, step = 'check') => {
    const clientId = session.account.clients[0].id as string;
    const draft = (await (await ask('POST', '/api/drafts', json({ clientId }))).json()) as Draft;
    const intake = {
      kind: 'hard-sparring',
      attire: 'jacket',
      ruleSheet: 'open-mat',
      whoClient: 'green',
      whoPartner: 'white',
      question,
      partnerConsent: 'agreed',
    };
    await ask('PATCH', `/api/drafts/${draft.id}`, json({ step, intake }));
    const added = await ask('POST', `/api/requests/${draft.id}/footages`, json({ fileName: 'bench.mp4', byteSize }));
    return (await added.json()) as Footage;
  };
  return {
    base,
    cookie: () => cookie,
    ask,
    openDraft,
    openRequest: async (byteSize, question) => {
      const footage = await openDraft(byteSize, question);
      await ask('POST', `/api/requests/${footage.requestId}/send`);
      return footage;
    },
    upload: async (footage, buffers) => {
      const tus = { 'Tus-Resumable': '1.0.0' };
      const metadata = `footageId ${Buffer.from(footage.id).toString('base64')}`;
      const begun = performance.now();
      const opened = await ask('POST', '/api/uploads', {
        headers: { ...tus, 'Upload-Length': String(footage.byteSize), 'Upload-Metadata': metadata },
      });
      const at = new URL(opened.headers.get('location')!, base).pathname;
      const headers = { cookie, 'x-lean-token': token, ...tus, 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' };
      // Node's own client, which hands whole buffers over: what is measured is the server.
      const patch = httpRequest(base + at, { method: 'PATCH', headers: { ...headers, 'Content-Length': footage.byteSize } });
      const answered = once(patch, 'response');
      await pipeline(Readable.from(buffers, { objectMode: false, highWaterMark: 1 }), patch);
      const [answer] = (await answered) as [IncomingMessage];
      answer.resume();
      if (answer.statusCode !== 204) throw new Error(`The upload was answered with ${answer.statusCode}.`);
      return (performance.now() - begun) / 1000;
    },
    settled: async (footageId) => {
      for (;;) {
        const state = (await footageStates(ask)).find((f) => f.id === footageId)?.state ?? 'missing';
        if (!['waiting', 'working'].includes(state)) return state;
        await wait();
      }
    },
    quiet: async () => {
      const coach = await signInTo(base, 'marit');
      while ((await footageStates(coach.ask)).some((f) => ['waiting', 'working'].includes(f.state))) await wait();
    },
  };
}
