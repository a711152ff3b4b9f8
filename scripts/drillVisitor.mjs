import { until } from './drillHouse.mjs';

/** Somebody of the demo at a house, without a browser: signs in, keeps cookies and token, and asks. */
export async function visitHouse(base, email) {
  const jar = new Map();
  let token = '';
  const cookies = () => [...jar].map(([name, value]) => `${name}=${value}`).join('; ');
  const ask = async (method, path, body, headers = {}) => {
    const isText = body !== undefined && !Buffer.isBuffer(body);
    const answer = await fetch(base + path, {
      method,
      headers: {
        cookie: cookies(),
        'x-lean-token': token,
        ...(isText && { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body !== undefined && { body: isText ? JSON.stringify(body) : body }),
      signal: AbortSignal.timeout(20_000),
    }).catch((error) => ({ status: 0, headers: new Headers(), text: async () => String(error) }));
    for (const cookie of answer.headers.getSetCookie?.() ?? []) {
      const [name, value] = cookie.split(';')[0].split(/=(.*)/s);
      jar.set(name, value);
    }
    const text = await answer.text();
    const json = text.startsWith('{') ? JSON.parse(text) : null;
    if (json?.token) token = json.token;
    return { status: answer.status, json, text, headers: answer.headers };
  };
  await ask('GET', '/api/session');
  const signedIn = await ask('POST', '/api/session', { email, password: 'straw-and-tide' });
  if (signedIn.status !== 200) throw new Error(`${email} could not sign in: ${signedIn.status} ${signedIn.text}`);
  return { ask, cookies, account: signedIn.json.account };
}

const tus = { 'Tus-Resumable': '1.0.0' };

/** Begins to send a file as a client's page does, each call by `ask`; answers its draft, its footage and where its bytes go. */
export async function beginSending(client, bytes, ask = client.ask) {
  const draft = (await ask('POST', '/api/drafts', { clientId: client.account.clients[0].id })).json;
  const footage = (await ask('POST', `/api/requests/${draft.id}/footages`, { fileName: 'round.mp4', byteSize: bytes.length })).json;
  const metadata = `footageId ${Buffer.from(footage.id).toString('base64')}`;
  const size = { 'Upload-Length': String(bytes.length), 'Upload-Metadata': metadata };
  const begun = await ask('POST', '/api/uploads', undefined, { ...tus, ...size });
  const at = new URL(begun.headers.get('location'), 'http://127.0.0.1').pathname;
  return { draftId: draft.id, footageId: footage.id, at };
}

/** Sends so much of a file from a place in it. */
export const sendPiece = (client, at, bytes, from, most) =>
  client.ask('PATCH', at, bytes.subarray(from, from + most), {
    ...tus,
    'Upload-Offset': String(from),
    'Content-Type': 'application/offset+octet-stream',
  });

/** Sends what has not arrived yet, piece by piece, asking before each how far it is; answers whether all has arrived within `ms`. */
export const sendRest = (client, at, bytes, most, ms) =>
  until(async () => {
    const asked = await client.ask('HEAD', at, undefined, tus);
    const offset = Number(asked.headers.get('upload-offset'));
    if (asked.status !== 200) return false;
    if (offset === bytes.length) return true;
    await sendPiece(client, at, bytes, offset, most);
    return false;
  }, ms);
