import { boutAtFrame } from '@lean-mentor/core/footage';
import { assertNever } from '@lean-mentor/core/never';
import {
  bringEdge,
  isNeutral,
  mergeCut,
  moveCut,
  putPosition,
  spansOfCuts,
  splitAt,
  type Cut,
  type CutEdit,
} from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { DeskScene } from '../DeskScene.ts';
import { newId } from '../newId.ts';
import { useLatestState } from '../useLatestState.ts';
import { acceptChanges, broughtChanges, cutChanges, eventChanges, openCoding, stopOrRestart, type Opened } from './codingChanges.ts';
import type { CodingControls } from './codingControls.ts';
import { codingActs, type AttemptBegun, type CodingAct } from './codingKeys.ts';
import type { BoutHere, Coder } from './useCodedBouts.ts';

/** The cut that begins a span on this frame, none or one. */
const cutAt = (cuts: readonly Cut[], bout: { fromFrame: number; toFrame: number }, frame: number): string[] =>
  spansOfCuts(cuts, bout.fromFrame, bout.toFrame)
    .filter(({ fromFrame }) => fromFrame === frame && fromFrame > bout.fromFrame)
    .map(({ id }) => id);

/** Coding a bout by keys: positions from here on, and what happens at an instant. Each is one step for undo. */
export function useCoding(scene: DeskScene, coder: Coder): CodingControls {
  const [state, now, set] = useLatestState({ on: false, attempt: null as AttemptBegun | null });
  const edits = useMemo(() => codingEdits(scene, coder), [scene, coder]);
  return useMemo<CodingControls>(() => {
    const frame = (): number => scene.player?.snapshot().frame ?? 0;
    const setAttempt = (attempt: AttemptBegun | null): void => set({ ...now(), attempt });
    const actOn = (act: CodingAct): void => {
      switch (act.do) {
        case 'put':
          return edits.put(frame(), act.position, act.partnerHolds);
        case 'event':
          return edits.addEvent(act.fields, act.atFrame);
        case 'attempt':
          return setAttempt(act.attempt);
        case 'stopOrRestart':
          return edits.stopOrRestart(frame());
        case 'bringEdge':
          return edits.bringEdge(frame());
        default:
          return assertNever(act);
      }
    };
    return {
      ...edits,
      ...state,
      toggle: () => set({ on: !now().on, attempt: null }),
      setAttempt,
      act: (...acts) => acts.forEach(actOn),
      put: (position, partnerHolds) => edits.put(frame(), position, partnerHolds),
      split: () => edits.split(frame()),
      key: (event) => {
        const acts = now().on ? codingActs(event, now().attempt, frame()) : null;
        acts?.forEach(actOn);
        return acts !== null;
      },
    };
  }, [state, now, set, edits, scene]);
}

/** What coding writes on the desk, each at a frame that is named. */
function codingEdits({ footage, actions, contents }: DeskScene, coder: Coder) {
  const boutHere = (frame: number) => {
    const bout = boutAtFrame(
      contents().bouts.map((here) => here.bout),
      frame,
    );
    if (!bout) toast.warning('Mark the bout first: there is none on this footage.');
    return bout;
  };
  /** The first edit of a bout makes its coding from what it has; taking the edit back leaves that. */
  const open = (
    bout: BoutHere['bout'],
    then: (opened: Opened, ...of: Parameters<Parameters<typeof actions.together>[0]>) => ReturnType<Parameters<typeof actions.together>[0]>,
  ): void => {
    actions.prepare((document, make) => openCoding(document, footage.id, bout, coder, make).changes);
    actions.together((document, make) => then(openCoding(document, footage.id, bout, coder, make), document, make));
  };
  const code = (frame: number, changes: (cuts: Opened['cuts'], bout: BoutHere['bout']) => CutEdit[]): void => {
    const bout = boutHere(frame);
    if (bout) open(bout, (opened, _document, make) => cutChanges(changes(opened.cuts, bout), opened, make));
  };
  const within = (bout: BoutHere['bout']) => ({ fromFrame: bout.fromFrame, toFrame: bout.toFrame, newId });
  const addEvent: CodingControls['addEvent'] = (fields, atFrame) => {
    const bout = boutHere(atFrame);
    if (bout) open(bout, (opened, document, make) => eventChanges(document, opened, { ...fields, atFrame }, make));
  };
  return {
    begin: (): void => {
      // Only the coach's coding is the bout's at once.
      const bare = contents().bouts.filter(({ bout, coded }) => coder.isCoach && !coded.coding && bout.spans.length > 0);
      for (const { bout } of bare) actions.prepare((document, make) => openCoding(document, footage.id, bout, coder, make).changes);
    },
    put: (frame: number, position: Cut['position'], partnerHolds: boolean): void => {
      const holder = isNeutral(position) ? null : partnerHolds ? 'partner' : 'client';
      code(frame, (cuts, bout) => putPosition(cuts, frame, position, holder, within(bout)));
    },
    bringEdge: (frame: number): void => code(frame, (cuts, bout) => bringEdge(cuts, frame, bout)),
    split: (frame: number): void => code(frame, (cuts, bout) => splitAt(cuts, frame, within(bout))),
    merge: (fromFrame: number): void => code(fromFrame, (cuts, bout) => cutAt(cuts, bout, fromFrame).flatMap(mergeCut)),
    moveEdge: (fromFrame: number, atFrame: number): void =>
      code(fromFrame, (cuts, bout) => cutAt(cuts, bout, fromFrame).flatMap((id) => moveCut(cuts, id, atFrame, bout))),
    addEvent,
    stopOrRestart: (frame: number): void => {
      const bout = boutHere(frame);
      if (bout) addEvent(stopOrRestart(bout, frame), frame);
    },
    changeEvent: (id: string, fields: Parameters<CodingControls['changeEvent']>[1]): void => actions.change('event', id, fields),
    removeEvent: (id: string): void => actions.remove('event', id),
    accept: (codingId: string): void => actions.together((document, make) => acceptChanges(document, codingId, make)),
    offer: (codingId: string): void => actions.change('coding', codingId, { state: 'offered' }),
    bring: (boutId: string, coding: Parameters<CodingControls['bring']>[1]): void => {
      const { bout } = contents().bouts.find((here) => here.bout.id === boutId)!;
      open(bout, (opened, document, make) => broughtChanges(document, opened, coding, make));
    },
  };
}
