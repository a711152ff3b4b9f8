import { bookMarkdown, readBookMarkdown } from '@lean-mentor/contract';
import {
  blankPrinciple,
  bookAreas,
  bookContradictions,
  bookFaults,
  readingGrade,
  type BookDrill,
  type BookPrinciple,
} from '@lean-mentor/core/book';
import { guessAsked } from '@lean-mentor/core/fixes';
import { techniqueNamed } from '@lean-mentor/core/techniques';
import { describe, expect, it } from 'vitest';
import { aDrill, aNote, bringCritique, bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';
import { putStarterBookOnce } from './entries.ts';
import { readStarterBook } from './starterBook.ts';

const { house, open, coach } = peopledHouse('coach');

const book = async (): Promise<{ principles: (BookPrinciple & { notes: number })[]; drills: BookDrill[] }> =>
  (await coach.ask('get', '/api/book')).body;
const words = (name: string, more: Partial<BookPrinciple> = {}) =>
  blankPrinciple({ id: house.newId(), name, cue: 'Elbows in.', good: 'Good.', why: 'Why.', ...more });
const save = (id: string, name: string, more: Partial<BookPrinciple> = {}) =>
  coach.ask('put', `/api/book/principles/${id}`, words(name, more));

/** What a child of eleven reads at ease. */
const easyGrade = 6;
/** Drills of the day’s plan and of company, which ask nothing of one part more than of another. */
const ofTheMind = [
  ...['Flow with a stop word', 'Lock, lose, settle', 'Last minute round', 'Starts only', 'Nose breathing round', 'Two in a row'],
  ...['Breathe on top, burst below', 'Three starts with breaks', 'Light on top round', 'Name it round'],
];

describe('the starter book', () => {
  it('lets a question be about three of its principles at most, and a word of thanks about none', async () => {
    const principles = (await readStarterBook()).principles.map((one) => ({ ...one, id: one.name }));
    for (const question of [
      'I keep getting flattened in half guard and then passed. What do I do with my hands?',
      'How do I stop the knee cut?',
      'Why can everybody take my back from turtle?',
      'My knee shield goes and then everything goes. Why?',
    ]) {
      const found = guessAsked(question, principles);
      expect(found.length).toBeGreaterThan(0);
      expect(found.length).toBeLessThanOrEqual(3);
    }
    expect(guessAsked('Thank you for the last one, it was very good!', principles)).toEqual([]);
  });

  it('has at least 120 principles and 120 drills of every area, with cautions, and is sound', async () => {
    const starter = await readStarterBook();
    expect(starter.principles.length).toBeGreaterThanOrEqual(120);
    expect(starter.drills.length).toBeGreaterThanOrEqual(120);
    expect(new Set(starter.principles.map(({ area }) => area))).toEqual(new Set(bookAreas));
    for (const { name, cue, good, why, variants } of starter.principles)
      expect([name, cue && good && why && variants.length > 0]).toEqual([name, true]);
    expect(starter.principles.filter(({ rests }) => rests.length > 0).length).toBeGreaterThan(30);
    for (const { name, area, caution } of starter.principles) if (area === 'legs') expect([name, caution]).toEqual([name, 'knee-and-heel']);
  });

  it('says of each principle where it counts and what it asks of the body, but for what is about the day or the company', async () => {
    const { principles, drills } = await readStarterBook();
    const ofTheBody = principles.filter(({ area }) => area !== 'conduct' && area !== 'strategy');
    for (const { name, where, chances } of ofTheBody) expect([name, where.length > 0 || chances !== '']).toEqual([name, true]);
    const silent = ofTheBody.filter(({ loads, caution }) => loads.doer.length + loads.partner.length === 0 && caution === 'general');
    expect(silent.map(({ name }) => name)).toEqual([]);
    for (const { name, loads, caution } of drills)
      expect([name, loads.doer.length + loads.partner.length > 0 || caution !== 'general' || ofTheMind.includes(name)]).toEqual([
        name,
        true,
      ]);
    for (const { techniques } of principles)
      for (const technique of techniques) expect([technique, techniqueNamed(technique) !== null]).toEqual([technique, true]);
  });

  it('advises nothing and its opposite for one situation, and reads at ease', async () => {
    const principles = (await readStarterBook()).principles.map((one) => blankPrinciple({ ...one, id: one.name }));
    expect(bookContradictions(principles)).toEqual([]);
    for (const { name, good, why, variants, errors } of principles) {
      const ways = variants.map((one) => `${one.when ? `If ${one.when}: ` : ''}${one.do}.`);
      const grade = readingGrade([good, why, ...ways, ...errors.map((error) => `${error}.`)].join(' '))!;
      expect([name, grade <= easyGrade]).toEqual([name, true]);
    }
  });

  it('is put into a new house once; what is taken out of it stays out until it is asked for', async () => {
    await putStarterBookOnce(house);
    const { principles, drills } = await book();
    expect(bookFaults(principles, drills)).toEqual([]);
    const gone = drills.find(({ name }) => name === 'Posture walk')!;
    await coach.ask('delete', `/api/book/drills/${gone.id}`);
    await putStarterBookOnce(house);
    expect((await book()).drills.some(({ name }) => name === 'Posture walk')).toBe(false);
    expect((await book()).principles.find(({ name }) => name === 'Head up, hips under')!.drillIds).not.toContain(gone.id);
    expect((await coach.ask('post', '/api/book/starter')).body).toEqual({ added: 1 });
    expect((await book()).drills.some(({ name }) => name === 'Posture walk')).toBe(true);
  });

  it('says of a principle that was only named on a desk what it says of it', async () => {
    const named = (await book()).principles.find(({ name }) => name === 'Seatbelt before hooks')!;
    await house.db.principles.update({ entry: {} }, { where: { id: named.id } });
    expect((await book()).principles.find(({ id }) => id === named.id)).toMatchObject({ cue: '' });
    await coach.ask('post', '/api/book/starter');
    expect((await book()).principles.find(({ id }) => id === named.id)).toMatchObject({ cue: 'Chest glued first, then the feet.' });
  });

  it('says of entries that are there already what they ask of the body, and leaves what the coach said of it', async () => {
    const named = (await book()).principles.filter(({ name }) => ['Inside space first', 'Square up to the passer'].includes(name));
    const own = { doer: [{ part: 'jaw', side: null, burdens: ['pressed'] }], partner: [] };
    for (const [i, { id, name: _name, notes: _notes, ...entry }] of named.entries())
      await house.db.principles.update(
        { entry: { ...entry, cue: 'Mine.', loads: i === 0 ? { doer: [], partner: [] } : own } as never },
        { where: { id } },
      );
    await coach.ask('post', '/api/book/starter');
    const after = (await book()).principles.filter(({ id }) => named.some((one) => one.id === id));
    expect(after.map(({ cue }) => cue)).toEqual(['Mine.', 'Mine.']);
    expect(after[0]!.loads.doer.map(({ part }) => part)).toEqual(['hip', 'knee']);
    expect(after[1]!.loads).toEqual(own);
  });

  it('says which ways spare something of principles that were there before it did, after the coach’s own ways', async () => {
    const sparing = (await book()).principles.filter(({ variants }) => variants.some(({ spares }) => spares.length > 0)).slice(0, 2);
    const mine = (spares: string[]) => ({ when: 'tired', do: 'rest', stance: 'taught', spares });
    const ways = [[mine([])], [mine(['jaw'])]];
    for (const [i, { id, name: _name, notes: _notes, ...entry }] of sparing.entries())
      await house.db.principles.update({ entry: { ...entry, variants: ways[i] } as never }, { where: { id } });
    expect((await coach.ask('post', '/api/book/starter')).body).toEqual({ added: 1 });
    const { principles } = await book();
    const after = sparing.map(({ id }) => principles.find((one) => one.id === id)!.variants);
    expect(after[0]).toEqual([mine([]), ...sparing[0]!.variants.filter(({ spares }) => spares.length > 0)]);
    expect(after[1]).toEqual([mine(['jaw'])]);
    expect((await coach.ask('post', '/api/book/starter')).body).toEqual({ added: 0 });
  });

  it('goes out as Markdown and comes in again without a change', async () => {
    const starter = await readStarterBook();
    expect(readBookMarkdown(bookMarkdown(starter))).toEqual({ book: starter });
  });
});

describe('an entry of the book', () => {
  it('is kept, changed and taken away', async () => {
    const id = house.newId();
    expect(
      (await save(id, 'A new one', { variants: [{ when: 'he stands', do: 'hook', stance: 'other-school', spares: [] }] })).status,
    ).toBe(200);
    await save(id, 'Another name');
    expect((await book()).principles.find((one) => one.id === id)).toMatchObject({ name: 'Another name', variants: [], notes: 0 });
    expect((await coach.ask('delete', `/api/book/principles/${id}`)).status).toBe(200);
    expect((await book()).principles.some((one) => one.id === id)).toBe(false);
  });

  it('that would close a circle is refused with the way round, and nothing is changed', async () => {
    const [a, b] = [house.newId(), house.newId()];
    await save(a, 'Circle A');
    await save(b, 'Circle B', { prerequisites: [a] });
    const answer = await save(a, 'Circle A', { prerequisites: [b] });
    expect([answer.status, answer.body.message]).toEqual([400, expect.stringMatching(/“Circle (A|B)” → “Circle (A|B)” → “Circle \1”/)]);
    expect((await book()).principles.find(({ id }) => id === a)!.prerequisites).toEqual([]);
  });

  it('takes a cue of twelve words and no more, and no name twice', async () => {
    expect((await save(house.newId(), 'Long', { cue: 'a b c d e f g h i j k l m' })).status).toBe(400);
    expect((await save(house.newId(), 'post when LIFTED')).body.message).toContain('Two principles are called');
  });

  it('that notes name is not taken away but merged, and its notes and what rests on it follow', async () => {
    const [from, into, above] = [house.newId(), house.newId(), house.newId()];
    await save(from, 'Hand on the floor');
    await save(into, 'Post wide');
    await save(above, 'Lift them', { prerequisites: [from] });
    const { requestId, footageId } = await bringRequest(house, clientA);
    await house.db.notes.create({ ...aNote(house.newId(), footageId, { principleId: from }), requestId });
    const fixes = [{ fixId: from, principleId: from, name: 'Hand on the floor', noteIds: [] }];
    const critiqueId = await bringCritique(house, requestId, { fixes });
    await house.db.closedThreads.bulkCreate([from, into].map((principleId) => ({ clientId: clientA, principleId, closedAt: house.now() })));
    const workId = house.newId();
    await coach.ask('put', `/api/clients/${clientA}/work/${workId}`, {
      ...{ revision: 0, principleId: from, requestId: null, terms: aDrill, fromOn: '2026-11-30', care: '' },
    });
    expect((await coach.ask('delete', `/api/book/principles/${from}`)).body.message).toContain('One note names “Hand on the floor”');
    expect((await coach.ask('post', `/api/book/principles/${from}/merge`, { intoId: into })).body).toEqual({ done: true, notes: 1 });
    const after = (await book()).principles;
    expect(after.find(({ id }) => id === into)).toMatchObject({ notes: 1 });
    expect(after.find(({ id }) => id === above)).toMatchObject({ prerequisites: [into] });
    expect(after.some(({ id }) => id === from)).toBe(false);
    expect((await house.db.sentFixes.findOne({ where: { critiqueId } }))!.get('principleId')).toBe(into);
    expect((await house.db.work.findByPk(workId))!.get('principleId')).toBe(into);
    expect((await house.db.closedThreads.findAll()).map((row) => row.get('principleId'))).toEqual([into]);
  });

  it('is not merged into what rests on it through others', async () => {
    const [a, b, c] = [house.newId(), house.newId(), house.newId()];
    await save(a, 'Low');
    await save(b, 'Middle', { prerequisites: [a] });
    await save(c, 'High', { prerequisites: [b] });
    expect((await coach.ask('post', `/api/book/principles/${a}/merge`, { intoId: c })).body.message).toContain('in a circle');
  });

  it('comes in with a file, all or nothing', async () => {
    const file = { format: 'lean-mentor/book@1', principles: [{ name: 'From a file', area: 'back' }], drills: [{ name: 'File drill' }] };
    expect((await coach.ask('post', '/api/book/import', file)).body).toEqual({ added: 2, changed: 0, missingClips: [] });
    const bad = {
      ...file,
      principles: [
        { name: 'Half', area: 'back' },
        { name: 'Bad', area: 'back', rests: ['nobody'] },
      ],
    };
    expect((await coach.ask('post', '/api/book/import', bad)).body.message).toContain('“nobody”');
    expect((await book()).principles.some(({ name }) => name === 'Half')).toBe(false);
  });

  it('is the coach’s to change; an assistant reads, a client does not', async () => {
    const [assistant, client] = [await visit(open.app, 'assistant'), await visit(open.app, 'client')];
    expect((await assistant.ask('get', '/api/book')).status).toBe(200);
    expect((await assistant.ask('put', `/api/book/principles/${house.newId()}`, words('x'))).status).toBe(403);
    expect((await client.ask('get', '/api/book')).status).toBe(403);
  });
});
