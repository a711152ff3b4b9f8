import { bout, intake, type Intake, type SentFix, type SentMoment } from '@lean-mentor/contract';
import { paragraph, type CritiqueDoc, type FixBlock } from '@lean-mentor/core/critique';
import { blankNote, type Note } from '@lean-mentor/core/desk';
import { hashPassword, insertAccount } from '../features/access/index.ts';
import { insertClient } from '../features/clients/index.ts';
import { addVersion, putCritique, shortCodeOf } from '../features/critique/index.ts';
import { insertBout, insertFootage, newFootage, type FootageRow } from '../features/footage/index.ts';
import { insertRequest, newRequest } from '../features/requests/index.ts';
import type { WorkTerms } from '@lean-mentor/core/work';
import type { House } from '../house/house.ts';
import { originalKey } from '../storage/index.ts';

export const password = 'a password for the tests';
let hashed: Promise<string> | null = null;

const ids = {
  clientA: '00000000-0000-4000-8000-00000000000a',
  clientB: '00000000-0000-4000-8000-00000000000b',
  accountCoach: '00000000-0000-4000-8000-0000000000c1',
};
export const clientA = ids.clientA;
export const clientB = ids.clientB;
export const coachId = ids.accountCoach;

/** A coach, an assistant, two clients and the guardian of the second one. Addresses are `coach@test.example` and so on. */
export async function movePeopleIn(house: House): Promise<void> {
  hashed ??= hashPassword(password);
  const passwordHash = await hashed;
  await insertClient(house, {
    id: clientA,
    name: 'Ada Moor',
    level: 2,
    bornOn: '1990-05-01',
    about: '',
    hurts: ['Left shoulder'],
    agreements: [],
  });
  await insertClient(house, { id: clientB, name: 'Ben Ruhl', level: 1, bornOn: '2012-05-01', about: '', hurts: [], agreements: [] });
  const account = (id: string, name: string, role: 'coach' | 'assistant' | 'client' | 'guardian', email: string, clients: string[]) =>
    insertAccount(house, { id, name, role, email: `${email}@test.example`, passwordHash, demo: false }, clients);
  await account(coachId, 'Cora Lind', 'coach', 'coach', []);
  await account(house.newId(), 'Abel Stone', 'assistant', 'assistant', []);
  await account(house.newId(), 'Ada Moor', 'client', 'client', [clientA]);
  await account(house.newId(), 'Ben Ruhl', 'client', 'other', [clientB]);
  await account(house.newId(), 'Gerd Ruhl', 'guardian', 'guardian', [clientB]);
}

/** What a client says who answers every question. */
export const anIntake: Intake = intake.parse({
  kind: 'hard-sparring',
  attire: 'no-jacket',
  ruleSheet: 'open-mat',
  whoClient: 'violet top',
  whoPartner: 'orange top',
  question: 'Where does it begin?',
  partnerConsent: 'agreed',
});

/** A drill that loads nothing. */
export const aDrill: WorkTerms = {
  ...{ kind: 'drill', name: 'Shin wall', cue: 'Knee first.', how: 'Ten each side.', caution: 'general', loads: [], techniques: [] },
  ...{ equipment: '', weeks: 4, timesPerWeek: 2, clipIds: [], partner: 'alone', minutes: 3 },
};

/** Footage of a request in a state. No bytes are stored. */
export async function bringFootage(house: House, requestId: string, known: Partial<FootageRow>): Promise<void> {
  const { id = house.newId(), position = 1, byteSize = 1000, state = 'uploading' } = known;
  await insertFootage(house, {
    ...newFootage({ id, requestId, position, fileName: 'round.mp4', byteSize, changedAt: house.now() }),
    failure: state === 'failed' ? 'It failed.' : null,
    originalKey: state === 'uploading' ? null : originalKey(id),
    width: 360,
    height: 640,
    seconds: 60,
    // Client and guardian have let it go.
    released: true,
    ...known,
  });
}

/** A bout of footage, frames from inclusive, to exclusive, of which nothing is coded; answers its id. */
export async function bringBout(house: House, footageId: string, fromFrame: number, toFrame: number): Promise<string> {
  const id = house.newId();
  await insertBout(house, { ...bout.parse({ id, fromFrame, toFrame, spans: [] }), footageId });
  return id;
}

/** A request of a client with its footage in a state; answers both ids. No bytes are stored. */
export async function bringRequest(
  house: House,
  clientId: string,
  state: 'uploading' | 'waiting' | 'ready' | 'failed' = 'uploading',
  byteSize = 1000,
): Promise<{ requestId: string; footageId: string }> {
  const [requestId, footageId] = [house.newId(), house.newId()];
  const now = house.now();
  await insertRequest(
    house,
    newRequest({
      id: requestId,
      clientId,
      intake: anIntake,
      state: state === 'uploading' ? 'uploading' : 'waiting',
      sentAt: now,
      dueAt: new Date(now.getTime() + 86_400_000),
    }),
  );
  await bringFootage(house, requestId, { id: footageId, byteSize, state });
  return { requestId, footageId };
}

export const aNote = (id: string, footageId: string, fields: Partial<Note> = {}): Note =>
  blankNote({
    id,
    footageId,
    fromFrame: 10,
    what: 'The elbow leaves the ribs.',
    instead: [{ when: 'he pushes', do: 'keep it in' }],
    ...fields,
  });

/** A critique of a request, sent at an instant, that shows these notes' moments and gives these fixes. Answers its id. */
export async function bringCritique(
  house: House,
  requestId: string,
  {
    fixes = [],
    moments = [],
    sentAt = house.now(),
    words = 'Well done.',
  }: { fixes?: Omit<SentFix, 'position'>[]; moments?: SentMoment[]; sentAt?: Date; words?: string } = {},
): Promise<string> {
  const id = house.newId();
  const doc: CritiqueDoc = {
    type: 'doc',
    content: [
      paragraph(words),
      ...fixes.map(({ fixId, principleId, name }): FixBlock => ({
        type: 'fix',
        attrs: { fixId, principleId, name },
        content: [paragraph(name)],
      })),
    ],
  };
  await putCritique(house, {
    id,
    requestId,
    doc,
    revision: 1,
    version: 1,
    sentAt,
    readAt: null,
    understood: {},
    forkChoices: {},
    code: shortCodeOf(id),
  });
  const sent = fixes.map((fix, i) => ({ position: i + 1, ...fix }));
  await addVersion(house, {
    critiqueId: id,
    version: 1,
    doc,
    fixes: sent,
    moments,
    coachName: 'Cora Lind',
    sentAt,
    takes: [],
    writtenFrom: null,
  });
  return id;
}
