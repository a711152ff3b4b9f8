import { useState } from 'react';
import { mostClientMarks, type ClientMark, type IntakeDraft } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { Button, Field, inputClass } from '../../../shared/primitives/index.ts';
import { ClientVideo } from './ClientVideo.tsx';
import { FootageChoice } from './FootageChoice.tsx';
import type { StepProps } from './StepProps.ts';

/** The question; and who wants to look first: their own marks, where they think it began, and how they scored it. */
export function QuestionStep({ draft, written: { intake, change } }: StepProps) {
  const [footageId, setFootageId] = useState(draft.footages[0]?.id);
  const footage = draft.footages.find(({ id }) => id === footageId) ?? draft.footages[0];
  const [seconds, setSeconds] = useState((footage?.seconds ?? 0) * 0.3);
  const marks = intake.clientMarks ?? [];
  const placeOf = (mark: ClientMark): string => {
    const at = draft.footages.findIndex(({ id }) => id === mark.footageId);
    return draft.footages.length > 1 ? `video ${at + 1}, ${clockText(mark.atSeconds)}` : clockText(mark.atSeconds);
  };
  const add = (): void => {
    if (!footage || marks.length >= mostClientMarks) return;
    change({ clientMarks: [...marks, { id: crypto.randomUUID(), footageId: footage.id, atSeconds: seconds, words: '', began: false }] });
  };
  const goTo = (mark: ClientMark): void => {
    setFootageId(mark.footageId);
    setSeconds(mark.atSeconds);
  };
  return (
    <>
      <Field label="What do you want to know?" hint="One question is enough.">
        {(field) => (
          <textarea
            {...field}
            rows={3}
            maxLength={600}
            value={intake.question ?? ''}
            onChange={(e) => change({ question: e.target.value })}
            className={inputClass}
          />
        )}
      </Field>
      <section aria-label="Your own marks" className="flex flex-col gap-3">
        <p className="font-semibold">Where do you think it went wrong?</p>
        <FootageChoice footages={draft.footages} chosen={footage?.id} onChoose={(id) => (setFootageId(id), setSeconds(0))} />
        {footage && <ClientVideo key={footage.id} footage={footage} seconds={seconds} onSeconds={setSeconds} />}
        <Button look="plain" large disabled={!footage || marks.length >= mostClientMarks} onClick={add}>
          {marks.length >= mostClientMarks ? 'Eight marks are the most' : `Mark ${clockText(seconds)}`}
        </Button>
        <ol className="flex flex-col divide-y divide-seam empty:hidden">
          {marks.map((mark) => (
            <li key={mark.id} className="flex flex-col gap-1 py-2">
              <span className="flex items-center justify-between">
                <button type="button" className="linked time min-h-11" onClick={() => goTo(mark)}>
                  {placeOf(mark)}
                </button>
                <Button look="quiet" className="min-h-11" onClick={() => change({ clientMarks: marks.filter(({ id }) => id !== mark.id) })}>
                  Take away
                </Button>
              </span>
              <input
                aria-label={`What you think happens at ${placeOf(mark)}`}
                placeholder="I think it went wrong here, because …"
                maxLength={200}
                value={mark.words}
                onChange={(e) => change({ clientMarks: marks.map((m) => (m.id === mark.id ? { ...m, words: e.target.value } : m)) })}
                className={inputClass}
              />
              <label className="flex min-h-11 items-center gap-3">
                <input
                  type="checkbox"
                  className="size-6"
                  checked={mark.began}
                  // It began in one place.
                  onChange={({ target }) =>
                    change({ clientMarks: marks.map((m) => ({ ...m, began: m.id === mark.id && target.checked })) })
                  }
                />
                I think it began here
              </label>
            </li>
          ))}
        </ol>
      </section>
      <OwnScore score={intake.ownScore ?? null} onChange={(ownScore) => change({ ownScore })} />
    </>
  );
}

type Score = NonNullable<IntakeDraft['ownScore']>;

/** How they scored it themselves: beside the coach's score later. Left empty it was not scored. */
function OwnScore({ score, onChange }: { score: Score | null; onChange: (score: Score | null) => void }) {
  const [points, setPoints] = useState({ client: score ? String(score.client) : '', partner: score ? String(score.partner) : '' });
  const write = (side: keyof typeof points, text: string): void => {
    const next = { ...points, [side]: text.replace(/\D/g, '').slice(0, 2) };
    setPoints(next);
    onChange(next.client === '' || next.partner === '' ? null : { client: Number(next.client), partner: Number(next.partner) });
  };
  return (
    <fieldset>
      <legend className="mb-1.5 font-semibold">How did you score it? Only if you like</legend>
      <div className="flex items-center gap-3">
        {(['client', 'partner'] as const).map((side) => (
          <input
            key={side}
            aria-label={side === 'client' ? 'Your points' : 'Your partner’s points'}
            placeholder={side === 'client' ? 'you' : 'partner'}
            inputMode="numeric"
            value={points[side]}
            onChange={({ target }) => write(side, target.value)}
            className={`${inputClass} time max-w-28`}
          />
        ))}
      </div>
    </fieldset>
  );
}
