import type { Critique, SentFix } from '@lean-mentor/contract';
import { boutAtFrame, clockText, secondsOfFrame } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { useParams } from 'react-router';
import { Button, FaultNote, kindWords, KindGlyph, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useGetFrameTableQuery } from '../footage/index.ts';
import { RoundSheet } from '../scoring/index.ts';
import { useGetCritiqueQuery, useMarkCritiqueReadMutation } from './api.ts';
import { FixClip } from './FixClip.tsx';

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
  const bout = boutAtFrame(critique.footage.bouts, fix.atFrame);
  const { data: table } = useGetFrameTableQuery(critique.footage.id);
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
        {table && <span className="time ml-auto text-reed">{clockText(fix.atSeconds - secondsOfFrame(table, bout?.fromFrame ?? 0))}</span>}
      </h2>
      <p className="text-pretty">{note.what}</p>
      <FixClip critique={critique} fix={fix} />
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

function Side({ critique }: { critique: Critique }) {
  const { footage, fixes } = critique;
  const { data: table } = useGetFrameTableQuery(footage.id);
  return (
    <aside aria-label="The round" className="flex break-inside-avoid flex-col gap-2">
      <h2 className="text-desk">The round from top to bottom</h2>
      <p className="text-small text-reed">
        The ribbon sways right when {critique.clientName.split(' ')[0]} is in control, left when the partner is.
      </p>
      <div className="h-[560px]">
        {table && (
          <RoundSheet
            table={table}
            bout={boutAtFrame(footage.bouts, fixes[0]?.atFrame ?? 0)}
            notes={fixes.map((fix) => ({
              id: fix.note.id,
              atFrame: fix.atFrame,
              kind: fix.note.kind,
              words: fix.note.what,
              fix: fix.position,
            }))}
          />
        )}
      </div>
    </aside>
  );
}
