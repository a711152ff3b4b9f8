import type { Bout } from '@lean-mentor/contract';
import {
  codedFieldsOf,
  codingsOf,
  type CodedCut,
  type CodedEvent,
  type CodedThreat,
  type Coding,
  type DeskChange,
  type DeskDocument,
} from '@lean-mentor/core/desk';
import { cutsOfSpans, type Athlete, type Cut, type CutEdit, type FrameEvent, type FrameThreat, type Span } from '@lean-mentor/core/scoring';
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
  const threats = bout.threats.map((threat): CodedThreat => codedThreat(threat, { id: newId(), footageId, codingId: coding.id }));
  const changes = [
    make.created('coding', coding.id, coding),
    ...cuts.map((cut) => make.created('cut', cut.id, cut)),
    ...events.map((event) => make.created('event', event.id, event)),
    ...threats.map((threat) => make.created('threat', threat.id, threat)),
  ];
  return { coding, cuts, changes };
}

const codedThreat = ({ lockedFrame, ...threat }: FrameThreat, of: Pick<CodedThreat, 'id' | 'footageId' | 'codingId'>): CodedThreat => ({
  ...threat,
  ...of,
  lockedFrame: lockedFrame ?? null,
});

const ofCut = ({ atFrame, position, holder, name, posture }: Cut): Omit<Cut, 'id'> => ({
  ...{ atFrame, position, holder },
  ...(name && { name }),
  ...(posture && { posture }),
});

/** Cut edits as changes of the desk. */
export function cutChanges(edits: readonly CutEdit[], { coding, cuts }: Opened, make: Make): (DeskChange | null)[] {
  return edits.map((edit) => {
    if ('drop' in edit) return make.removed('cut', edit.drop);
    const { id }: Cut = edit.put;
    if (cuts.some((cut) => cut.id === id)) return make.patched('cut', id, ofCut(edit.put));
    return make.created('cut', id, { id, footageId: coding.footageId, codingId: coding.id, ...ofCut(edit.put) });
  });
}

const blankEvent = { athlete: null, technique: null, outcome: null, close: false, gripped: false, position: null, holder: null } as const;

/**
 * An event put into a coding. The same guard pull told twice: the other had already gripped for a takedown; the same finish told twice: it
 * was caught and let go. A finish ends the attack of the same athlete that is on.
 */
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
  const finish = Object.values(document.events).find(
    (one) =>
      event.kind === 'finish' &&
      (one.kind === 'finish' || one.kind === 'catch-and-release') &&
      one.codingId === coding.id &&
      one.athlete === event.athlete &&
      one.atFrame === event.atFrame,
  );
  if (finish) return [make.patched('event', finish.id, { kind: finish.kind === 'finish' ? 'catch-and-release' : 'finish' })];
  const on = event.kind === 'finish' && event.athlete ? openThreat(document, coding.id, event.athlete) : undefined;
  const id = event.id ?? newId();
  return [
    ...(on && event.atFrame > on.fromFrame ? [make.patched('threat', on.id, { toFrame: event.atFrame, ended: 'tap' })] : []),
    make.created('event', id, {
      ...{ ...blankEvent, ...event, id, footageId: coding.footageId, codingId: coding.id },
      ...(on && on.name !== '' && { name: on.name }),
    }),
  ];
}

/** The attack of an athlete that is on. */
export const openThreat = (document: DeskDocument, codingId: string, athlete: Athlete): CodedThreat | undefined =>
  Object.values(document.threats).find((one) => one.codingId === codingId && one.athlete === athlete && one.toFrame === null);

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
  { spans, events, threats }: { spans: Span[]; events: FrameEvent[]; threats: FrameThreat[] },
  make: Make,
): (DeskChange | null)[] {
  const of = { footageId: coding.footageId, codingId: coding.id };
  const old = Object.values(document.events).filter(({ codingId }) => codingId === coding.id);
  const oldThreats = Object.values(document.threats).filter(({ codingId }) => codingId === coding.id);
  return [
    ...cuts.map(({ id }) => make.removed('cut', id)),
    ...old.map(({ id }) => make.removed('event', id)),
    ...oldThreats.map(({ id }) => make.removed('threat', id)),
    ...cutsOfSpans(spans, newId).map((cut) => make.created('cut', cut.id, { ...cut, ...of })),
    ...events.map((event) => {
      const id = newId();
      return make.created('event', id, { id, ...of, ...codedFieldsOf(event) });
    }),
    ...threats.map((threat) => {
      const coded = codedThreat(threat, { id: newId(), ...of });
      return make.created('threat', coded.id, coded);
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

/**
 * The key of an attack: the first press begins it, the second ends it, as an escape until somebody says how. One that would end where it
 * began was none.
 */
export function threatChanges(
  document: DeskDocument,
  { coding }: Pick<Opened, 'coding'>,
  athlete: Athlete,
  frame: number,
  make: Make,
): { changes: (DeskChange | null)[]; begun: string | null; ended: string | null } {
  const on = openThreat(document, coding.id, athlete);
  if (on && frame > on.fromFrame) return { changes: [make.patched('threat', on.id, { toFrame: frame })], begun: null, ended: on.id };
  if (on) return { changes: [make.removed('threat', on.id)], begun: null, ended: null };
  const id = newId();
  const threat: CodedThreat = {
    ...{ id, footageId: coding.footageId, codingId: coding.id, athlete, name: '' },
    ...{ fromFrame: frame, lockedFrame: null, toFrame: null, ended: 'escape' },
  };
  return { changes: [make.created('threat', id, threat)], begun: id, ended: null };
}
