import type { DeskChange } from '@lean-mentor/core/desk';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../../http/app.ts';
import { aNote, bringRequest, clientA, movePeopleIn } from '../../testing/people.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

let house: TestHouse;
let open: OpenApp;
let coach: Visitor;
let requestId: string;
let footageId: string;
beforeAll(async () => {
  house = await openTestHouse();
  await movePeopleIn(house);
  open = createApp(house);
  coach = await visit(open.app, 'coach');
});
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
});
afterAll(async () => {
  open.close();
  await house.close();
});

const save = (changes: DeskChange[], id = requestId) => coach.ask('post', `/api/requests/${id}/desk/changes`, { changes });
const desk = async (id = requestId) => (await coach.ask('get', `/api/requests/${id}/desk`)).body.document;
const newMark = (atFrame: number, id = house.newId(), of = footageId): DeskChange => ({
  changeId: house.newId(),
  entity: 'mark',
  id,
  before: null,
  after: { id, footageId: of, atFrame, state: 'open' },
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
    expect(body.document).toEqual({ marks: {}, notes: {}, drawings: {} });
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
        points: [
          { x: 0.123, y: 0.5 },
          { x: -0.01, y: 1.02 },
        ],
        fromFrame: 3,
        toFrame: 33,
      },
    };
    const mark = newMark(7);
    await save([mark, note, drawing]);
    expect(await desk()).toEqual({ marks: { [mark.id]: mark.after }, notes: { [note.id]: note.after }, drawings: { [id]: drawing.after } });
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
    await save([{ changeId: house.newId(), entity: 'note', id: note.id, before: { what: 'x' }, after: { what: 'Said better.' } }]);
    expect((await desk()).notes[note.id]).toEqual({ ...note.after, what: 'Said better.' });
  });

  it('removes a thing, and a late edit of it changes nothing', async () => {
    const note = newNote();
    await save([note]);
    await save([
      { changeId: house.newId(), entity: 'note', id: note.id, before: note.after, after: null },
      { changeId: house.newId(), entity: 'note', id: note.id, before: { what: 'x' }, after: { what: 'too late' } },
    ]);
    expect((await desk()).notes).toEqual({});
  });

  it('takes a batch whole or not at all', async () => {
    const { requestId: other, footageId: of } = await bringRequest(house, clientA, 'ready');
    const theirs = newMark(1, house.newId(), of);
    await save([theirs], other);
    const answer = await save([newMark(5), { ...newMark(9, theirs.id) }]);
    expect([answer.status, answer.body.message]).toEqual([400, `mark ${theirs.id} belongs to another request.`]);
    expect((await desk()).marks).toEqual({});
    expect(Object.keys((await desk(other)).marks)).toEqual([theirs.id]);
  });

  it('takes nothing that names footage of another request', async () => {
    const { footageId: of } = await bringRequest(house, clientA, 'ready');
    const mark = newMark(3, house.newId(), of);
    const answer = await save([mark]);
    expect([answer.status, answer.body.message]).toEqual([400, `mark ${mark.id} names footage that is not of this request.`]);
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
        after: { id, footageId, tool: 'arrow', colour: 'client', points: [{ x: 0, y: 0 }], fromFrame: 0, toFrame: 1 },
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
