import type { Bout, Critique, SentFix } from '@lean-mentor/contract';
import { boutAtFrame } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { useParams } from 'react-router';
import { Button, FaultNote, kindWords, KindGlyph, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { BoutClock, useGetFrameTableQuery } from '../footage/index.ts';
import { RoundSheet } from '../scoring/index.ts';
import { useGetCritiqueQuery, useMarkCritiqueReadMutation } from './api.ts';
import { FixClip } from './FixClip.tsx';

type SentFootage = Critique['footages'][number];

/** What was sent, as a page: what you asked, the opening, the fixes, and the round sheet at the side. */
export function CritiquePage() {
  const { critiqueId = '' } = useParams();
  const { data, error, refetch } = useGetCritiqueQuery(critiqueId);
  if (error && !data)
    return (
      <main className="py-8">
        <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>
      </main>
    );
  if (!data)
    return (
      <main className="py-8">
        <RowsSkeleton rows={3} />
      </main>
    );
  return (
    <main className="mx-auto grid max-w-[1060px] gap-x-14 gap-y-10 py-6 text-read lg:grid-cols-[minmax(0,640px)_1fr]">
      <article className="flex flex-col gap-9 print:gap-4">
        <Opening critique={data} />
        {data.fixes.map((fix) => (
          <Fix key={fix.position} critique={data} fix={fix} />
        ))}
        <p className="border-t border-seam pt-4 text-desk text-reed">
          Try this slowly and with a partner who knows what you are doing. Tap early, let go at once. Pain that stays belongs to a licensed
          clinician; your gym’s rules, the event’s rules and local law come before anything here.
        </p>
        <ReadLine critique={data} />
      </article>
      <Side critique={data} />
    </main>
  );
}

function Opening({ critique }: { critique: Critique }) {
  const { asked, opening, coachName, clientName, sentAt } = critique;
  const reader = useAccount();
  const own = reader?.role === 'client';
  return (
    <header className="flex flex-col gap-4">
      <p className="text-desk text-reed">
        {coachName} to {clientName}, {format(sentAt, 'd MMMM yyyy')}
      </p>
      <div>
        <h2 className="text-desk text-reed">{own ? 'You asked' : `${clientName} asked`}</h2>
        <p>“{asked.question}”</p>
      </div>
      <p className="font-head text-title font-medium text-pretty whitespace-pre-line">{opening}</p>
    </header>
  );
}

function Fix({ critique, fix }: { critique: Critique; fix: SentFix }) {
  const { note } = fix;
  const footage = footageOf(critique, fix);
  return (
    <section aria-label={`Fix ${fix.position}`} className="flex flex-col gap-3 break-inside-avoid">
      <h2 className="flex items-baseline gap-3 border-t border-ink pt-2 text-desk">
        <span className="font-head text-title">{fix.position}</span>
        <span className="inline-flex items-center gap-1.5">
          <KindGlyph kind={note.kind} size={12} /> {kindWords[note.kind]}
        </span>
        {note.seen !== 'clear' && (
          <span className="text-reed">{note.seen === 'likely' ? 'likely, not clearly seen' : 'hidden from the camera'}</span>
        )}
        <span className="ml-auto text-reed">{footage?.state === 'ready' && <BoutClock footage={footage} atFrame={fix.atFrame} />}</span>
      </h2>
      <p className="text-pretty">{note.what}</p>
      {footage && footage.state !== 'removed' ? (
        <FixClip critiqueId={critique.id} footage={footage} fix={fix} />
      ) : (
        <p className="border-y border-seam py-3 text-desk text-reed">
          The footage of this was removed, because its client or the partner on film asked for it. What was written stays.
        </p>
      )}
      {note.instead.length > 0 && (
        <div>
          <h3 className="mb-1 text-desk">Instead</h3>
          <ol className="flex flex-col gap-2">
            {note.instead.map((line, i) => (
              <li key={i} className="border-l-2 border-pine pl-3">
                {line.when && <span className="text-reed">If {line.when}: </span>}
                {line.do}
              </li>
            ))}
          </ol>
        </div>
      )}
    </section>
  );
}

/** The footage that a fix is about. */
const footageOf = (critique: Critique, fix: SentFix): SentFootage | undefined =>
  critique.footages.find(({ id }) => id === fix.note.footageId);

function ReadLine({ critique }: { critique: Critique }) {
  const role = useAccount()?.role;
  const [markRead, { isLoading, error }] = useMarkCritiqueReadMutation();
  if (critique.readAt) return <p className="text-desk text-reed">Read on {format(critique.readAt, 'd MMMM yyyy, H:mm')}.</p>;
  if (role !== 'client' && role !== 'guardian') return <p className="text-desk text-reed">Not read yet.</p>;
  return (
    <div className="not-printed flex flex-col gap-3">
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button large busy={isLoading} onClick={() => void markRead(critique.id)}>
        I have read it
      </Button>
    </div>
  );
}

/** The bouts that fixes are about, in their order, each with its footage. */
function boutsWithFixes(critique: Critique): { footage: SentFootage; bout: Bout | undefined }[] {
  const found = new Map<string, { footage: SentFootage; bout: Bout | undefined }>();
  for (const fix of critique.fixes) {
    const footage = footageOf(critique, fix);
    if (footage?.state !== 'ready') continue;
    const bout = boutAtFrame(footage.bouts, fix.atFrame);
    found.set(bout?.id ?? footage.id, { footage, bout });
  }
  return [...found.values()];
}

function Side({ critique }: { critique: Critique }) {
  const bouts = boutsWithFixes(critique);
  if (bouts.length === 0) return <aside />;
  return (
    <aside aria-label="The round" className="flex break-inside-avoid flex-col gap-2">
      <h2 className="text-desk">The round from top to bottom</h2>
      <p className="text-small text-reed">
        The ribbon sways right when {critique.clientName.split(' ')[0]} is in control, left when the partner is.
      </p>
      {bouts.map(({ footage, bout }) => (
        <BoutSheet key={bout?.id ?? footage.id} critique={critique} footage={footage} bout={bout} />
      ))}
    </aside>
  );
}

function BoutSheet({ critique, footage, bout }: { critique: Critique; footage: SentFootage; bout: Bout | undefined }) {
  const { data: table } = useGetFrameTableQuery(footage.id);
  const inside = (frame: number): boolean => boutAtFrame(footage.bouts, frame)?.id === bout?.id;
  return (
    <div className="h-[560px]">
      {table && (
        <RoundSheet
          table={table}
          bout={bout}
          notes={critique.fixes
            .filter((fix) => fix.note.footageId === footage.id && inside(fix.atFrame))
            .map(({ note, atFrame, position }) => ({ id: note.id, atFrame, kind: note.kind, words: note.what, fix: position }))}
        />
      )}
    </div>
  );
}
