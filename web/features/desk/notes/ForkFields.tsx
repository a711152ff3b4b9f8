import {
  forkFacts,
  forkFault,
  forkFrom,
  forksTaken,
  forksTakenText,
  forkText,
  mostForkOptions,
  type Fork,
  type Note,
} from '@lean-mentor/core/desk';
import { frameAtSeconds } from '@lean-mentor/core/footage';
import { Plus, X } from 'lucide-react';
import { toast } from 'sonner';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useGetClientNotesQuery } from '../api.ts';
import { useFrame, useScene } from '../DeskScene.ts';

/** Where nobody has looked for it yet, a decision opens so long before its note, in seconds. */
const usualLead = 2;

/** The decision before a note: where it opened, the last chance, when somebody acted, and what could have been done. */
export function ForkFields({ note, change }: { note: Note; change: (fields: Partial<Note>) => void }) {
  const { secondsAt, table, go } = useScene();
  const frame = useFrame();
  const earlier = frameAtSeconds(table, Math.max(0, secondsAt(note.fromFrame) - usualLead));
  const { fork } = note;
  if (!fork)
    return (
      <button
        type="button"
        className="self-start rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen"
        onClick={() => change({ fork: forkFrom(frame < note.fromFrame ? frame : earlier, note) })}
      >
        A decision before it …
      </button>
    );
  const set = (fields: Partial<Fork>): void => {
    const next = { ...fork, ...fields };
    const fault = forkFault(next, note);
    if (fault) toast.warning(fault);
    else change({ fork: next });
  };
  const instant = (words: string, at: number | null, here: () => void) => (
    <span className="inline-flex items-center gap-1">
      {at === null ? (
        <span className="text-reed">{words}: –</span>
      ) : (
        <button type="button" className="linked" onClick={() => go(at, note.id)}>
          {words} f {at}
        </button>
      )}
      <button type="button" className="text-reed hover:underline" onClick={here}>
        here
      </button>
    </span>
  );
  return (
    <fieldset className="flex flex-col gap-1 border-l-2 border-pine pl-2 text-small">
      <legend className="sr-only">The decision before it</legend>
      <div className="flex flex-wrap items-center gap-x-4">
        {instant('opens', fork.opensFrame, () => set({ opensFrame: frame, lastFrame: Math.max(frame, fork.lastFrame) }))}
        {instant('last chance', fork.lastFrame, () => set({ lastFrame: frame }))}
        {instant('acted', fork.actedFrame, () => set({ actedFrame: frame }))}
        <IconButton icon={X} words="No decision before it" onClick={() => change({ fork: null })} />
      </div>
      <Ways noteId={note.id} options={fork.options} onChange={(options) => set({ options })} />
      <p className="text-reed">
        {forkText(forkFacts(fork, note, secondsAt))} <ForkOverMonths note={note} fork={fork} />
      </p>
    </fieldset>
  );
}

interface WaysProps {
  noteId: string;
  options: Fork['options'];
  onChange: (options: Fork['options']) => void;
}

/** What could have been done, in the coach’s order, and which of it was. */
function Ways({ noteId, options, onChange }: WaysProps) {
  const setOption = (at: number, fields: Partial<Fork['options'][number]>): void =>
    onChange(options.map((one, i) => (i === at ? { ...one, ...fields } : fields.taken === true ? { ...one, taken: false } : one)));
  return (
    <>
      <ol className="flex flex-col gap-0.5">
        {options.map((option, i) => (
          <li key={i} className="grid grid-cols-[1rem_1fr_auto_auto] items-center gap-2">
            <span className="text-reed">{i + 1}</span>
            <input
              aria-label={`Way ${i + 1}, in your order`}
              value={option.do}
              maxLength={200}
              placeholder={i === 0 ? 'what you would do' : 'what else'}
              onChange={({ target }) => setOption(i, { do: target.value })}
              className="min-w-0 border-b border-seam bg-transparent px-1"
            />
            <label className="flex items-center gap-1 text-reed">
              <input type="radio" name={`taken ${noteId}`} checked={option.taken} onChange={() => setOption(i, { taken: true })} /> happened
            </label>
            <IconButton icon={X} words="Take this way out" onClick={() => onChange(options.filter((_, j) => j !== i))} />
          </li>
        ))}
      </ol>
      {options.length < mostForkOptions && (
        <button
          type="button"
          className="inline-flex items-center gap-1 self-start font-semibold text-pine hover:underline"
          onClick={() => onChange([...options, { do: '', taken: false }])}
        >
          <Plus size={14} aria-hidden /> One more way
        </button>
      )}
    </>
  );
}

/** How often forks on the same principle were taken, over all footage of the client, and before the fix. */
function ForkOverMonths({ note, fork }: { note: Note; fork: Fork }) {
  const { subject } = useScene();
  const { data } = useGetClientNotesQuery(subject.request.id, { skip: note.principleId === null });
  const others = (data?.notes ?? []).filter((one) => one.principleId === note.principleId && one.id !== note.id && one.fork !== null);
  const fixed = (data?.notes ?? [])
    .filter((one) => one.principleId === note.principleId)
    .flatMap((one) => one.fix?.sentAt ?? [])
    .sort()[0];
  const seen = [
    ...others.map((one) => ({ fork: one.fork!, sentAt: one.sentAt, fixSentAt: fixed ?? null })),
    { fork, sentAt: subject.request.sentAt, fixSentAt: fixed ?? null },
  ];
  if (note.principleId === null || others.length === 0) return null;
  return <>On this principle: {forksTakenText(forksTaken(seen))}.</>;
}
