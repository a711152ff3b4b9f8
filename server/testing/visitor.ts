import type { Express } from 'express';
import supertest, { type Test } from 'supertest';
import { password } from './people.ts';

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete' | 'head' | 'options';

/** Someone at a browser: cookies are kept, and changes carry the page's token. */
export interface Visitor {
  token: string;
  ask: (method: Method, path: string, body?: object) => Test;
}

/** A visitor who has loaded the page, and signed in as `who@test.example` where `who` is given. */
export async function visit(app: Express, who: string | null): Promise<Visitor> {
  const agent = supertest.agent(app);
  const visitor: Visitor = {
    token: '',
    ask: (method, path, body) => {
      const request = agent[method](path).set('x-lean-token', visitor.token);
      return body ? request.send(body) : request;
    },
  };
  visitor.token = (await visitor.ask('get', '/api/session')).body.token as string;
  if (who) {
    const answer = await visitor.ask('post', '/api/session', { email: `${who}@test.example`, password });
    if (answer.status !== 200) throw new Error(`Sign-in of ${who} answered ${answer.status}: ${answer.text}`);
    visitor.token = answer.body.token as string;
  }
  return visitor;
}
