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
import { cutsOfSpans, type Cut, type CutEdit } from '@lean-mentor/core/scoring';
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
