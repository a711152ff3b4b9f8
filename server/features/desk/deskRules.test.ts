import type { CodedCut, CodedOverride, Coding, DeskChange, DeskEntity } from '@lean-mentor/core/desk';
import { beforeEach, describe, expect, it } from 'vitest';
import { frameTableKey } from '../../storage/index.ts';
import { aNote, bringBout, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const { house, open, coach, assistant } = peopledHouse('coach', 'assistant');
let [requestId, footageId, boutId] = ['', '', ''];
let elsewhere: { requestId: string; footageId: string };
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
  elsewhere = await bringRequest(house, clientB, 'ready');
  await house.db.footages.update({ frameCount: 100 }, { where: {} });
  const times = Array.from({ length: 100 }, (_, i) => i / 25);
  await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times, endSeconds: 4 }));
  boutId = await bringBout(house, footageId, 0, 90);
});

const id = (): string => house.newId();
const accountOf = async (who: string): Promise<string> =>
  (await house.db.accounts.findOne({ where: { email: `${who}@test.example` } }))!.get('id') as string;
const change = (entity: DeskEntity, of: string, before: object | null, after: object | null): DeskChange =>
  ({ changeId: id(), entity, id: of, before, after }) as unknown as DeskChange;
const made = <T extends { id: string }>(entity: DeskEntity, after: T): DeskChange => change(entity, after.id, null, after);
const send = (who: Visitor, ...changes: DeskChange[]) => who.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
/** Why each of these edits was not taken; '' where it was. */
async function whyNot(who: Visitor, ...changes: DeskChange[]): Promise<string[]> {
  const { body } = await send(who, ...changes);
  const refused = body.refused as { changeId: string; why: string }[];
  return changes.map(({ changeId }) => refused.find((one) => one.changeId === changeId)?.why ?? '');
}
const desk = async () => {
  const answer = await coach.ask('get', `/api/requests/${requestId}/desk`);
  expect(answer.status).toBe(200);
  return answer.body.document as Record<string, Record<string, object>>;
};

const mark = (fields: object = {}) => ({ id: id(), footageId, atFrame: 5, toFrame: null, state: 'open', ...fields });
const codingBy = async (who: 'coach' | 'assistant', state: Coding['state']): Promise<Coding> => ({
  id: id(),
  footageId,
  boutId,
  coderId: await accountOf(who),
  coderName: who,
  state,
});
const cutOf = (codingId: string, atFrame = 0): CodedCut => ({ id: id(), footageId, codingId, atFrame, position: 'standing', holder: null });
const override = (fields: Partial<CodedOverride> = {}): CodedOverride => ({
  id: id(),
  footageId,
  boutId,
  athlete: 'client',
  action: 'mount',
  atFrame: 9,
  points: 4,
  near: 0,
  why: '',
  ...fields,
});

describe('an edit may only name what is there', () => {
  it('no frame beyond the end, no range that ends before it begins, whatever carries it', async () => {
    const drawing = {
      id: id(),
      footageId,
      tool: 'arrow',
      colour: 'client',
      weight: 'plain',
      words: '',
      points: [{ x: 0, y: 0 }],
      keys: [],
    };
    const bad = [
      made('mark', mark({ atFrame: 9_000_000 })),
      made('mark', mark({ atFrame: 50, toFrame: 40 })),
      made('note', aNote(id(), footageId, { fromFrame: 100 })),
      made('note', aNote(id(), footageId, { fromFrame: 20, toFrame: 20 })),
      made('drawing', { ...drawing, fromFrame: 10, toFrame: 101 }),
      made('look', { id: id(), footageId, fromFrame: 60, toFrame: 50, during: 'first' } as { id: string }),
      made('override', override({ atFrame: 100 })),
    ];
    for (const why of await whyNot(coach, ...bad)) expect(why).toMatch(/beyond the end|is none/);
    expect(await whyNot(coach, made('mark', mark({ atFrame: 99, toFrame: 100 })))).toEqual(['']);
  });

  it('nor a range turned over by changing one end of it', async () => {
    const note = aNote(id(), footageId, { fromFrame: 20, toFrame: 40 });
    await send(coach, made('note', note));
    expect(await whyNot(coach, change('note', note.id, { toFrame: 40 }, { toFrame: 10 }))).toEqual([
      'A range from frame 20 to 10 is none.',
    ]);
    // What stood before is not held against an edit that does not touch it.
    await house.db.notes.update({ toFrame: 10 }, { where: { id: note.id } });
    expect(await whyNot(coach, change('note', note.id, { severity: 2 }, { severity: 3 }))).toEqual(['']);
  });

  it('no principle, pair, clip, comparison, mark, note, bout or coding that is not this desk’s to name', async () => {
    const theirs = aNote(id(), elsewhere.footageId);
    const theirMark = mark({ footageId: elsewhere.footageId });
    const there = (changes: DeskChange[]) => coach.ask('post', `/api/requests/${elsewhere.requestId}/desk/changes`, { changes, since: 0 });
    await there([made('note', theirs), made('mark', theirMark)]);
    const theirBout = await bringBout(house, elsewhere.footageId, 0, 50);
    const note = (fields: object) => made('note', aNote(id(), footageId, fields));
    const items = [{ ...elsewhere, fromFrame: 0, toFrame: null, anchorFrame: 0, mirrored: false }];
    const answers = await whyNot(
      coach,
      note({ principleId: id() }),
      note({ pairId: theirs.id }),
      note({ clipId: id() }),
      note({ comparisonId: id() }),
      note({ causes: [theirs.id] }),
      note({ markId: theirMark.id }),
      made('take', { id: id(), footageId, noteId: theirs.id, title: '' } as { id: string }),
      made('comparison', { id: id(), name: 'x', layout: 'side', items } as { id: string }),
      made('override', override({ boutId: theirBout })),
      made('coding', { ...(await codingBy('coach', 'draft')), boutId: theirBout }),
      made('cut', cutOf(id())),
      made('mark', mark({ footageId: elsewhere.footageId })),
    );
    expect(answers.filter((why) => why === '')).toEqual([]);
    expect(Object.values(await desk()).flatMap((shelf) => Object.keys(shelf)).length).toBe(0);
  });

  it('something coded is linked as cause and as effect, forward in time and on this desk; a coding is put right all the same', async () => {
    const coding = await codingBy('coach', 'accepted');
    const [cut, note] = [cutOf(coding.id, 20), aNote(id(), footageId, { fromFrame: 10 })];
    await send(coach, made('coding', coding), made('cut', cut), made('note', note));
    const set = (field: 'causes' | 'ledTo', before: string[], after: string[]) =>
      change('note', note.id, { [field]: before }, { [field]: after });
    const gone = 'What this note is linked to is not on this desk any more.';
    const late = 'A cause cannot be later than what it led to. Pick an earlier note.';
    expect(await whyNot(coach, set('causes', [], [cut.id]), set('ledTo', [], [id()]))).toEqual([late, gone]);
    expect(await whyNot(coach, set('ledTo', [], [note.id]))).toEqual(['What a note led to is coded; another note names it as its cause.']);
    expect(await whyNot(coach, set('ledTo', [], [cut.id]))).toEqual(['']);
    expect((await desk())['notes']![note.id]).toMatchObject({ ledTo: [cut.id] });
    // The link then runs backward, which the ladder leaves out.
    expect(await whyNot(coach, change('cut', cut.id, { atFrame: 20 }, { atFrame: 5 }))).toEqual(['']);
    expect(await whyNot(coach, change('note', note.id, { fromFrame: 10 }, { fromFrame: 30 }))).toEqual([late]);
  });

  it('what a thing belongs to does not change, so that nothing is moved to where it may not be made', async () => {
    const [mine, coachs] = [await codingBy('assistant', 'draft'), await codingBy('coach', 'accepted')];
    const cut = cutOf(mine.id);
    await send(assistant, made('coding', mine), made('cut', cut));
    await send(coach, made('coding', coachs));
    expect(await whyNot(assistant, change('cut', cut.id, { codingId: mine.id }, { codingId: coachs.id }))).toEqual([
      'What a cut belongs to (codingId) does not change.',
    ]);
    expect(await whyNot(coach, change('coding', mine.id, { coderId: mine.coderId }, { coderId: coachs.coderId }))).not.toEqual(['']);
  });
});

describe('an assistant', () => {
  it.each(['accepted', 'draft'] as const)('takes nothing of the coach’s %s coding away, under whatever kind it is sent', async (state) => {
    const coding = await codingBy('coach', state);
    const cuts = [cutOf(coding.id), cutOf(coding.id, 40)];
    await send(coach, made('coding', coding), ...cuts.map((cut) => made('cut', cut)));
    const kinds: DeskEntity[] = [
      'coding',
      'cut',
      'event',
      'override',
      'measure',
      'comparison',
      'take',
      'look',
      'conflict',
      'mark',
      'note',
      'drawing',
    ];
    for (const kind of kinds)
      for (const of of [coding.id, ...cuts.map((cut) => cut.id)]) {
        await send(assistant, change(kind, of, {}, null));
        await send(assistant, change(kind, of, {}, { atFrame: 70 }));
      }
    const { codings, cuts: left } = await desk();
    expect(Object.keys(codings!)).toEqual([coding.id]);
    expect(left).toEqual(Object.fromEntries(cuts.map((cut) => [cut.id, cut])));
  });

  it('does not change their own coding once the coach has taken it', async () => {
    const coding = await codingBy('assistant', 'offered');
    const cut = cutOf(coding.id);
    await send(assistant, made('coding', coding), made('cut', cut));
    await send(coach, change('coding', coding.id, { state: 'offered' }, { state: 'accepted' }));
    const taken = 'The coach has taken this coding. Begin another one to change it.';
    expect(
      await whyNot(
        assistant,
        change('cut', cut.id, cut, null),
        change('coding', coding.id, coding, null),
        made('cut', cutOf(coding.id, 30)),
      ),
    ).toEqual([taken, taken, taken]);
  });

  it('makes, renames and removes no principle; the coach makes a bare one, and only a bare one goes', async () => {
    const principle = { id: id(), name: `Frames ${id()}` };
    expect(await whyNot(assistant, made('principle', principle))).not.toEqual(['']);
    expect(await whyNot(coach, made('principle', principle))).toEqual(['']);
    expect(await whyNot(coach, made('principle', { ...principle, id: id() }))).toEqual([
      `There is a principle called “${principle.name}” already.`,
    ]);
    expect(await whyNot(assistant, change('principle', principle.id, principle, null))).not.toEqual(['']);
    expect(await whyNot(coach, change('principle', principle.id, { name: principle.name }, { name: 'Other' }))).toEqual([
      'A principle is renamed in the book.',
    ]);
    const note = aNote(id(), footageId, { principleId: principle.id });
    await send(coach, made('note', note));
    expect(await whyNot(coach, change('principle', principle.id, principle, null))).not.toEqual(['']);
    await send(coach, change('note', note.id, note, null));
    expect(await whyNot(coach, change('principle', principle.id, principle, null))).toEqual(['']);
  });

  it('stores no correction of the score, and no half one by saying that it is there already', async () => {
    const [own, half] = [override(), id()];
    expect(await whyNot(assistant, made('override', own))).toEqual(['Only the coach corrects the score.']);
    await send(assistant, change('override', half, {}, { points: 3 }));
    await send(coach, change('override', half, {}, { points: 3 }));
    expect((await desk())['overrides']).toEqual({});
  });
});

describe('a desk with one bad thing on it', () => {
  it('opens without it, and says in the log which it was', async () => {
    const good = override();
    await send(coach, made('override', good));
    const bad = id();
    await house.db.deskItems.create({ id: bad, requestId, entity: 'override', thing: { id: bad, points: 'many' } as never });
    await house.db.notes.create({ ...aNote(id(), footageId), requestId, instead: 'no list' as never });
    const { overrides, notes } = await desk();
    expect([Object.keys(overrides!), notes]).toEqual([[good.id], {}]);
    expect(house.logged.join('\n')).toContain(bad);
    expect((await coach.ask('get', `/api/requests/${requestId}/ladder`)).status).toBe(200);
  });
});

describe('one coach in two tabs', () => {
  it('is one author: the later words stand, and nothing is asked', async () => {
    const note = aNote(id(), footageId);
    await send(coach, made('note', note));
    const other = await visit(open.app, 'coach');
    await send(other, change('note', note.id, { what: note.what }, { what: 'In the other tab.' }));
    await send(coach, change('note', note.id, { what: note.what }, { what: 'In this one.' }));
    const { notes, conflicts } = await desk();
    expect([(notes![note.id] as { what: string }).what, conflicts]).toEqual(['In this one.', {}]);
  });

  it('still meets a colleague who wrote in between', async () => {
    const note = aNote(id(), footageId);
    await send(coach, made('note', note));
    await send(assistant, change('note', note.id, { what: note.what }, { what: 'The colleague’s.' }));
    await send(coach, change('note', note.id, { severity: 2 }, { severity: 3 }));
    await send(coach, change('note', note.id, { what: note.what }, { what: 'Mine.' }));
    expect(Object.values((await desk())['conflicts']!)).toMatchObject([
      { field: 'what', aside: 'The colleague’s.', asideBy: 'Abel Stone' },
    ]);
  });
});
