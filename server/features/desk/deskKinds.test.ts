import { blankNote, deskEntities, deskOf, itemsOf, type DeskEntity, type DeskItems } from '@lean-mentor/core/desk';
import { beforeEach, describe, expect, it } from 'vitest';
import { bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { findDeskDocument, findDeskItem, putDesk, storeChange } from './deskItems.ts';
import { deskKinds } from './deskKinds.ts';

const { house } = peopledHouse();
let requestId: string;
let footageId: string;
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
});

/** A thing of each kind. One that is missing here is a type error: whoever adds a kind says what a thing of it looks like. */
const samples = (id: string): { [E in DeskEntity]: DeskItems[E] } => {
  const onFootage = { id, footageId };
  const corner = { x: 0.25, y: 0.5 };
  return {
    mark: { ...onFootage, atFrame: 3, toFrame: 9, state: 'open' },
    note: blankNote({ ...onFootage, fromFrame: 3, what: 'The elbow leaves.', instead: [{ when: 'pushed', do: 'frame' }] }),
    drawing: {
      ...onFootage,
      tool: 'arrow',
      colour: 'client',
      weight: 'plain',
      words: '',
      points: [corner, { x: 0.5, y: 0.5 }],
      keys: [],
      fromFrame: 3,
      toFrame: 9,
    },
    measure: {
      ...onFootage,
      atFrame: 3,
      toFrame: 9,
      input: { kind: 'time' },
      result: { value: 0.2, unit: 's', plusMinus: 0.03, words: '0.2 s' },
      drawn: true,
    },
    comparison: {
      id,
      name: 'Before and after',
      layout: 'side',
      items: [{ requestId, footageId, fromFrame: 3, toFrame: null, anchorFrame: 3, mirrored: false }],
    },
    look: { ...onFootage, fromFrame: 0, toFrame: 60, during: 'first' },
    principle: { id, name: `Elbow ${id}` },
    conflict: { id, of: 'note', thingId: house.newId(), field: 'what', stands: 'a', aside: 'b', standsBy: 'One', asideBy: 'Other' },
    coding: { ...onFootage, boutId: house.newId(), coderId: house.newId(), coderName: 'One', state: 'draft' },
    cut: { ...onFootage, codingId: house.newId(), atFrame: 3, position: 'mount', holder: 'partner' },
    event: {
      ...onFootage,
      codingId: house.newId(),
      atFrame: 3,
      kind: 'penalty',
      athlete: 'client',
      technique: null,
      outcome: null,
      close: false,
      gripped: false,
      position: null,
      holder: null,
    },
    threat: {
      ...onFootage,
      ...{ codingId: house.newId(), athlete: 'client', name: 'Kimura', fromFrame: 3, lockedFrame: null, toFrame: 9, ended: 'escape' },
    },
    take: { ...onFootage, title: 'First', cuts: [{ from: 1, to: 2 }], captions: [], chapters: [{ from: 0, title: 'Hello' }] },
    override: { ...onFootage, boutId: house.newId(), athlete: 'client', action: 'sweep', atFrame: 3, points: 2, near: 0, why: 'Seen so.' },
  };
};
/** A field of each kind, set anew. */
const changed: { [E in DeskEntity]: Partial<DeskItems[E]> } = {
  mark: { state: 'noted' },
  note: { what: 'The elbow stays.' },
  drawing: { words: 'here' },
  measure: { drawn: false },
  comparison: { layout: 'over' },
  look: { during: 'second' },
  principle: { name: 'Elbow in' },
  conflict: { field: null },
  coding: { state: 'offered' },
  cut: { holder: 'client' },
  event: { athlete: 'partner' },
  threat: { lockedFrame: 5 },
  take: { title: 'Second' },
  override: { why: 'Seen better.' },
};

describe.each(deskEntities)('a %s', (entity) => {
  it('is kept whole, changed by field, and taken away again', async () => {
    const id = house.newId();
    const whole = samples(id)[entity];
    const fields = changed[entity];
    const store = (before: object | null, after: object | null) =>
      house.db.sequelize.transaction((transaction) =>
        storeChange(house, requestId, { changeId: house.newId(), entity, id, before, after } as never, transaction),
      );
    const found = async () => (await house.db.sequelize.transaction((t) => findDeskItem(house, entity, id, t)))?.thing ?? null;
    await store(null, whole);
    expect(await found()).toEqual(whole);
    expect(itemsOf(await findDeskDocument(house, requestId), entity)[id]).toEqual(whole);
    await store({}, fields);
    expect(await found()).toEqual({ ...whole, ...fields });
    await store(whole, null);
    expect(await found()).toBeNull();
  });

  it('is nobody’s to change who knows no rule of it', () => expect(deskKinds[entity].mayEdit.length).toBeGreaterThan(0));
});

it('puts a desk from a file into a house with everything on it but the conflicts', async () => {
  const desk = deskOf((entity) => {
    const thing = samples(house.newId())[entity];
    return { [thing.id]: thing };
  });
  await house.db.sequelize.transaction((transaction) => putDesk(house, requestId, desk, transaction));
  const { principles, ...kept } = await findDeskDocument(house, requestId);
  expect({ ...kept, principles: desk.principles }).toEqual({ ...desk, conflicts: {} });
  expect(principles).toMatchObject(desk.principles);
});
