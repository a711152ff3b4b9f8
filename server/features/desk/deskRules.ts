import type { Account } from '@lean-mentor/contract';
import {
  forkFault,
  linkedThings,
  linksFault,
  type Coding,
  type DeskChange,
  type DeskDocument,
  type DeskEntity,
  type Note,
} from '@lean-mentor/core/desk';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import type { FootageRow } from '../footage/index.ts';
import { findBout } from '../footage/index.ts';
import type { Fields, Found } from './deskStores.ts';
import { findNamed } from './repository.ts';

/** The desk of a request while edits of it are taken. */
export interface Desk {
  house: House;
  requestId: string;
  transaction: Transaction;
  thing: (entity: DeskEntity, id: string) => Promise<Found | null>;
  document: () => Promise<DeskDocument>;
}

/** Where an edit arrives: who makes it, on which request, and what it may name. */
export interface Arrival extends Desk {
  account: Account;
  clientId: string;
  footages: ReadonlyMap<string, FootageRow>;
}

/** An edit where it arrives: the thing as it stands (null when it is not there), and as it would stand. */
export interface Edit extends Arrival {
  change: DeskChange;
  present: Fields | null;
  whole: Fields;
}

/** Why an edit cannot be taken, in words; null when it can. */
export type Rule = (edit: Edit) => Promise<string | null> | string | null;

const text = (value: unknown): string => (typeof value === 'string' ? value : '');
const sets = ({ change }: Edit, field: string): boolean => change.after !== null && field in change.after;
export const isAssistant = ({ account }: Edit): boolean => account.role === 'assistant';

/** What a thing belongs to is said when it is made, and never changes: by it is told who may change it. */
export const fixed =
  (...fields: string[]): Rule =>
  ({ change, present }) => {
    const moved = present && fields.find((field) => field in (change.after ?? {}) && (change.after as Fields)[field] !== present[field]);
    return moved ? `What a ${change.entity} belongs to (${moved}) does not change.` : null;
  };

/** Frames lie within the footage, and a range ends after it begins. What an edit does not touch is not held against it. */
export const framesWithin: Rule = (edit) => {
  const { change, whole, footages } = edit;
  if (change.after === null) return null;
  const footage = footages.get(text(whole['footageId']));
  if (!footage) return `This ${change.entity} names footage that is not of this request.`;
  const most = footage.frameCount ?? Infinity;
  const from = (whole['fromFrame'] ?? whole['atFrame']) as number;
  const to = (whole['toFrame'] ?? null) as number | null;
  if (!['fromFrame', 'atFrame', 'toFrame', 'footageId'].some((field) => sets(edit, field))) return null;
  if (from >= most) return `Frame ${from} is beyond the end: ${footage.fileName} has ${most} frames.`;
  if (to !== null && to > most) return `Frame ${to} is beyond the end: ${footage.fileName} has ${most} frames.`;
  return to !== null && to <= from ? `A range from frame ${from} to ${to} is none.` : null;
};

/** A fork runs forward, and opens before what it is about. */
export const forkOfNote: Rule = (edit) => {
  const { change, whole } = edit;
  const fork = whole['fork'] as Note['fork'] | undefined;
  if (change.after === null || !fork || !['fork', 'fromFrame'].some((field) => sets(edit, field))) return null;
  return forkFault(fork, whole as unknown as Note);
};

/** Something that is named is there and may be named; null names nothing. */
export const names =
  (field: string, words: string, isThere: (edit: Edit, id: string) => Promise<boolean>): Rule =>
  async (edit) => {
    const id = edit.whole[field];
    if (!sets(edit, field) || typeof id !== 'string') return null;
    return (await isThere(edit, id)) ? null : words;
  };

export const onThisDesk =
  (entity: DeskEntity) =>
  async ({ requestId, thing }: Edit, id: string): Promise<boolean> =>
    (await thing(entity, id))?.requestId === requestId;

export const boutHere = async ({ house, whole, transaction }: Edit, boutId: string): Promise<boolean> =>
  (await findBout(house, boutId, transaction))?.footageId === whole['footageId'];

const codingOf = async ({ requestId, thing }: Edit, id: string): Promise<Coding | null> => {
  const found = await thing('coding', id);
  return found?.requestId === requestId ? (found.thing as unknown as Coding) : null;
};

/** What a note was caused by and what it led to: forward in time, not in a circle, and what is named anew is on this desk. */
export const links: Rule = async (edit) => {
  const { change, present, whole, footages } = edit;
  const fields = ['causes', 'ledTo'].filter((field) => sets(edit, field));
  const idsOf = (thing: Fields | null): string[] => fields.flatMap((field) => (thing?.[field] as string[] | undefined) ?? []);
  // A new note without links has none to look at.
  if (idsOf(whole).length === 0 && !(present && sets(edit, 'fromFrame'))) return null;
  const { notes, events, cuts } = await edit.document();
  const things = linkedThings({ notes: { ...notes, [change.id]: whole as unknown as Note }, events, cuts });
  const before = new Set(idsOf(present));
  if (idsOf(whole).some((id) => !before.has(id) && !things.has(id))) return 'What this note is linked to is not on this desk any more.';
  if (sets(edit, 'ledTo') && (whole['ledTo'] as string[]).some((id) => notes[id]))
    return 'What a note led to is coded; another note names it as its cause.';
  return linksFault(things, [...footages.values()], change.id);
};

/** The mark a note grew from may be gone; one of another request it cannot be. */
export const markOfThisDesk: Rule = async (edit) => {
  const id = edit.whole['markId'];
  if (!sets(edit, 'markId') || typeof id !== 'string') return null;
  const found = await edit.thing('mark', id);
  return found && found.requestId !== edit.requestId ? 'The mark of this note is of another request.' : null;
};

/** A coding belongs to its coder; an assistant's is offered, and the coach takes it. What was taken is the coach's to change. */
export const ownCoding: Rule = async (edit) => {
  const { change, account, present, whole } = edit;
  if (!isAssistant(edit)) return null;
  const coding =
    change.entity === 'coding' ? ((present ?? whole) as unknown as Coding) : await codingOf(edit, text((present ?? whole)['codingId']));
  if (coding?.coderId !== account.id) return 'This coding is somebody else’s. Code in your own.';
  if (coding.state === 'accepted' && (present || change.entity !== 'coding'))
    return 'The coach has taken this coding. Begin another one to change it.';
  return change.entity === 'coding' && whole['state'] === 'accepted' ? 'The coach accepts codings.' : null;
};

/** Somebody codes in their own name. The coach may put back what was an assistant's. */
export const realCoder: Rule = async (edit) => {
  const { account, present, whole, house } = edit;
  if (present || whole['coderId'] === account.id) return null;
  if (isAssistant(edit)) return 'This coding is somebody else’s. Code in your own.';
  return (await findNamed(house, 'coder', text(whole['coderId']), edit)) ? null : 'Nobody of that name codes here.';
};

export const ofCoding: Rule = async (edit) => {
  const { change, present, whole } = edit;
  if (present || change.after === null) return null;
  const coding = await codingOf(edit, text(whole['codingId']));
  return coding?.footageId === whole['footageId'] ? null : 'The coding that this belongs to is not on this desk any more.';
};

/** Of the book only a bare principle is made at the desk; the rest is done in the book, where it is seen what hangs on it. */
export const bookAtTheDesk: Rule = async ({ change, present, whole, house, account, transaction, requestId, clientId }) => {
  if (account.role !== 'coach') return 'Only the coach changes the book. Choose a principle that is there.';
  const at = { requestId, clientId, transaction };
  if (change.after === null)
    return (await findNamed(house, 'unused-principle', change.id, at)) || !present
      ? null
      : 'Notes name this principle, or the book says more of it. Take it away in the book.';
  if (present) return whole['name'] === present['name'] ? null : 'A principle is renamed in the book.';
  return (await findNamed(house, 'principle-called', text(whole['name']), at))
    ? `There is a principle called “${text(whole['name'])}” already.`
    : null;
};

export const compared: Rule = async (edit) => {
  if (!sets(edit, 'items')) return null;
  for (const { requestId, footageId, fromFrame, toFrame, anchorFrame } of edit.whole['items'] as {
    requestId: string;
    footageId: string;
    fromFrame: number;
    toFrame: number | null;
    anchorFrame: number;
  }[]) {
    const footage = (await findNamed(edit.house, 'footage-of-client', footageId, edit)) as {
      requestId: string;
      frameCount: number | null;
    } | null;
    if (footage?.requestId !== requestId) return 'Compared is footage of this client that was let go, and nothing else.';
    const most = footage.frameCount ?? Infinity;
    if (Math.max(fromFrame, anchorFrame) >= most || (toFrame !== null && (toFrame > most || toFrame <= fromFrame)))
      return 'A frame that is compared is beyond the end of its footage.';
  }
  return null;
};

/** What is cut out of a take, and what is said in it, lasts. */
export const realStretches: Rule = (edit) => {
  for (const field of ['cuts', 'captions']) {
    const none = sets(edit, field) && (edit.whole[field] as { from: number; to: number }[]).find(({ from, to }) => to <= from);
    if (none) return `A stretch of a take from ${none.from} to ${none.to} s is none.`;
  }
  return null;
};

export const matOfThisDesk: Rule = async (edit) => {
  const matId = (edit.whole['input'] as { matId?: string | null } | undefined)?.matId;
  if (!sets(edit, 'input') || !matId) return null;
  return (await onThisDesk('measure')(edit, matId)) ? null : 'The mat that this was measured on is not on this desk any more.';
};

export const gone = (thing: string): string => `The ${thing} that this names is not there any more.`;
export const named =
  (kind: Parameters<typeof findNamed>[1]) =>
  async (edit: Edit, id: string): Promise<boolean> =>
    (await findNamed(edit.house, kind, id, edit)) !== null;
