import { boutAtFrame } from '@lean-mentor/core/footage';
import { codedFieldsOf } from '@lean-mentor/core/desk';
import {
  bringEdge,
  cutsOfSpans,
  isNeutral,
  mergeCut,
  moveCut,
  putPosition,
  spansOfCuts,
  splitAt,
  type Cut,
  type CutEdit,
} from '@lean-mentor/core/scoring';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { DeskScene } from '../DeskScene.ts';
import { newId } from '../newId.ts';
import type { AttemptBegun, CodingHand } from './codingHand.ts';
import { codingKey } from './codingKey.ts';
import { cutChanges, openCoding, type Opened } from './codingChanges.ts';
import type { BoutHere, Coder } from './useCodedBouts.ts';

const blank = { athlete: null, technique: null, outcome: null, close: false, gripped: false, position: null, holder: null } as const;

/** The cut that begins a span on this frame, none or one. */
const cutAt = (cuts: readonly Cut[], bout: { fromFrame: number; toFrame: number }, frame: number): string[] =>
  spansOfCuts(cuts, bout.fromFrame, bout.toFrame)
    .filter(({ fromFrame }) => fromFrame === frame && fromFrame > bout.fromFrame)
    .map(({ id }) => id);

/** Coding a bout by keys: positions from here on, and what happens at an instant. Each is one step for undo. */
export function useCoding({ player, footage, actions, things }: DeskScene, coder: Coder): CodingHand {
  const [on, setOn] = useState(false);
  const [attempt, setAttempt] = useState<AttemptBegun | null>(null);
  return useMemo<CodingHand>(() => {
    const now = (): number => player?.snapshot().frame ?? 0;
    const boutHere = (frame: number) => {
      const bout = boutAtFrame(
        things().bouts.map((here) => here.bout),
        frame,
      );
      if (!bout) toast.warning('Mark the bout first: there is none on this footage.');
      return bout;
    };
    /** The first edit of a bout makes its coding from what it has; taking the edit back leaves that. */
    const begin = (bout: BoutHere['bout']): void =>
      actions.prepare((document, make) => openCoding(document, footage.id, bout, coder, make).changes);
    const code = (frame: number, changes: (opened: Opened, bout: BoutHere['bout']) => CutEdit[]): void => {
      const bout = boutHere(frame);
      if (!bout) return;
      begin(bout);
      actions.together((document, make) => {
        const opened = openCoding(document, footage.id, bout, coder, make);
        return cutChanges(changes(opened, bout), opened, make);
      });
    };
    const within = (bout: BoutHere['bout']) => ({ fromFrame: bout.fromFrame, toFrame: bout.toFrame, newId });
    const hand: CodingHand = {
      on,
      attempt,
      toggle: () => {
        setOn((shown) => !shown);
        setAttempt(null);
      },
      put: (position, partnerHolds) => {
        const holder = isNeutral(position) ? null : partnerHolds ? 'partner' : 'client';
        code(now(), ({ cuts }, bout) => putPosition(cuts, now(), position, holder, within(bout)));
      },
      bringEdge: () => code(now(), ({ cuts }, bout) => bringEdge(cuts, now(), bout)),
      split: () => code(now(), ({ cuts }, bout) => splitAt(cuts, now(), within(bout))),
      merge: (fromFrame) => code(fromFrame, ({ cuts }, bout) => cutAt(cuts, bout, fromFrame).flatMap(mergeCut)),
      moveEdge: (fromFrame, atFrame) =>
        code(fromFrame, ({ cuts }, bout) => cutAt(cuts, bout, fromFrame).flatMap((id) => moveCut(cuts, id, atFrame, bout))),
      addEvent: (fields, atFrame = now()) => {
        const bout = boutHere(atFrame);
        if (!bout) return;
        begin(bout);
        actions.together((document, make) => {
          const { coding } = openCoding(document, footage.id, bout, coder, make);
          // The same pull told twice: the other had already gripped for a takedown.
          const again = Object.values(document.events).find(
            (one) =>
              one.codingId === coding.id &&
              one.kind === 'guard-pull' &&
              one.kind === fields.kind &&
              one.athlete === fields.athlete &&
              one.atFrame === atFrame,
          );
          if (again) return [make.patched('event', again.id, { gripped: !again.gripped })];
          const id = newId();
          return [make.created('event', id, { ...blank, ...fields, id, footageId: footage.id, codingId: coding.id, atFrame })];
        });
      },
      changeEvent: (id, fields) => actions.change('event', id, fields),
      removeEvent: (id) => actions.remove('event', id),
      stopOrRestart: () => {
        const frame = now();
        const bout = boutHere(frame);
        const clock = (bout?.events ?? []).filter(({ kind, atFrame }) => atFrame <= frame && (kind === 'stoppage' || kind === 'restart'));
        const last = [...clock].sort((a, b) => a.atFrame - b.atFrame).at(-1);
        if (last?.kind !== 'stoppage') return hand.addEvent({ kind: 'stoppage' });
        const span = bout?.spans.findLast(({ fromFrame }) => fromFrame < last.atFrame);
        hand.addEvent({ kind: 'restart', position: span?.position ?? null, holder: span?.holder ?? null });
      },
      setAttempt,
      accept: (codingId) =>
        actions.together((document, make) => {
          const { boutId } = document.codings[codingId]!;
          const others = Object.values(document.codings).filter(
            (one) => one.boutId === boutId && one.state === 'accepted' && one.id !== codingId,
          );
          return [
            ...others.map(({ id }) => make.patched('coding', id, { state: 'draft' })),
            make.patched('coding', codingId, { state: 'accepted' }),
          ];
        }),
      bring: (boutId, { spans, events }) => {
        const bout = things().bouts.find((here) => here.bout.id === boutId)!.bout;
        begin(bout);
        actions.together((document, make) => {
          const { coding, cuts } = openCoding(document, footage.id, bout, coder, make);
          const of = { footageId: footage.id, codingId: coding.id };
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
        });
      },
      offer: (codingId) => actions.change('coding', codingId, { state: 'offered' }),
      key: (event) => on && codingKey(event, hand, now()),
    };
    return hand;
  }, [on, attempt, player, footage.id, actions, things, coder]);
}
