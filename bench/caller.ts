import type { Request } from '@lean-mentor/contract';
import { demoPassword } from '@lean-mentor/demo';

/** Somebody who calls the API from Node, with a session of their own. */
export interface Caller {
  base: string;
  ask: (method: string, path: string, more?: { body?: BodyInit; headers?: Record<string, string> }) => Promise<Response>;
  /** Opens a request for a file of this many bytes. */
  openRequest: (byteSize: number, question: string) => Promise<Request>;
  /** Uploads bytes as the footage of a request (tus, one piece). Answers the seconds it took. */
  upload: (request: Request, bytes: Uint8Array<ArrayBuffer>) => Promise<number>;
  /** Waits until the footage of a request is ready or has failed; answers which. */
  settled: (requestId: string) => Promise<string>;
  /** Waits until nobody's footage is being made ready any more. */
  quiet: () => Promise<void>;
}

const pollMs = 40;

export async function signInTo(base: string, who: string): Promise<Caller> {
  let cookie = '';
  let token = '';
  const ask: Caller['ask'] = async (method, path, { body, headers } = {}) => {
    const answer = await fetch(base + path, {
      method,
      headers: { cookie, 'x-lean-token': token, ...headers },
      ...(body !== undefined && { body }),
    });
    const set = answer.headers.getSetCookie()[0];
    if (set) cookie = set.split(';')[0]!;
    if (!answer.ok) throw new Error(`${method} ${path} answered ${answer.status}: ${await answer.text()}`);
    return answer;
  };
  const json = (value: unknown) => ({ body: JSON.stringify(value), headers: { 'content-type': 'application/json' } });
  token = (await (await ask('GET', '/api/session')).json()).token;
  const session = await (await ask('POST', '/api/session', json({ email: `${who}@skerrow.example`, password: demoPassword }))).json();
  token = session.token;

  const footageStates = async (as: Caller['ask']) =>
    ((await (await as('GET', '/api/requests')).json()) as { requests: Request[] }).requests.map((r) => ({
      id: r.id,
      state: r.footage.state,
    }));
  const wait = () => new Promise((resolve) => setTimeout(resolve, pollMs));
  return {
    base,
    ask,
    openRequest: async (byteSize, question) => {
      const said = {
        clientId: session.account.clients[0].id,
        fileName: 'bench.mp4',
        byteSize,
        kind: 'sparring',
        attire: 'jacket',
        whoClient: 'green',
        whoPartner: 'white',
        question,
      };
      return (await (await ask('POST', '/api/requests', json(said))).json()) as Request;
    },
    upload: async (request, bytes) => {
      const tus = { 'Tus-Resumable': '1.0.0' };
      const metadata = `footageId ${Buffer.from(request.footage.id).toString('base64')}`;
      const begun = performance.now();
      const opened = await ask('POST', '/api/uploads', {
        headers: { ...tus, 'Upload-Length': String(bytes.length), 'Upload-Metadata': metadata },
      });
      const at = new URL(opened.headers.get('location')!, base).pathname;
      await ask('PATCH', at, { body: bytes, headers: { ...tus, 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' } });
      return (performance.now() - begun) / 1000;
    },
    settled: async (requestId) => {
      for (;;) {
        const state = (await footageStates(ask)).find((r) => r.id === requestId)?.state ?? 'missing';
        if (!['waiting', 'working'].includes(state)) return state;
        await wait();
      }
    },
    quiet: async () => {
      const coach = await signInTo(base, 'marit');
      while ((await footageStates(coach.ask)).some((r) => ['waiting', 'working'].includes(r.state))) await wait();
    },
  };
}
