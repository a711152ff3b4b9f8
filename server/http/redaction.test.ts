import { operations, type Operation } from '@lean-mentor/contract';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { ContractError } from '../house/contractError.ts';
import { frameTableKey } from '../storage/index.ts';
import { aNote, bringBout, bringCritique, bringRequest, clientA } from '../testing/people.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { visit, type Visitor } from '../testing/visitor.ts';

/** Stands in everything that people write here; nothing of it may be found in the logs. */
const marked = 'Zwiebelturm';

const { house, open } = peopledHouse();
const visitors = new Map<string, Visitor>();
let ids: Record<string, string>;
beforeAll(async () => {
  for (const who of ['coach', 'client', 'guardian']) visitors.set(who, await visit(open.app, who));
  const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
  await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times: [0, 0.1], endSeconds: 0.2 }));
  const noteId = house.newId();
  await house.db.notes.create({ ...aNote(noteId, footageId, { what: marked }), requestId });
  await house.db.requests.update({ exchange: [{ words: marked }] as never }, { where: { id: requestId } });
  const critiqueId = await bringCritique(house, requestId, { words: marked });
  const token = 'secretTokenOfALink'.padEnd(43, 'x');
  ids = {
    requestId,
    footageId,
    critiqueId,
    noteId,
    boutId: await bringBout(house, footageId, 0, 2),
    clientId: clientA,
    token,
    code: 'zzzzzzzz',
  };
});

const pathOf = ({ path }: Operation): string => path.replace(/:(\w+)/g, (_, name: string) => ids[name] ?? house.newId());

/** A body of the contract's shape in which every text is the marked one. */
const bodies: Record<string, object> = {
  signIn: { email: `${marked}@test.example`, password: marked },
  searchWords: { words: marked, clientId: null },
  saveDraft: { step: 'question', intake: { question: marked, whoClient: marked } },
  addFootage: { fileName: `${marked}.mp4`, byteSize: 10 },
  sendBackRequest: { words: marked },
  askFirst: { need: 'context', words: marked },
  answerFirst: { words: marked },
  askQuestion: { id: '00000000-0000-4000-8000-000000000009', fixId: null, noteId: null, words: marked },
  answerQuestion: { words: marked },
  addClip: { id: '00000000-0000-4000-8000-000000000008', title: marked },
  renameClip: { title: marked },
  makeReadLink: { forName: marked, days: 3 },
  savePhraseBook: { phrases: [{ id: '00000000-0000-4000-8000-000000000007', words: marked }], templates: [] },
};

/** Calls an operation as whoever may, with marked texts in its address, body and headers. */
async function call(operation: Operation): Promise<void> {
  const role = operation.access === 'anyone' ? 'coach' : operation.access[0];
  const visitor = visitors.get(role === 'assistant' ? 'coach' : role)!;
  const address = `${pathOf(operation)}?q=${marked}`;
  // Signing out would end the visit that the others need; a stream of events does not end.
  if (operation.stream === 'text/event-stream' || operation.name === 'signOut') return;
  const request = visitor.ask(operation.method, address).set('x-marked', marked);
  const body = bodies[operation.name] ?? (operation.body ? { nonsense: marked, [marked]: marked } : undefined);
  await (body ? request.send(body) : request).timeout(5000).then(
    () => undefined,
    () => undefined,
  );
}

const leaks = (): string[] =>
  house.logged.filter((line) => line.includes(marked) || line.includes('secretTokenOfALink') || line.includes('test.example'));

describe('the logs', () => {
  it('hold nothing that people wrote, no address and no token, whichever operation fails in the database', async () => {
    const { sequelize } = house.db;
    const query = sequelize.query.bind(sequelize) as (...args: unknown[]) => Promise<unknown>;
    // What a failing statement says holds the statement itself, values and all: but for who calls and what is theirs, every one fails.
    const spy = vi.spyOn(sequelize, 'query').mockImplementation(((...args: unknown[]) => {
      const sql = typeof args[0] === 'string' ? args[0] : (args[0] as { query: string }).query;
      return /sessions|accounts|account_clients|sign_in_tries|AS requestState/.test(sql)
        ? query(...args)
        : query(`SELECT no_such_column, ${sequelize.escape(`${marked} ${sql}`)}`);
    }) as never);
    try {
      for (const operation of operations) await call(operation);
    } finally {
      spy.mockRestore();
    }
    expect(house.logged.filter((line) => line.includes('"request failed"')).length).toBeGreaterThan(40);
    expect(leaks()).toEqual([]);
  });

  it('nor whichever body is refused or cannot be read, nor what an answer holds that the contract does not name', async () => {
    for (const operation of operations) await call(operation);
    await visitors.get('coach')!.ask('post', '/api/search').set('content-type', 'application/json').send(`{"words": "${marked}`);
    await house.db.critiqueVersions.update({ doc: { type: 'doc', content: [{ type: marked, text: marked }] } as never }, { where: {} });
    await visitors.get('client')!.ask('get', `/api/critiques/${ids['critiqueId']!}`);
    expect(leaks()).toEqual([]);
  });

  it('nor what is thrown with a text as its cause', async () => {
    house.log.error({ err: new Error('outer', { cause: new SyntaxError(`Unexpected token in "${marked}"`) }) }, 'x');
    house.log.error({ err: Object.assign(new ContractError('unknown'), { sql: marked, parameters: [marked] }) }, 'x');
    expect(leaks()).toEqual([]);
    expect(house.logged.at(-2)).toContain('outer');
  });
});
