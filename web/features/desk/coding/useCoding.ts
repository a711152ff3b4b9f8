import type { CodedBout, CodedThreat } from '@lean-mentor/core/desk';
import { boutAtFrame, clockText } from '@lean-mentor/core/footage';
import { assertNever } from '@lean-mentor/core/never';
import {
  bringEdge,
  describeAt,
  isNeutral,
  mergeCut,
  moveCut,
  putPosition,
  spansOfCuts,
  splitAt,
  type Athlete,
  type Cut,
  type CutEdit,
  type Posture,
} from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { useGetNameUsesQuery } from '../api.ts';
import type { DeskScene } from '../DeskScene.ts';
import { newId } from '../newId.ts';
import { useLatestState } from '../useLatestState.ts';
import { useBoutGoesOn } from './useBoutGoesOn.ts';
import {
  acceptChanges,
  broughtChanges,
  cutChanges,
  eventChanges,
  openCoding,
  stopOrRestart,
  threatChanges,
  type Opened,
} from './codingChanges.ts';
import type { CodingControls } from './codingControls.ts';
import { codingActs, takesLetters, type Asked, type CodingAct } from './codingKeys.ts';
import { attemptName, namedAs, namesFound, toBeNamed, type Told } from './naming.ts';
import type { BoutHere, Coder } from './useCodedBouts.ts';

/** The cut that begins a span on this frame, none or one. */
const cutAt = (cuts: readonly Cut[], bout: { fromFrame: number; toFrame: number }, frame: number): string[] =>
  spansOfCuts(cuts, bout.fromFrame, bout.toFrame)
    .filter(({ fromFrame }) => fromFrame === frame && fromFrame > bout.fromFrame)
    .map(({ id }) => id);

interface CodingState {
  on: boolean;
  asked: Asked | null;
  /** What was told last, which a name that is asked for then is for. */
  told: Told | null;
  toName: Told;
}
const nothing: Told = { of: 'span', frame: 0, at: 0 };
const noNames: Readonly<Record<string, number>> = {};

/** Coding a bout by keys: positions from here on, and what happens at an instant. Each is one step for undo. */
export function useCoding(scene: DeskScene, coder: Coder): CodingControls {
  const [state, now, set] = useLatestState<CodingState>({ on: false, asked: null, told: null, toName: nothing });
  const { data } = useGetNameUsesQuery();
  const used = data?.uses ?? noNames;
  const goesOn = useBoutGoesOn(scene);
  const edits = useMemo(() => codingEdits(scene, coder, goesOn), [scene, coder, goesOn]);
  return useMemo<CodingControls>(() => {
    const frame = (): number => scene.player?.snapshot().frame ?? 0;
    const tell = (told: Told | null): void => set({ ...now(), told });
    const span = (): Told => ({ of: 'span', frame: frame(), at: Date.now() });
    const ask = (asked: Asked | null): void => {
      const opens = asked?.of === 'name' && now().asked?.of !== 'name';
      set({ ...now(), asked, ...(opens && { toName: toBeNamed(now().told, frame(), Date.now()) }) });
    };
    const nameIt = (letters: string, choice: number): void => {
      const { toName } = now();
      const found = namesFound(letters, namedAs(toName, edits.codedAt(frame())), used);
      const name = found[choice % Math.max(1, found.length)];
      // Where nothing is called so, the letters are typed anew.
      if (name === undefined) return ask({ of: 'name', letters: '', choice: 0 });
      if (toName.of === 'span') edits.describe(toName.frame, { name });
      else if (toName.of === 'event') edits.changeEvent(toName.id, { name });
      else edits.changeThreat(toName.id, { name });
      ask({ of: 'name', letters, choice });
    };
    const threat = (athlete: Athlete): void => {
      const { begun, ended } = edits.threat(athlete, frame());
      if (begun) tell({ of: 'threat', id: begun, at: Date.now() });
      ask(ended ? { of: 'ended', threatId: ended } : null);
    };
    const actOn = (act: CodingAct): void => {
      switch (act.do) {
        case 'put':
          edits.put(frame(), act.position, act.partnerHolds);
          return tell(span());
        case 'event':
          return tell({ of: 'event', id: edits.addEvent(act.fields, act.atFrame), at: Date.now() });
        case 'ask':
          return ask(act.asked);
        case 'name':
          return nameIt(act.letters, act.choice);
        case 'attempted': {
          const { atFrame, athlete, technique } = act.attempt;
          const name = attemptName(act.attempt, edits.codedAt(atFrame), used);
          const id = edits.addEvent({ kind: 'attempt', athlete, technique, ...act.outcome, ...(name && { name }) }, atFrame);
          return tell({ of: 'event', id, at: Date.now() });
        }
        case 'posture':
          return edits.posture(frame(), act.posture, now().told);
        case 'threat':
          return threat(act.athlete);
        case 'lock':
          return edits.lock(act.athlete, frame());
        case 'ended':
          return edits.endThreat(act.threatId, act.ended);
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
      used,
      toggle: () => set({ ...now(), on: !now().on, asked: null, told: null }),
      ask,
      takesLetters: () => now().on && takesLetters(now().asked),
      act: (...acts) => acts.forEach(actOn),
      put: (position, partnerHolds) => actOn({ do: 'put', position, partnerHolds }),
      split: () => edits.split(frame()),
      key: (event) => {
        const acts = now().on ? codingActs(event, now().asked, frame()) : null;
        acts?.forEach(actOn);
        return acts !== null;
      },
    };
  }, [state, now, set, edits, scene, used]);
}

/** A tap and the end of its attack are one within so many seconds. */
const tapLeeway = 1.5;

/** A posture that is said this soon after a stretch began, in seconds, is the whole stretch’s; later on it begins a stretch of its own. */
const postureLeeway = 2.5;

/** What happens at an instant this long after a bout’s end, in seconds, still belongs to it: a tap at the bell is told late. */
const endLeeway = 2;

/** The same said again is taken back. */
function toggled(before: Posture | undefined, said: Posture): Posture {
  const isSame = before && (Object.keys(said) as (keyof Posture)[]).every((key) => before[key] === said[key]);
  const next = { ...before, ...said };
  if (isSame) for (const key of Object.keys(said) as (keyof Posture)[]) delete next[key];
  return next;
}

/**
 * Finds the bout that something at a frame is coded of; none past its end, which is said. `leeway`: seconds after the end that still count.
 */
const boutFinder =
  ({ contents, secondsAt }: Pick<DeskScene, 'contents' | 'secondsAt'>, goesOn: (bout: BoutHere['bout']) => Promise<void>) =>
  (frame: number, leeway = 0): BoutHere['bout'] | undefined => {
    const bout = boutAtFrame(
      contents().bouts.map((here) => here.bout),
      frame,
    );
    if (!bout) toast.warning('Mark the bout first: there is none on this footage.');
    if (!bout || frame < bout.toFrame || secondsAt(frame) - secondsAt(bout.toFrame) < leeway) return bout;
    const lasted = clockText(secondsAt(bout.toFrame) - secondsAt(bout.fromFrame));
    toast.warning(`This bout ends after ${lasted}: nothing later is coded.`, {
      action: { label: 'It goes on', onClick: () => void goesOn(bout) },
    });
    return undefined;
  };

/** What coding writes on the desk, each at a frame that is named. */
function codingEdits(
  { footage, actions, contents, secondsAt }: DeskScene,
  coder: Coder,
  goesOn: (bout: BoutHere['bout']) => Promise<void>,
) {
  const boutHere = boutFinder({ contents, secondsAt }, goesOn);
  /** The first edit of a bout makes its coding from what it has; taking the edit back leaves that. */
  const open = (bout: BoutHere['bout'], then: Parameters<Shared['open']>[1]): void => {
    actions.prepare((document, make) => openCoding(document, footage.id, bout, coder, make).changes);
    actions.together((document, make) => then(openCoding(document, footage.id, bout, coder, make), document, make));
  };
  const code = (frame: number, changes: (cuts: Opened['cuts'], bout: BoutHere['bout']) => CutEdit[]): void => {
    const bout = boutHere(frame);
    if (bout) open(bout, (opened, _document, make) => cutChanges(changes(opened.cuts, bout), opened, make));
  };
  const within = (bout: BoutHere['bout']) => ({ fromFrame: bout.fromFrame, toFrame: bout.toFrame, newId });
  const addEvent: CodingControls['addEvent'] = (fields, atFrame) => {
    const bout = boutHere(atFrame, endLeeway);
    const id = newId();
    if (bout) open(bout, (opened, document, make) => eventChanges(document, opened, { ...fields, atFrame, id }, make));
    return id;
  };
  const codedAt = (frame: number): CodedBout => {
    const here = contents().bouts.findLast(({ bout }) => bout.fromFrame <= frame) ?? contents().bouts[0];
    return here?.coded ?? { coding: null, cuts: [], events: [], spans: [], threats: [] };
  };
  const describe: CodingControls['describe'] = (frame, said) => code(frame, (cuts, bout) => describeAt(cuts, frame, said, within(bout)));
  return {
    codedAt,
    describe,
    posture: (now: number, said: Posture, told: Told | null): void => {
      // The next stretch may have begun since this one was told.
      const isFresh = told?.of === 'span' && told.frame <= now && secondsAt(now) - secondsAt(told.frame) <= postureLeeway;
      const frame = isFresh ? told.frame : now;
      const there = codedAt(frame).spans.findLast(({ fromFrame }) => fromFrame <= frame);
      if (!there) return;
      const isWhole = secondsAt(frame) - secondsAt(there.fromFrame) <= postureLeeway;
      const posture = toggled(there.posture, said);
      if (isWhole) return describe(frame, { posture });
      code(frame, (cuts, bout) => {
        const [split] = splitAt(cuts, frame, within(bout));
        return split && 'put' in split ? [{ put: { ...split.put, posture } }] : [];
      });
    },
    ...attackEdits({ actions, contents, secondsAt }, { boutHere, open, codedAt }),
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
      const bout = boutHere(frame, endLeeway);
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

/** What the coding of attacks shares with that of positions. */
interface Shared {
  boutHere: (frame: number, leeway?: number) => BoutHere['bout'] | undefined;
  open: (
    bout: BoutHere['bout'],
    then: (
      opened: Opened,
      ...of: Parameters<Parameters<DeskScene['actions']['together']>[0]>
    ) => ReturnType<Parameters<DeskScene['actions']['together']>[0]>,
  ) => void;
  codedAt: (frame: number) => CodedBout;
}

/** What coding writes of finishing attacks. */
function attackEdits(
  { actions, contents, secondsAt }: Pick<DeskScene, 'actions' | 'contents' | 'secondsAt'>,
  { boutHere, open, codedAt }: Shared,
) {
  return {
    threat: (athlete: Athlete, frame: number): { begun: string | null; ended: string | null } => {
      let told: ReturnType<typeof threatChanges> | null = null;
      const bout = boutHere(frame, endLeeway);
      if (bout) open(bout, (opened, document, make) => (told = threatChanges(document, opened, athlete, frame, make)).changes);
      return told ?? { begun: null, ended: null };
    },
    lock: (athlete: Athlete, frame: number): void => {
      const { threats } = codedAt(frame);
      const on = threats.filter(({ toFrame, fromFrame }) => toFrame === null && fromFrame <= frame);
      const meant = on.find((one) => one.athlete === athlete) ?? on[0];
      if (meant) actions.change('threat', meant.id, { lockedFrame: frame });
      else toast.warning('Nothing is on that could be tight. 9 begins an attack, with Shift the partner’s.');
    },
    endThreat: (id: string, ended: CodedThreat['ended']): void => {
      const here = contents().bouts.find(({ coded }) => coded.threats.some((one) => one.id === id));
      const threat = here?.coded.threats.find((one) => one.id === id);
      if (!here || !threat) return;
      const { athlete, name, toFrame } = threat;
      const isTold = here.coded.events.some(
        (one) =>
          (one.kind === 'finish' || one.kind === 'catch-and-release') &&
          one.athlete === athlete &&
          toFrame !== null &&
          Math.abs(secondsAt(one.atFrame) - secondsAt(toFrame)) <= tapLeeway,
      );
      // A tap is a finish: it is told once, whichever of the two was said.
      const tap = ended === 'tap' && !isTold && toFrame !== null;
      open(here.bout, (opened, document, make) => [
        make.patched('threat', id, { ended }),
        ...(tap
          ? eventChanges(document, opened, { kind: 'finish', athlete, technique: '', atFrame: toFrame, ...(name !== '' && { name }) }, make)
          : []),
      ]);
    },
    changeThreat: (id: string, fields: Partial<CodedThreat>): void => actions.change('threat', id, fields),
    removeThreat: (id: string): void => actions.remove('threat', id),
  };
}
