import type { DeskChange } from '@lean-mentor/core/desk';
import { beforeEach, describe, expect, it } from 'vitest';
import { aNote, bringCritique, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { drawnOnFrame } from './stills.ts';
import { findDeskDocument } from './deskItems.ts';

const { house, coach } = peopledHouse('coach');
let requestId: string;
let footageId: string;
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
});

const created = <T extends { id: string }>(entity: DeskChange['entity'], after: T): DeskChange =>
  ({ changeId: house.newId(), entity, id: after.id, before: null, after }) as unknown as DeskChange;
const save = (changes: DeskChange[], id = requestId) => coach.ask('post', `/api/requests/${id}/desk/changes`, { changes, since: 0 });
const table = { times: Array.from({ length: 90 }, (_, i) => i / 30), endSeconds: 3 };

describe('notes of a client', () => {
  it('are found from all of their requests, with the principle, and as which fix each was sent', async () => {
    const principleId = house.newId();
    await house.db.principles.create({ id: principleId, name: 'Elbow to knee' } as never);
    const earlier = await bringRequest(house, clientA, 'ready');
    const [note, fix] = [aNote(house.newId(), footageId, { principleId }), aNote(house.newId(), earlier.footageId, { principleId })];
    await save([created('note', note)]);
    await save([created('note', fix)], earlier.requestId);
    const named = (noteId: string) => ({ fixId: noteId, principleId: null, name: 'x', noteIds: [noteId] });
    await bringCritique(house, earlier.requestId, {
      fixes: [named(house.newId()), named(fix.id)],
      sentAt: new Date('2031-02-03T00:00:00Z'),
    });
    const strangers = await bringRequest(house, clientB, 'ready');
    await save([created('note', aNote(house.newId(), strangers.footageId))], strangers.requestId);
    const { body } = await coach.ask('get', `/api/requests/${requestId}/client-notes`);
    const of = (id: string) => body.notes.find((found: { id: string }) => found.id === id);
    expect(of(note.id)).toMatchObject({ requestId, principleId, fix: null });
    expect(of(fix.id)).toMatchObject({ requestId: earlier.requestId, fix: { position: 2, sentAt: '2031-02-03T00:00:00.000Z' } });
    expect(body.notes.some((found: { requestId: string }) => found.requestId === strangers.requestId)).toBe(false);
  });
});

describe('what stands on a frame', () => {
  it('is its drawings and the measurements that are shown, not those of other frames or footage', async () => {
    const drawing = (id: string, fields: object) => ({
      id,
      footageId,
      tool: 'arrow',
      colour: 'client',
      weight: 'plain',
      words: '',
      keys: [],
      fromFrame: 0,
      toFrame: 30,
      points: [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ],
      ...fields,
    });
    const angle = {
      id: house.newId(),
      footageId,
      atFrame: 5,
      toFrame: null,
      drawn: true,
      input: {
        kind: 'angle',
        points: [
          { x: 0.6, y: 0.5 },
          { x: 0.5, y: 0.5 },
          { x: 0.5, y: 0.7 },
        ],
      },
      result: { value: 90, unit: '°', plusMinus: 2, words: '90° ± 2°' },
    };
    await save([
      created('drawing', drawing(house.newId(), {})),
      created('drawing', drawing(house.newId(), { fromFrame: 40, toFrame: 50 })),
      created('measure', angle),
      created('measure', { ...angle, id: house.newId(), drawn: false }),
    ]);
    const document = await findDeskDocument(house, requestId);
    const on = { width: 1280, height: 720, table };
    const tools = (frame: number) => drawnOnFrame(document, { requestId, footageId, frame }, on).map(({ tool }) => tool);
    expect([tools(5), tools(6), tools(45), tools(60)]).toEqual([['angle', 'arrow'], ['arrow'], ['arrow'], []]);
    expect(drawnOnFrame(document, { requestId, footageId: house.newId(), frame: 5 }, on)).toEqual([]);
  });

  it('is made for nobody who names a footage of another request', async () => {
    const other = await bringRequest(house, clientB, 'ready');
    expect((await coach.ask('get', `/api/requests/${requestId}/footages/${other.footageId}/frames/0/still.png`)).status).toBe(404);
  });
});
