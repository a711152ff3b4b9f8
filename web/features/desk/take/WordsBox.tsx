import type { TakeRecording, TakeWordsOf } from '@lean-mentor/contract';
import type { DeskTake, Note } from '@lean-mentor/core/desk';
import { textsToDraft, withCaptions, type Take } from '@lean-mentor/core/takes';
import { useEffect, useState } from 'react';
import { Button } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAskTakeWordsMutation, useGetTakeWordsQuery } from '../../takes/index.ts';

interface WordsBoxProps {
  requestId: string;
  take: DeskTake;
  whole: Take;
  recording: TakeRecording;
  notes: Readonly<Record<string, Note>>;
  mend: (fields: Partial<DeskTake>) => void;
}

/** What a note says, as it would be spoken. */
const spokenText = (note: Note | undefined): string =>
  note ? [note.what, ...note.instead.map((one) => [one.when && `When ${one.when},`, one.do].filter(Boolean).join(' '))].join(' ') : '';

/** Words for the voice: from the notes that were open, from what the coach writes down, or as a machine hears it. */
export function WordsBox({ requestId, take, whole, recording, notes, mend }: WordsBoxProps) {
  const [writing, setWriting] = useState(false);
  const { ask, waits, why } = useLaidWords(requestId, take, recording, mend);
  const texts = textsToDraft(whole, (id) => spokenText(notes[id]));
  const written = take.captions.map(({ words }) => words).join(' ');
  return (
    <section aria-label="Words" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {texts.length > 0 && (
          <Button look="plain" disabled={waits} onClick={() => ask({ of: 'text', origin: 'drafted', texts })}>
            Draft the words from the notes
          </Button>
        )}
        <Button look="plain" disabled={waits} aria-expanded={writing} onClick={() => setWriting(!writing)}>
          Write down all that is said
        </Button>
        {recording.canBeHeard && (
          <Button look="plain" disabled={waits} onClick={() => ask({ of: 'voice' })}>
            Words as a machine hears them
          </Button>
        )}
        {waits && <span role="status">The words are being laid to the voice.</span>}
      </div>
      {why && (
        <p role="alert" className="text-brick">
          {why}
        </p>
      )}
      {writing && (
        <WholeText
          before={written}
          onLeave={() => setWriting(false)}
          onText={(text) => {
            ask({ of: 'text', origin: 'typed', texts: [{ from: 0, to: recording.seconds, text }] });
            setWriting(false);
          }}
        />
      )}
    </section>
  );
}

function WholeText({ before, onText, onLeave }: { before: string; onText: (text: string) => void; onLeave: () => void }) {
  const [text, setText] = useState(before);
  return (
    <div className="flex flex-col gap-2">
      <textarea
        aria-label="All that is said, word by word"
        placeholder="All that is said, word by word. Where each line is heard is found by itself."
        value={text}
        rows={6}
        maxLength={100_000}
        onChange={(e) => setText(e.target.value)}
        className="rounded-sm border border-seam bg-linen p-2"
      />
      <p className="flex gap-2">
        <Button disabled={text.trim() === ''} onClick={() => onText(text.trim())}>
          Lay it to the voice
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Not now
        </Button>
        <span className="self-center text-small text-reed">It stands in place of the lines below.</span>
      </p>
    </div>
  );
}

/** Asks for words and puts them into the take when they come. What somebody wrote stays, but where all was written down anew. */
function useLaidWords(requestId: string, take: DeskTake, recording: TakeRecording, mend: WordsBoxProps['mend']) {
  const [askFor, asking] = useAskTakeWordsMutation();
  const [asked, setAsked] = useState<{ askedAt: string; of: TakeWordsOf } | null>(null);
  const { words } = recording;
  const isOurs = asked !== null && words?.askedAt === asked.askedAt;
  const laid = useGetTakeWordsQuery(
    { requestId, takeId: take.id },
    { skip: !isOurs || words.state !== 'ready', refetchOnMountOrArgChange: true },
  );
  const come = asked && laid.data?.askedAt === asked.askedAt ? laid.data : null;
  useEffect(() => {
    if (!come || !asked) return;
    const all = asked.of.of === 'text' && asked.of.origin === 'typed';
    mend({ captions: all ? come.captions : withCaptions(take.captions, come.captions) });
    // Once, when they come.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [come]);
  const failed = isOurs && words.state === 'failed';
  return {
    ask: (of: TakeWordsOf): void =>
      void askFor({ requestId, takeId: take.id, ...of })
        .unwrap()
        .then(
          ({ words: now }) => now && setAsked({ askedAt: now.askedAt, of }),
          () => undefined,
        ),
    waits: asking.isLoading || (asked !== null && !come && !failed),
    why: asking.error ? faultWords(asking.error) : failed ? words.failure : null,
  };
}
