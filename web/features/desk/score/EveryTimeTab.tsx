import { getDeskStillPng } from '@lean-mentor/contract';
import type { ComparisonItem } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { byHowItEnded, calledBy, endedBetter, entriesInto, placeWords, sideNames, type Entry } from '@lean-mentor/core/scoring';
import { format } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../shared/primitives/index.ts';
import { addressOf } from '../../../shared/wire/index.ts';
import { usePositionValues } from '../../scoring/index.ts';
import { useGetClientNotesQuery } from '../api.ts';
import { mostItems } from '../compare/trayStore.ts';
import { useControls } from '../DeskControls.tsx';
import { useFrame, useScene } from '../DeskScene.ts';
import { useAllBouts, useGoTo, type KnownBout } from './HistoryTabs.tsx';
import type { BoutScored } from './useScore.ts';

/** So many are shown at a time. */
const shownAtOnce = 24;
const shares = ({ better, of }: { better: number; of: number }): string => (of === 0 ? 'none' : `${better} of ${of}`);

/** An entry as a range of its footage, to be laid beside others from the instant they came in. */
function itemOf(
  { requestId, footageId, spanFrames, toFrame }: KnownBout,
  { span }: Entry,
  all: readonly Entry[],
  bout: number,
): ComparisonItem {
  const fromFrame = spanFrames[span]!;
  const next = spanFrames.slice(span + 1).find((_, i) => !all.some((one) => one.bout === bout && one.span === span + 1 + i));
  return { requestId, footageId, fromFrame, toFrame: Math.max(fromFrame + 1, next ?? toFrame), anchorFrame: fromFrame, mirrored: false };
}

/** What stands where nobody may know who the partner was. */
const unknownPartners: readonly string[] = ['', '-', 'removed'];
/** Partners have no names here: they are told apart by the words that were used for them. */
function samePartner(one: string, other: string): boolean {
  const [a, b] = [one, other].map((words) => words.trim().toLocaleLowerCase());
  return a === b && !unknownPartners.includes(a!);
}

/** When the first fix on the principle of the note in hand was sent; null where there is none. */
function useFixSentAt(): string | null {
  const { subject } = useScene();
  const { note } = useControls('writing');
  const { data } = useGetClientNotesQuery(subject.request.id);
  const sent = (data?.notes ?? [])
    .filter((one) => one.principleId !== null && one.principleId === note?.principleId)
    .flatMap((one) => one.fix?.sentAt ?? []);
  return sent.sort()[0] ?? null;
}

/** Every time the client was where they are on the stage, over all of their footage, the worst end first. */
export function EveryTimeTab({ bout }: { bout: BoutScored }) {
  const frame = useFrame();
  const span = bout.here.bout.spans.find(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame);
  const name = span?.name ? calledBy(span.name) : null;
  const [byName, setByName] = useState(true);
  const [byPartner, setByPartner] = useState(false);
  const { bouts: all, isLoading } = useAllBouts();
  const partner = all.find(({ id }) => id === bout.here.bout.id)?.partner ?? '';
  const bouts = byPartner ? all.filter((one) => samePartner(one.partner, partner)) : all;
  const values = usePositionValues();
  const [position, holder] = [span?.position, span?.holder ?? null];
  const wanted = byName ? name : null;
  const timed = bouts.map((one) => one.timed);
  const entries = position ? entriesInto(timed, { position, holder, name: wanted }, sideNames, values) : [];
  const sorted = byHowItEnded(entries);
  const fixSentAt = useFixSentAt();
  if (!span) return <p className="text-small text-reed">No position is coded here. Go to one that is.</p>;
  if (isLoading) return <p className="text-small text-reed">Looking through all footage …</p>;
  const since = entries.filter((entry) => fixSentAt !== null && bouts[entry.bout]!.sentAt > fixSentAt);
  const before = entries.filter((entry) => !since.includes(entry));
  const rounds = new Set(entries.map((entry) => entry.bout)).size;
  const halves = (['first', 'second'] as const).map((half) => shares(endedBetter(entries.filter((entry) => entry.half === half))));
  return (
    <div className="flex flex-col gap-2 text-small">
      <p>
        <strong>{placeWords({ ...span, ...(wanted ? { name: wanted } : {}) }, sideNames)}</strong>:{' '}
        {entries.length === 1 ? 'once' : `${entries.length} times`} in {rounds === 1 ? 'one round' : `${rounds} rounds`}. Ended better for
        the client {shares(endedBetter(entries))}: first half of the round {halves[0]}, second {halves[1]}
        {fixSentAt !== null && `; before the fix ${shares(endedBetter(before))}, since ${shares(endedBetter(since))}`}.
      </p>
      {samePartner(partner, partner) && (
        <label className="flex items-center gap-1">
          <input type="checkbox" checked={byPartner} onChange={({ target }) => setByPartner(target.checked)} /> only against this partner (
          {partner})
        </label>
      )}
      {name && (
        <label className="flex items-center gap-1">
          <input type="checkbox" checked={byName} onChange={({ target }) => setByName(target.checked)} /> only what was called {name}
        </label>
      )}
      <Entries key={`${position} ${holder} ${wanted} ${byPartner}`} {...{ entries, sorted, bouts }} name={placeWords(span, sideNames)} />
    </div>
  );
}

/**
 * Makes an entry the other half of the note in hand: a note that stands on it; without one, the two are laid beside each other and kept
 * with the note.
 */
function usePairing(item: (entry: Entry) => ComparisonItem, name: string): (entry: Entry) => void {
  const { actions, subject } = useScene();
  const { note } = useControls('writing');
  const { data } = useGetClientNotesQuery(subject.request.id);
  return (entry) => {
    if (!note) return void toast.warning('Open the note first that it is to stand beside.');
    const { footageId, fromFrame, toFrame } = item(entry);
    const there = (data?.notes ?? []).filter(
      (one) => one.id !== note.id && one.footageId === footageId && fromFrame <= one.fromFrame && one.fromFrame < toFrame!,
    );
    const half = there.find((one) => (one.kind === 'good') !== (note.kind === 'good')) ?? there[0];
    if (half) actions.change('note', note.id, { pairId: half.id });
    else {
      const own: ComparisonItem = {
        ...{ requestId: subject.request.id, footageId: note.footageId, fromFrame: note.fromFrame, toFrame: note.toFrame },
        ...{ anchorFrame: note.fromFrame, mirrored: false },
      };
      const comparisonId = actions.add('comparison', { name: name.slice(0, 120), layout: 'side', items: [own, item(entry)] });
      actions.change('note', note.id, { comparisonId });
    }
    toast(half ? 'It is the other half of the note now.' : 'Both are kept beside each other with the note.');
  };
}

interface EntriesProps {
  entries: readonly Entry[];
  sorted: readonly Entry[];
  bouts: readonly KnownBout[];
  name: string;
}

function Entries({ entries, sorted, bouts, name }: EntriesProps) {
  const tray = useControls('tray');
  const goTo = useGoTo(bouts);
  const [at, setAt] = useState(0);
  const item = (entry: Entry): ComparisonItem => itemOf(bouts[entry.bout]!, entry, entries, entry.bout);
  const shown = sorted.slice(at, at + mostItems);
  const beside = (some: readonly Entry[]): void =>
    tray.step({ do: 'load', comparison: { id: '', name, layout: 'side', items: some.map(item) } });
  const pair = usePairing(item, name);
  return (
    <>
      {sorted.length > 1 && (
        <div className="flex items-center gap-3">
          <Button look="plain" onClick={() => beside(shown)}>
            {`Step ${at + 1} to ${Math.min(at + mostItems, sorted.length)} together`}
          </Button>
          {sorted.length > mostItems && (
            <button type="button" className="linked" onClick={() => setAt(at + mostItems < sorted.length ? at + mostItems : 0)}>
              {at + mostItems < sorted.length ? 'The next four' : 'The first four'}
            </button>
          )}
        </div>
      )}
      <ol className="grid grid-cols-4 gap-2">
        {sorted.slice(0, shownAtOnce).map((entry, i) => {
          const of = bouts[entry.bout]!;
          const { requestId, footageId, fromFrame } = item(entry);
          return (
            <li
              key={`${entry.bout} ${entry.span}`}
              className={i >= at && i < at + mostItems ? 'outline-2 outline-offset-1 outline-seam' : ''}
            >
              <button
                type="button"
                data-entry
                title="P makes it the other half of the note in hand"
                onClick={() => goTo(entry.bout, entry.from)}
                onKeyDown={(event) => {
                  if (event.code !== 'KeyP') return;
                  event.preventDefault();
                  event.stopPropagation();
                  pair(entry);
                }}
                className="flex w-full flex-col text-left hover:underline"
              >
                <img
                  src={addressOf(getDeskStillPng, { requestId, footageId, frame: fromFrame })}
                  alt=""
                  loading="lazy"
                  className="aspect-video w-full bg-stage object-cover"
                />
                <span>
                  {format(of.sentAt, 'd MMM')}, <span className="time">{clockText(entry.from)}</span>
                </span>
                <span className="text-reed">then {entry.ended.charAt(0).toLowerCase() + entry.ended.slice(1)}</span>
              </button>
              <button type="button" className="linked" onClick={() => pair(entry)}>
                Beside the note
              </button>
            </li>
          );
        })}
      </ol>
      {sorted.length > shownAtOnce && <p className="text-reed">{sorted.length - shownAtOnce} more ended better than these.</p>}
    </>
  );
}
