import type { Bout } from '@lean-mentor/contract';
import {
  codedFieldsOf,
  codingsOf,
  type CodedCut,
  type CodedEvent,
  type Coding,
  type DeskChange,
  type DeskDocument,
} from '@lean-mentor/core/desk';
import { cutsOfSpans, type Cut, type CutEdit, type FrameEvent, type Span } from '@lean-mentor/core/scoring';
import { newId } from '../newId.ts';
import type { Make } from '../useDesk.ts';
import type { Coder } from './useCodedBouts.ts';

/** The coding that somebody edits, and the changes that make it where there is none: it begins with what the bout already has. */
export interface Opened {
  coding: Coding;
  cuts: CodedCut[];
  changes: (DeskChange | null)[];
}

export function openCoding(document: DeskDocument, footageId: string, bout: Bout, coder: Coder, make: Make): Opened {
  const all = codingsOf(document, bout.id);
  const accepted = all.find(({ state }) => state === 'accepted');
  const own = all.find(({ coderId }) => coderId === coder.id);
  const there = coder.isCoach ? (accepted ?? own) : own;
  const cutsOf = (coding: Coding): CodedCut[] => Object.values(document.cuts).filter(({ codingId }) => codingId === coding.id);
  if (there) return { coding: there, cuts: cutsOf(there), changes: [] };
  const coding: Coding = {
    id: newId(),
    footageId,
    boutId: bout.id,
    coderId: coder.id,
    coderName: coder.name,
    state: coder.isCoach ? 'accepted' : 'draft',
  };
  const cuts = cutsOfSpans(bout.spans, newId).map((cut): CodedCut => ({ ...cut, footageId, codingId: coding.id }));
  const events = bout.events.map((event): CodedEvent => ({ id: newId(), footageId, codingId: coding.id, ...codedFieldsOf(event) }));
  const changes = [
    make.created('coding', coding.id, coding),
    ...cuts.map((cut) => make.created('cut', cut.id, cut)),
    ...events.map((event) => make.created('event', event.id, event)),
  ];
  return { coding, cuts, changes };
}

/** Cut edits as changes of the desk. */
export function cutChanges(edits: readonly CutEdit[], { coding, cuts }: Opened, make: Make): (DeskChange | null)[] {
  return edits.map((edit) => {
    if ('drop' in edit) return make.removed('cut', edit.drop);
    const { id, atFrame, position, holder }: Cut = edit.put;
    if (cuts.some((cut) => cut.id === id)) return make.patched('cut', id, { atFrame, position, holder });
    return make.created('cut', id, { id, footageId: coding.footageId, codingId: coding.id, atFrame, position, holder });
  });
}

const blankEvent = { athlete: null, technique: null, outcome: null, close: false, gripped: false, position: null, holder: null } as const;

/** An event put into a coding. The same guard pull told twice: the other had already gripped for a takedown. */
export function eventChanges(
  document: DeskDocument,
  { coding }: Pick<Opened, 'coding'>,
  event: Partial<CodedEvent> & Pick<CodedEvent, 'kind' | 'atFrame'>,
  make: Make,
): (DeskChange | null)[] {
  const again = Object.values(document.events).find(
    (one) =>
      one.kind === 'guard-pull' &&
      one.codingId === coding.id &&
      one.kind === event.kind &&
      one.athlete === event.athlete &&
      one.atFrame === event.atFrame,
  );
  if (again) return [make.patched('event', again.id, { gripped: !again.gripped })];
  const id = newId();
  return [make.created('event', id, { ...blankEvent, ...event, id, footageId: coding.footageId, codingId: coding.id })];
}

/** The coding becomes the bout’s, and the one that was is kept as a draft. */
export function acceptChanges(document: DeskDocument, codingId: string, make: Make): (DeskChange | null)[] {
  const { boutId } = document.codings[codingId]!;
  const others = codingsOf(document, boutId).filter(({ id, state }) => state === 'accepted' && id !== codingId);
  return [
    ...others.map(({ id }) => make.patched('coding', id, { state: 'draft' })),
    make.patched('coding', codingId, { state: 'accepted' }),
  ];
}

/** A whole coding, as a file has it, in the place of the one that is edited. */
export function broughtChanges(
  document: DeskDocument,
  { coding, cuts }: Opened,
  { spans, events }: { spans: Span[]; events: FrameEvent[] },
  make: Make,
): (DeskChange | null)[] {
  const of = { footageId: coding.footageId, codingId: coding.id };
  const old = Object.values(document.events).filter(({ codingId }) => codingId === coding.id);
  return [
    ...cuts.map(({ id }) => make.removed('cut', id)),
    ...old.map(({ id }) => make.removed('event', id)),
    ...cutsOfSpans(spans, newId).map((cut) => make.created('cut', cut.id, { ...cut, ...of })),
    ...events.map((event) => {
      const id = newId();
      return make.created('event', id, { id, ...of, ...codedFieldsOf(event) });
    }),
  ];
}

/**
 * What the key for stoppages tells on a frame: that the clock stops, or, where it stands already, that it goes on in the position before
 * it stopped.
 */
export function stopOrRestart(
  { events, spans }: Pick<Bout, 'events' | 'spans'>,
  frame: number,
): Pick<CodedEvent, 'kind' | 'position' | 'holder'> {
  const clock = events.filter(({ kind, atFrame }) => atFrame <= frame && (kind === 'stoppage' || kind === 'restart'));
  const last = [...clock].sort((a, b) => a.atFrame - b.atFrame).at(-1);
  if (last?.kind !== 'stoppage') return { kind: 'stoppage', position: null, holder: null };
  const span = spans.findLast(({ fromFrame }) => fromFrame < last.atFrame);
  return { kind: 'restart', position: span?.position ?? null, holder: span?.holder ?? null };
}
