import { answerWords, type Critique, type Question } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { useRef, useState } from 'react';
import { Button, FaultNote, optionsOf, Select } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { AnswerTakes, SpokenAnswer } from './SpokenAnswer.tsx';
import { useAnswerQuestionMutation, useAskQuestionMutation } from '../api.ts';

interface QuestionsProps {
  critique: Critique;
  /** About this fix; null: about the whole. */
  fixId: string | null;
  /** What the coach asked at a moment: only what belongs to that is shown, and one answers it. */
  asked?: string;
  /** What plays something spoken: only what was asked about an instant of that is shown, and one asks about where it is. */
  spoken?: SpokenPlace;
}

export interface SpokenPlace {
  place: number;
  title: string;
  /** Stops, and answers at which second of what is heard. */
  stopHere: () => number;
  goTo: (heard: number) => void;
}

/** About an instant of what is spoken in the version that is read. */
const isOfSpoken = ({ spoken }: Question, critique: Critique): boolean => spoken !== null && spoken.version === critique.version;

const lines = 'w-full rounded-sm border border-seam bg-linen px-3 py-2 field-sizing-content min-h-20';

/** What was asked about a fix, or about the whole, with the answers; a line to ask, or to answer. */
export function Questions({ critique, fixId, asked, spoken }: QuestionsProps) {
  const role = useAccount()?.role;
  const asks = role === 'client' || role === 'guardian';
  const askedByCoach = new Set(critique.moments.flatMap(({ note }) => (note.kind === 'question' ? [note.id] : [])));
  const own = critique.questions.filter((question) => {
    if (spoken) return isOfSpoken(question, critique) && question.spoken!.place === spoken.place;
    if (asked) return question.noteId === asked;
    return question.fixId === fixId && !askedByCoach.has(question.noteId ?? '') && !isOfSpoken(question, critique);
  });
  return (
    <section
      aria-label={asked ? 'Your answer' : spoken ? `Questions about ${spoken.title}` : fixId ? 'Questions about this' : 'Questions'}
      className="flex flex-col gap-3"
    >
      {own.map((question) => (
        <Asked key={question.id} question={question} critique={critique} mayAnswer={role === 'coach'} goTo={spoken?.goTo} />
      ))}
      {asks && !(asked && own.length > 0) && (
        <Ask critique={critique} fixId={fixId} {...(asked && { asked })} {...(spoken && { spoken })} />
      )}
    </section>
  );
}

interface AskedProps {
  question: Question;
  critique: Critique;
  mayAnswer: boolean;
  goTo: SpokenPlace['goTo'] | undefined;
}

function Asked({ question, critique, mayAnswer, goTo }: AskedProps) {
  const [writing, setWriting] = useState(mayAnswer && question.answer === null);
  const [words, setWords] = useState(question.answer ?? '');
  const [takeId, setTakeId] = useState(question.answerTake?.takeId ?? null);
  const [answer, { isLoading, error }] = useAnswerQuestionMutation();
  const moment = critique.moments.find(({ note }) => note.id === question.noteId);
  const send = async (): Promise<void> => {
    const done = await answer({ questionId: question.id, words, takeId });
    if (!done.error) setWriting(false);
  };
  return (
    <div id={`question-${question.id}`} className="flex flex-col gap-1 border-l border-seam pl-3 text-desk">
      <p>
        <span className="font-semibold">{question.askedBy}</span>{' '}
        <span className="text-reed">
          {format(question.askedAt, 'd MMM, H:mm')}
          {moment && `, about “${moment.note.what.slice(0, 60)}”`}
          {question.spoken && `, about ${goTo ? '' : 'what was said at '}`}
          {question.spoken && <Instant at={question.spoken.at} goTo={goTo} />}
        </span>
      </p>
      <p className="text-read whitespace-pre-line">{question.words}</p>
      {question.answer !== null && !writing && (
        <div className="border-l-2 border-pine pl-3">
          <p>
            <span className="font-semibold">{question.answeredBy}</span>{' '}
            <span className="text-reed">{format(question.answeredAt!, 'd MMM, H:mm')}</span>
          </p>
          {question.answer ? (
            <p className="text-read whitespace-pre-line">{question.answer}</p>
          ) : (
            // On paper nothing plays.
            <p className="hidden print:block">{answerWords(question)}</p>
          )}
          {question.answerTake && <SpokenAnswer critique={critique} question={question} take={question.answerTake} />}
          {mayAnswer && (
            <button type="button" className="linked" onClick={() => setWriting(true)}>
              Change the answer
            </button>
          )}
        </div>
      )}
      {question.answer === null && !mayAnswer && moment?.note.kind !== 'question' && <p className="text-reed">No answer yet.</p>}
      {writing && (
        <div className="not-printed flex flex-col items-start gap-2">
          <textarea
            aria-label={`Answer “${question.words.slice(0, 40)}”`}
            value={words}
            maxLength={2000}
            onChange={({ target }) => setWords(target.value)}
            className={lines}
          />
          <AnswerTakes critique={critique} takeId={takeId} onTake={setTakeId} />
          {error && <FaultNote>{faultWords(error)}</FaultNote>}
          <Button busy={isLoading} disabled={words.trim() === '' && takeId === null} onClick={() => void send()}>
            Answer {question.askedBy.split(' ')[0]}
          </Button>
        </div>
      )}
    </div>
  );
}

/** An instant of what is spoken; pressed, it is played from there. */
function Instant({ at, goTo }: { at: number; goTo: SpokenPlace['goTo'] | undefined }) {
  if (!goTo) return <span className="time">{clockText(at)}</span>;
  return (
    <button type="button" className="linked time" aria-label={`Go to ${clockText(at)}`} onClick={() => goTo(at)}>
      {clockText(at)}
    </button>
  );
}

function askWords({ critique, fixId, asked, spoken }: QuestionsProps): string {
  if (asked) return `Answer ${critique.coachName.split(' ')[0]}`;
  if (spoken) return 'Stop here and ask';
  return fixId ? 'Ask about this' : 'Ask your coach something';
}

function Ask(props: QuestionsProps) {
  const { critique, fixId, asked, spoken } = props;
  /** Where it was stopped to ask. */
  const [at, setAt] = useState(0);
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const [noteId, setNoteId] = useState<string | null>(asked ?? null);
  const [ask, { isLoading, error }] = useAskQuestionMutation();
  // The same question keeps its id until it has arrived, so that sending it twice asks once.
  const id = useRef(crypto.randomUUID());
  const inFixes = new Set(critique.fixes.flatMap((fix) => fix.noteIds));
  // Of the whole: what stands in no fix, praise too.
  const noteIds = fixId
    ? (critique.fixes.find((fix) => fix.fixId === fixId)?.noteIds ?? [])
    : critique.moments.flatMap(({ note }) => (inFixes.has(note.id) || note.kind === 'question' ? [] : [note.id]));
  const send = async (): Promise<void> => {
    const instant = spoken ? { place: spoken.place, at } : null;
    const done = await ask({ critiqueId: critique.id, id: id.current, fixId, noteId, spoken: instant, words });
    if (done.error) return;
    id.current = crypto.randomUUID();
    setWords('');
    setOpen(false);
  };
  if (!open)
    return (
      <Button
        look="quiet"
        className="not-printed min-h-11 self-start"
        aria-label={fixId ? `Ask about this: ${critique.fixes.find((fix) => fix.fixId === fixId)?.name ?? ''}` : undefined}
        onClick={() => {
          if (spoken) setAt(spoken.stopHere());
          setOpen(true);
        }}
      >
        {askWords(props)}
      </Button>
    );
  return (
    <div className="not-printed flex flex-col items-start gap-2">
      {spoken && (
        <p className="text-desk text-reed">
          About <span className="time">{clockText(at)}</span> of it:
        </p>
      )}
      <textarea
        aria-label={asked ? 'Your answer' : 'Your question'}
        autoFocus
        value={words}
        maxLength={1000}
        placeholder={asked ? 'What do you remember of it?' : 'What do you want to know?'}
        onChange={({ target }) => setWords(target.value)}
        className={lines}
      />
      {!asked && !spoken && noteIds.length > (fixId ? 1 : 0) && (
        <Select
          label="About which moment"
          value={noteId ?? ''}
          options={[
            { value: '', words: 'about all of it' },
            ...optionsOf(noteIds, (one) => critique.moments.find(({ note }) => note.id === one)?.note.what.slice(0, 80) ?? ''),
          ]}
          onChange={(id) => setNoteId(id || null)}
          className="w-full rounded-sm border border-seam bg-linen px-2 py-2"
        />
      )}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <span className="flex gap-2">
        <Button large busy={isLoading} disabled={words.trim() === ''} onClick={() => void send()}>
          {asked ? 'Send it' : `Ask ${critique.coachName.split(' ')[0]}`}
        </Button>
        <Button large look="quiet" onClick={() => setOpen(false)}>
          Not now
        </Button>
      </span>
    </div>
  );
}
