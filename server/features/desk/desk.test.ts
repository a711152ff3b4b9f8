import { emptyDesk, type DeskChange } from '@lean-mentor/core/desk';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aNote, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const { house, open, coach } = peopledHouse('coach');
let requestId: string;
let footageId: string;
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
});

const save = (changes: DeskChange[], id = requestId) => coach.ask('post', `/api/requests/${id}/desk/changes`, { changes, since: 0 });
const desk = async (id = requestId) => (await coach.ask('get', `/api/requests/${id}/desk`)).body.document;
/** Why the only edit of a lot was not taken. */
const whyNot = (answer: { body: { refused?: { why: string }[] } }): string | undefined => answer.body.refused?.[0]?.why;
const newMark = (atFrame: number, id = house.newId(), of = footageId): DeskChange => ({
  changeId: house.newId(),
  entity: 'mark',
  id,
  before: null,
  after: { id, footageId: of, atFrame, toFrame: null, state: 'open' },
});
const newNote = (id = house.newId()): DeskChange => ({
  changeId: house.newId(),
  entity: 'note',
  id,
  before: null,
  after: aNote(id, footageId),
});

describe('the desk', () => {
  it('opens with the request, the client and what hurts', async () => {
    const { body } = await coach.ask('get', `/api/requests/${requestId}/desk`);
    expect(body.client).toMatchObject({ name: 'Ada Moor', level: 2, hurts: ['Left shoulder'] });
    expect(body.request).toMatchObject({ id: requestId, question: 'Where does it begin?' });
    expect(body.document).toEqual({ ...emptyDesk(), principles: expect.any(Object) });
    expect(body.sequence).toBe(0);
  });

  it('answers whoever does not keep up with it only what came of their own edits', async () => {
    const mark = newMark(7);
    await save([newMark(3)]);
    const { body } = await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes: [mark], since: null });
    expect(body.changes.map(({ id }: DeskChange) => id)).toEqual([mark.id]);
  });

  it('keeps marks, notes and drawings exactly as they were made', async () => {
    const note = newNote();
    const id = house.newId();
    const drawing: DeskChange = {
      changeId: house.newId(),
      entity: 'drawing',
      id,
      before: null,
      after: {
        id,
        footageId,
        tool: 'freehand',
        colour: 'chalk',
        weight: 'bold',
        words: '',
        points: [
          { x: 0.123, y: 0.5, pressure: 0.25 },
          { x: -0.01, y: 1.02 },
        ],
        keys: [{ frame: 5, points: [{ x: 0.2, y: 0.2 }] }],
        fromFrame: 3,
        toFrame: 33,
      },
    };
    const mark = newMark(7);
    await save([mark, note, drawing]);
    expect(await desk()).toMatchObject({
      marks: { [mark.id]: mark.after },
      notes: { [note.id]: note.after },
      drawings: { [id]: drawing.after },
    });
  });

  it('takes a change once, however often it is sent', async () => {
    const mark = newMark(7);
    await save([mark]);
    await save([{ changeId: house.newId(), entity: 'mark', id: mark.id, before: { state: 'open' }, after: { state: 'let-go' } }]);
    const again = await save([mark]);
    expect(again.body.saved).toEqual([mark.changeId]);
    expect((await desk()).marks[mark.id].state).toBe('let-go');
  });

  it('changes only the fields that an edit names', async () => {
    const note = newNote();
    await save([note]);
    await save([
      {
        changeId: house.newId(),
        entity: 'note',
        id: note.id,
        before: { what: 'The elbow leaves the ribs.' },
        after: { what: 'Said better.' },
      },
    ]);
    expect((await desk()).notes[note.id]).toEqual({ ...note.after, what: 'Said better.' });
  });

  it('removes a thing, and what was taken away twice stays away', async () => {
    const note = newNote();
    await save([note]);
    const away = (): DeskChange =>
      ({ changeId: house.newId(), entity: 'note', id: note.id, before: note.after, after: null }) as DeskChange;
    await save([away(), away()]);
    expect((await desk()).notes).toEqual({});
  });

  it('takes the edits of a lot that may be, and names those that may not be, each with its reason', async () => {
    const { requestId: other, footageId: of } = await bringRequest(house, clientA, 'ready');
    const theirs = newMark(1, house.newId(), of);
    await save([theirs], other);
    const [fine, reaching] = [newMark(5), newMark(9, theirs.id)];
    const { body } = await save([fine, reaching]);
    expect(body).toMatchObject({
      saved: [fine.changeId],
      refused: [{ changeId: reaching.changeId, why: `mark ${theirs.id} belongs to another request.` }],
    });
    expect(Object.keys((await desk()).marks)).toEqual([fine.id]);
    expect(Object.keys((await desk(other)).marks)).toEqual([theirs.id]);
  });

  it('takes nothing that names footage of another request', async () => {
    const { footageId: of } = await bringRequest(house, clientA, 'ready');
    const mark = newMark(3, house.newId(), of);
    const answer = await save([mark]);
    expect(whyNot(answer)).toBe('This mark names footage that is not of this request.');
  });

  it('refuses a new thing that is not whole, naming the field', async () => {
    const id = house.newId();
    const answer = await save([{ changeId: house.newId(), entity: 'note', id, before: null, after: { what: 'only this' } } as DeskChange]);
    expect(answer.status).toBe(400);
    expect(answer.body.fields.map((f: { field: string }) => f.field)).toContain('changes.0.after.kind');
  });

  it('keeps the drawings in the order they were made', async () => {
    const ids = Array.from({ length: 12 }, () => house.newId());
    await save(
      ids.map((id) => ({
        changeId: house.newId(),
        entity: 'drawing',
        id,
        before: null,
        after: {
          id,
          footageId,
          tool: 'arrow',
          colour: 'client',
          weight: 'plain',
          words: '',
          keys: [],
          points: [{ x: 0, y: 0 }],
          fromFrame: 0,
          toFrame: 1,
        },
      })),
    );
    expect(Object.keys((await desk()).drawings)).toEqual(ids);
  });

  it('loses nothing when twenty batches arrive at once', async () => {
    const marks = Array.from({ length: 60 }, (_, i) => newMark(i));
    const answers = await Promise.all(Array.from({ length: 20 }, (_, i) => save(marks.slice(i * 3, i * 3 + 3))));
    expect(answers.map((a) => a.status)).toEqual(Array.from({ length: 20 }, () => 200));
    expect(Object.keys((await desk()).marks)).toHaveLength(60);
  });
});

describe('two people at one desk', () => {
  let assistant: Visitor;
  beforeAll(async () => {
    assistant = await visit(open.app, 'assistant');
  });
  const both = (who: Visitor, changes: DeskChange[], since = 0) =>
    who.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since });
  const edit = (id: string, before: object, after: object): DeskChange => ({ changeId: house.newId(), entity: 'note', id, before, after });

  it('each hear what came of the other’s edits, and nothing twice', async () => {
    const [first, second] = [newMark(1), newMark(2)];
    const { body: mine } = await both(coach, [first]);
    const { body: theirs } = await both(assistant, [second], mine.sequence);
    expect(theirs.changes).toEqual([second]);
    const { body: later } = await both(coach, [], mine.sequence);
    expect(later.changes).toEqual([second]);
    expect((await both(coach, [], later.sequence)).body).toEqual({ saved: [], refused: [], sequence: later.sequence, changes: [] });
  });

  it('who changed different fields of a note both find their words in it', async () => {
    const note = newNote();
    await both(coach, [note]);
    await both(coach, [edit(note.id, { severity: 2 }, { severity: 3 })]);
    await both(assistant, [edit(note.id, { seen: 'clear' }, { seen: 'likely' })]);
    expect((await desk()).notes[note.id]).toMatchObject({ severity: 3, seen: 'likely' });
    expect((await desk()).conflicts).toEqual({});
  });

  it('who changed the same field find the later words in it and the earlier ones beside, with both names', async () => {
    const note = newNote();
    await both(coach, [note]);
    const was = { what: 'The elbow leaves the ribs.' };
    await both(assistant, [edit(note.id, was, { what: 'His.' })]);
    await both(coach, [edit(note.id, was, { what: 'Hers.' })]);
    const { notes, conflicts } = await desk();
    expect(notes[note.id].what).toBe('Hers.');
    const [conflict] = Object.values(conflicts) as { id: string }[];
    expect(conflict).toMatchObject({
      of: 'note',
      field: 'what',
      stands: 'Hers.',
      aside: 'His.',
      standsBy: 'Cora Lind',
      asideBy: 'Abel Stone',
    });
    await both(coach, [{ changeId: house.newId(), entity: 'conflict', id: conflict!.id, before: { id: conflict!.id }, after: null }]);
    expect((await desk()).conflicts).toEqual({});
  });

  it('of whom one took a note away and the other wrote in it have it back, with the words', async () => {
    const note = newNote();
    await both(coach, [note]);
    await both(assistant, [{ changeId: house.newId(), entity: 'note', id: note.id, before: note.after, after: null } as DeskChange]);
    await both(coach, [edit(note.id, { what: 'The elbow leaves the ribs.' }, { what: 'Kept.' })]);
    const { notes, conflicts } = await desk();
    expect(notes[note.id]).toEqual({ ...note.after, what: 'Kept.' });
    expect(Object.values(conflicts)).toMatchObject([{ field: null, standsBy: 'Cora Lind', asideBy: 'Abel Stone' }]);
  });

  it('cannot make conflicts up, nor say that a later note caused an earlier one', async () => {
    const [early, late] = [newNote(), newNote()];
    Object.assign(late.after!, { fromFrame: 90 });
    await both(coach, [early, late]);
    const backward = await both(coach, [edit(early.id, { causes: [] }, { causes: [late.id] })]);
    expect(whyNot(backward)).toBe('A cause cannot be later than what it led to. Pick an earlier note.');
    await both(coach, [edit(late.id, { causes: [] }, { causes: [early.id] })]);
    expect((await desk()).notes[late.id].causes).toEqual([early.id]);
    // Nor may the later one be moved before what caused it.
    const moved = await both(coach, [edit(late.id, { fromFrame: 90 }, { fromFrame: 0 })]);
    expect(whyNot(moved)).toBeDefined();
    expect((await desk()).notes[late.id].fromFrame).toBe(90);
    const made = {
      changeId: house.newId(),
      entity: 'conflict',
      id: house.newId(),
      before: null,
      after: { of: 'note', thingId: early.id, field: null, stands: 1, aside: 2, standsBy: 'x', asideBy: 'y' },
    };
    expect(whyNot(await both(coach, [made as unknown as DeskChange]))).toBe('Conflicts are found by the server, not made.');
  });

  it('share the principles of the book with every other desk', async () => {
    const id = house.newId();
    await both(coach, [{ changeId: house.newId(), entity: 'principle', id, before: null, after: { id, name: 'Elbow to knee' } }]);
    const { requestId: other } = await bringRequest(house, clientB, 'ready');
    expect((await desk(other)).principles[id]).toEqual({ id, name: 'Elbow to knee' });
  });

  it('keep measurements and looks as they were made', async () => {
    const [measureId, lookId] = [house.newId(), house.newId()];
    const measure = {
      id: measureId,
      footageId,
      atFrame: 4,
      toFrame: 17,
      input: { kind: 'time' },
      drawn: false,
      result: { value: 0.433, unit: 's', plusMinus: 0.033, words: '0.43 s ± 0.03 s, 13 frames.' },
    };
    const look = { id: lookId, footageId, fromFrame: 0, toFrame: 90, during: 'first' };
    await both(coach, [
      { changeId: house.newId(), entity: 'measure', id: measureId, before: null, after: measure } as DeskChange,
      { changeId: house.newId(), entity: 'look', id: lookId, before: null, after: look } as DeskChange,
      { changeId: house.newId(), entity: 'measure', id: measureId, before: { drawn: false }, after: { drawn: true } },
    ]);
    const { measures, looks } = await desk();
    expect([measures, looks]).toEqual([{ [measureId]: { ...measure, drawn: true } }, { [lookId]: look }]);
  });
});
