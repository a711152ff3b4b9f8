import type { Critique, Question } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useRef, useState } from 'react';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useAnswerQuestionMutation, useAskQuestionMutation } from '../api.ts';

interface QuestionsProps {
  critique: Critique;
  /** About this fix; null: about the whole. */
  fixId: string | null;
  /** What the coach asked at a moment: only what belongs to that is shown, and one answers it. */
  asked?: string;
}

const lines = 'w-full rounded-sm border border-seam bg-linen px-3 py-2 field-sizing-content min-h-20';

/** What was asked about a fix, or about the whole, with the answers; a line to ask, or to answer. */
export function Questions({ critique, fixId, asked }: QuestionsProps) {
  const role = useAccount()?.role;
  const asks = role === 'client' || role === 'guardian';
  const askedByCoach = new Set(critique.moments.flatMap(({ note }) => (note.kind === 'question' ? [note.id] : [])));
  const own = critique.questions.filter(({ noteId, ...question }) =>
    asked ? noteId === asked : question.fixId === fixId && !askedByCoach.has(noteId ?? ''),
  );
  return (
    <section aria-label={asked ? 'Your answer' : fixId ? 'Questions about this' : 'Questions'} className="flex flex-col gap-3">
      {own.map((question) => (
        <Asked key={question.id} question={question} critique={critique} mayAnswer={role === 'coach'} />
      ))}
      {asks && !(asked && own.length > 0) && <Ask critique={critique} fixId={fixId} {...(asked && { asked })} />}
    </section>
  );
}

function Asked({ question, critique, mayAnswer }: { question: Question; critique: Critique; mayAnswer: boolean }) {
  const [writing, setWriting] = useState(mayAnswer && question.answer === null);
  const [words, setWords] = useState(question.answer ?? '');
  const [answer, { isLoading, error }] = useAnswerQuestionMutation();
  const moment = critique.moments.find(({ note }) => note.id === question.noteId);
  const send = async (): Promise<void> => {
    const done = await answer({ questionId: question.id, words });
    if (!done.error) setWriting(false);
  };
  return (
    <div id={`question-${question.id}`} className="flex flex-col gap-1 border-l border-seam pl-3 text-desk">
      <p>
        <span className="font-semibold">{question.askedBy}</span>{' '}
        <span className="text-reed">
          {format(question.askedAt, 'd MMM, H:mm')}
          {moment && `, about “${moment.note.what.slice(0, 60)}”`}
        </span>
      </p>
      <p className="text-read whitespace-pre-line">{question.words}</p>
      {question.answer !== null && !writing && (
        <div className="border-l-2 border-pine pl-3">
          <p>
            <span className="font-semibold">{question.answeredBy}</span>{' '}
            <span className="text-reed">{format(question.answeredAt!, 'd MMM, H:mm')}</span>
          </p>
          <p className="text-read whitespace-pre-line">{question.answer}</p>
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
          {error && <FaultNote>{faultWords(error)}</FaultNote>}
          <Button busy={isLoading} disabled={words.trim() === ''} onClick={() => void send()}>
            Answer {question.askedBy.split(' ')[0]}
          </Button>
        </div>
      )}
    </div>
  );
}

function Ask({ critique, fixId, asked }: QuestionsProps) {
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
    const done = await ask({ critiqueId: critique.id, id: id.current, fixId, noteId, words });
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
        onClick={() => setOpen(true)}
      >
        {asked ? `Answer ${critique.coachName.split(' ')[0]}` : fixId ? 'Ask about this' : 'Ask your coach something'}
      </Button>
    );
  return (
    <div className="not-printed flex flex-col items-start gap-2">
      <textarea
        aria-label={asked ? 'Your answer' : 'Your question'}
        autoFocus
        value={words}
        maxLength={1000}
        placeholder={asked ? 'What do you remember of it?' : 'What do you want to know?'}
        onChange={({ target }) => setWords(target.value)}
        className={lines}
      />
      {!asked && noteIds.length > (fixId ? 1 : 0) && (
        <select
          aria-label="About which moment"
          value={noteId ?? ''}
          onChange={({ target }) => setNoteId(target.value || null)}
          className="w-full rounded-sm border border-seam bg-linen px-2 py-2"
        >
          <option value="">about all of it</option>
          {noteIds.map((one) => (
            <option key={one} value={one}>
              {critique.moments.find(({ note }) => note.id === one)?.note.what.slice(0, 80)}
            </option>
          ))}
        </select>
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
