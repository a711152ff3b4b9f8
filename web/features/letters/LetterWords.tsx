import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import {
  fillTemplate,
  letterKinds,
  letterSorts,
  samplesOf,
  templateFaults,
  type LetterKind,
  type LetterSort,
  type LetterTemplate,
} from '@lean-mentor/core/letters';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FaultNote, Field, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useGetLetterWordsQuery, useSetLetterWordsMutation } from './api.ts';

type Words = ResponseOf<typeof contract.getLetterWords>;

/** How each kind of letter is worded: in the coach's own words where they have chosen some. */
export function LetterWords() {
  const fetched = useGetLetterWordsQuery(undefined, { refetchOnMountOrArgChange: true });
  const isCoach = useAccount()?.role === 'coach';
  const [kind, setKind] = useState<LetterKind>('critique');
  return (
    <Fetched of={fetched}>
      {(words) => (
        <div className="grid grid-cols-[17rem_minmax(0,1fr)] gap-10">
          <ul aria-label="Kinds of letters" className="flex flex-col">
            {letterKinds.map((one) => (
              <li key={one}>
                <button
                  aria-current={one === kind || undefined}
                  onClick={() => setKind(one)}
                  className="w-full border-l-2 border-transparent py-1 pl-3 text-left text-reed hover:text-ink aria-[current]:border-pine aria-[current]:font-semibold aria-[current]:text-ink"
                >
                  {letterSorts[one].when}
                  {words.words[one] && <span className="block text-small font-normal text-pine">in your own words</span>}
                </button>
              </li>
            ))}
          </ul>
          {/* Another kind, or what somebody else has kept meanwhile, is a new form. */}
          <WordingForm key={`${kind} ${words.revision}`} kind={kind} words={words} readOnly={!isCoach} />
        </div>
      )}
    </Fetched>
  );
}

function WordingForm({ kind, words, readOnly }: { kind: LetterKind; words: Words; readOnly: boolean }) {
  const own = words.words[kind];
  const { when, fields }: LetterSort = letterSorts[kind];
  const [template, setTemplate] = useState<LetterTemplate>(own ?? { subject: letterSorts[kind].subject, body: letterSorts[kind].body });
  const [set, { isLoading, error }] = useSetLetterWordsMutation();
  const faults = templateFaults(kind, template);
  const body = useRef<HTMLTextAreaElement>(null);
  const keep = async (kept: LetterTemplate | null): Promise<void> => {
    const { data } = await set({ kind, revision: words.revision, template: kept });
    if (data) toast(kept ? 'Kept. The next letter goes so.' : 'It goes as it came again.');
  };
  const putIn = (name: string): void => {
    const { selectionStart: from = 0, selectionEnd: to = 0 } = body.current ?? {};
    setTemplate({ ...template, body: `${template.body.slice(0, from)}{${name}}${template.body.slice(to)}` });
    body.current?.focus();
  };
  return (
    <div className="grid gap-8 xl:grid-cols-2">
      <form
        aria-label={when}
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void keep(template);
        }}
      >
        <h2 className="border-t border-ink pt-2 text-desk">{when}</h2>
        <Field label="Subject" fault={faults.subject[0]}>
          {(field) => (
            <input
              {...field}
              readOnly={readOnly}
              value={template.subject}
              onChange={(e) => setTemplate({ ...template, subject: e.target.value })}
              className={smallInputClass}
            />
          )}
        </Field>
        <Field label="Words" fault={faults.body[0]}>
          {(field) => (
            <textarea
              {...field}
              ref={body}
              rows={11}
              readOnly={readOnly}
              value={template.body}
              onChange={(e) => setTemplate({ ...template, body: e.target.value })}
              className={smallInputClass}
            />
          )}
        </Field>
        <Fields fields={fields} onChoose={readOnly ? null : putIn} />
        {error && <FaultNote>{faultWords(error)}</FaultNote>}
        {!readOnly && (
          <div className="flex gap-2">
            <Button type="submit" busy={isLoading} disabled={faults.subject.length + faults.body.length > 0}>
              Keep these words
            </Button>
            {own && (
              <Button look="quiet" busy={isLoading} onClick={() => void keep(null)}>
                As it came
              </Button>
            )}
          </div>
        )}
      </form>
      <Preview template={template} kind={kind} />
    </div>
  );
}

/** What can stand in braces, and what it means; pressed, it is put where one writes. */
function Fields({ fields, onChoose }: { fields: LetterSort['fields']; onChoose: ((name: string) => void) | null }) {
  return (
    <ul aria-label="Fields" className="flex flex-col text-small text-reed">
      {Object.entries(fields).map(([name, { means }]) => (
        <li key={name} className="flex items-baseline gap-2">
          {onChoose ? (
            <button type="button" className="linked time" aria-label={`Put {${name}} in`} onClick={() => onChoose(name)}>
              {`{${name}}`}
            </button>
          ) : (
            <span className="time">{`{${name}}`}</span>
          )}
          {means}
        </li>
      ))}
    </ul>
  );
}

function Preview({ template, kind }: { template: LetterTemplate; kind: LetterKind }) {
  const { subject, body } = fillTemplate(template, samplesOf(kind));
  return (
    <section aria-label="How it reads" className="flex flex-col gap-3">
      <h2 className="border-t border-ink pt-2 text-desk">How it reads</h2>
      <article className="border border-seam bg-linen p-5">
        <h3 className="mb-3 text-read break-words">{subject}</h3>
        <p className="break-words whitespace-pre-line">{body}</p>
      </article>
      <p className="text-small text-reed">
        With made-up names. By mail, addresses become whole, and below stands how to stop letters. Letters that open a way in (invitations,
        new passwords) go as they are.
      </p>
    </section>
  );
}
