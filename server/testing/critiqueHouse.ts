import type { DeskChange, DeskEntity, DeskTake } from '@lean-mentor/core/desk';
import { heading, moment, paragraph, type Block, type CritiqueDoc, type FixBlock } from '@lean-mentor/core/critique';
import type { TakeEvent } from '@lean-mentor/core/takes';
import { createApp } from '../app.ts';
import { frameTableKey } from '../storage/index.ts';
import { runDue } from './jobs.ts';
import { aNote, bringRequest, movePeopleIn } from './people.ts';
import { openTestHouse, type TestHouse } from './testHouse.ts';
import { visit, type Visitor } from './visitor.ts';

export interface Letter {
  toName: string;
  toAddress: string;
  subject: string;
  body: string;
}

const times = Array.from({ length: 300 }, (_, i) => i / 30);

/** A fix of a note: some words and its moment. */
export const fixOf = (noteId: string, ...content: FixBlock['content']): FixBlock => ({
  type: 'fix',
  attrs: { fixId: noteId, principleId: null, name: 'The elbow' },
  content: [paragraph('Keep it in.'), moment(noteId), ...content],
});
export const docOf = (...content: Block[]): CritiqueDoc => ({ type: 'doc', content: [heading(2, 'What you asked'), ...content] });

/** A house with its coach at a desk: requests whose footage is ready (its frame table is), with four notes each. */
export class CritiqueHouse {
  requestId = '';
  footageId = '';
  noteIds: string[] = [];

  private constructor(
    readonly house: TestHouse,
    readonly open: ReturnType<typeof createApp>,
    readonly coach: Visitor,
  ) {}

  static async opened(): Promise<CritiqueHouse> {
    const house = await openTestHouse();
    await movePeopleIn(house);
    const open = createApp(house);
    return new CritiqueHouse(house, open, await visit(open.app, 'coach'));
  }

  async close(): Promise<void> {
    this.open.close();
    await this.house.close();
  }

  readonly visit = (who: string | null): Promise<Visitor> => visit(this.open.app, who);

  /** Another request of a client comes to lie on the desk, with four notes and a drawing on the second. */
  async bringReviewed(clientId: string): Promise<void> {
    const { house, coach } = this;
    ({ requestId: this.requestId, footageId: this.footageId } = await bringRequest(house, clientId, 'ready'));
    await house.storage.putBytes(frameTableKey(this.footageId), JSON.stringify({ times, endSeconds: 10 }));
    this.noteIds = Array.from({ length: 4 }, () => house.newId());
    const notes = this.noteIds.map((id, i) => aNote(id, this.footageId, { fromFrame: 15 + i * 90 }));
    const id = house.newId();
    const drawing = {
      id,
      footageId: this.footageId,
      tool: 'arrow',
      colour: 'client',
      weight: 'plain',
      words: '',
      keys: [],
      points: [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ],
      fromFrame: 100,
      toFrame: 110,
    } as const;
    const created = (entity: 'note' | 'drawing', after: { id: string }) =>
      ({ changeId: house.newId(), entity, id: after.id, before: null, after }) as unknown as DeskChange;
    const changes = [...notes.map((note) => created('note', note)), created('drawing', drawing)];
    await coach.ask('post', `/api/requests/${this.requestId}/desk/changes`, { changes, since: 0 });
  }

  readonly draft = async () => (await this.coach.ask('get', `/api/requests/${this.requestId}/critique`)).body;
  readonly write = async (doc: CritiqueDoc) =>
    this.coach.ask('put', `/api/requests/${this.requestId}/critique`, { doc, revision: (await this.draft()).revision });
  readonly send = async (who = this.coach) =>
    who.ask('post', `/api/requests/${this.requestId}/critique/send`, { revision: (await this.draft()).revision });
  readonly sendDoc = async (...content: Block[]) => {
    await this.write(docOf(...content));
    return this.send();
  };
  /** Changes a note as the desk does. */
  readonly changeNote = (id: string, before: object, after: object) =>
    this.coach.ask('post', `/api/requests/${this.requestId}/desk/changes`, {
      changes: [{ changeId: this.house.newId(), entity: 'note', id, before, after }],
      since: 0,
    });
  /** Puts something new on the desk. */
  readonly put = (entity: DeskEntity, thing: object, id = this.house.newId()) => {
    const change = { changeId: this.house.newId(), entity, id, before: null, after: { id, ...thing } };
    return this.coach.ask('post', `/api/requests/${this.requestId}/desk/changes`, { changes: [change], since: 0 });
  };
  /** Speaks over the footage: a take on the desk, put together, as it is mended. Answers its id. */
  readonly speak = async (
    voice: Buffer,
    events: readonly TakeEvent[],
    mended: Partial<DeskTake> = {},
    type = 'audio/webm',
  ): Promise<string> => {
    const id = this.house.newId();
    await this.put('take', { footageId: this.footageId, title: 'Said', cuts: [], captions: [], chapters: [], ...mended }, id);
    const path = `/api/requests/${this.requestId}/takes/${id}`;
    await this.coach.ask('put', `${path}/parts/0/pieces/0`, { type, voice: voice.toString('base64'), events });
    await this.coach.ask('post', `${path}/finish`, { pieces: [1] });
    await runDue(this.house, 'make-take');
    return id;
  };
  readonly letters = async (): Promise<Letter[]> => (await this.coach.ask('get', '/api/letters')).body.letters;
}
