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
