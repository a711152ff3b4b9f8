import { daysToTakeBack, type Rights } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAskToBeForgottenMutation, useForgetClientMutation, useTakeBackForgettingMutation } from './api.ts';

interface OfClient {
  clientId: string;
  rights: Rights;
}

/** What of all that is counted on the page stays. */
const WhatStays = ({ rights: { stays } }: { rights: Rights }) =>
  stays.length > 0 && (
    <>
      <p>All that is counted here goes, but for this. {stays[0]!.why}</p>
      <Numbers kinds={stays} />
    </>
  );

export const Numbers = ({ kinds }: { kinds: Rights['goes'] }) => (
  <dl className="grid gap-x-8 sm:grid-cols-2">
    {kinds.map(({ words, many }) => (
      <div key={words} className="flex justify-between gap-4 border-b border-seam py-1">
        <dt className="first-letter:uppercase">{words}</dt>
        <dd className="time">{many}</dd>
      </div>
    ))}
  </dl>
);

/** Typing the whole name is asked of whoever means it: a thumb that slips forgets nobody. */
function ByName({
  name,
  says,
  busy,
  error,
  onMeant,
}: {
  name: string;
  says: string;
  busy: boolean;
  error: unknown;
  onMeant: (typed: string) => void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onMeant(typed);
      }}
    >
      <Field label={`To be sure, type the whole name: ${name}`}>
        {(field) => (
          <input
            {...field}
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            autoComplete="off"
            className={`${inputClass} max-w-80`}
          />
        )}
      </Field>
      {error !== undefined && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button type="submit" look="plain" large busy={busy} disabled={typed.trim() === ''} className="self-start text-brick">
        {says}
      </Button>
    </form>
  );
}

const Due = ({ rights: { forgetting }, children }: { rights: Rights; children?: ReactNode }) =>
  forgetting && (
    <div role="status" className="flex flex-col gap-3 border-l-4 border-brass pl-3">
      <p>
        {forgetting.askedBy} asked for it on {format(forgetting.askedAt, 'd MMMM')}. It is done on{' '}
        <strong>{format(forgetting.dueAt, 'd MMMM, H:mm')}</strong>, and cannot be undone then.
      </p>
      {children}
    </div>
  );

/** A client or guardian asks that everything be removed, or takes it back. */
export function BeForgotten({ clientId, rights }: OfClient) {
  const [ask, asking] = useAskToBeForgottenMutation();
  const [takeBack, takingBack] = useTakeBackForgettingMutation();
  if (rights.forgetting)
    return (
      <Due rights={rights}>
        {takingBack.error !== undefined && <FaultNote>{faultWords(takingBack.error)}</FaultNote>}
        <Button large busy={takingBack.isLoading} className="self-start" onClick={() => void takeBack(clientId)}>
          Take it back
        </Button>
      </Due>
    );
  return (
    <>
      <p>
        You can have everything about {rights.name} removed here. It is done after {daysToTakeBack} days; until then you can take it back.
        What the coach’s backups hold goes when those are thrown away.
      </p>
      <WhatStays rights={rights} />
      <ByName
        {...{ name: rights.name, says: 'Have everything removed', busy: asking.isLoading, error: asking.error }}
        onMeant={(name) => void ask({ clientId, name })}
      />
    </>
  );
}

/** The coach removes everything about a client at once, and sees where others name them. */
export function Forget({ clientId, rights }: OfClient) {
  const [forget, { isLoading, error }] = useForgetClientMutation();
  const go = useNavigate();
  const send = async (name: string): Promise<void> => {
    const { error: refused } = await forget({ clientId, name });
    if (refused) return;
    toast('Everything about them is removed; the last of the files goes within minutes.');
    void go('/clients');
  };
  return (
    <>
      <Due rights={rights} />
      <p>
        Removes everything about {rights.name} at once. It cannot be undone. Take it along first where the law, a dispute or your own gym’s
        rules may ask for it.
      </p>
      <WhatStays rights={rights} />
      <NamedElsewhere named={rights.namedElsewhere} />
      <ByName {...{ name: rights.name, says: 'Remove everything now', busy: isLoading, error }} onMeant={(name) => void send(name)} />
    </>
  );
}

const NamedElsewhere = ({ named }: { named: Rights['namedElsewhere'] }) =>
  named.length > 0 && (
    <section aria-label="Named elsewhere" className="flex flex-col gap-2">
      <h3 className="font-semibold">Others name them</h3>
      <p className="text-reed">These are other people’s words and stay. Look at whether the name can go.</p>
      <ul className="divide-y divide-seam border-y border-seam">
        {named.map(({ clientName, requestId, words }, i) => (
          <li key={i} className="flex justify-between gap-4 py-2">
            <span className="min-w-0">{words}</span>
            {requestId ? (
              <Link to={`/requests/${requestId}/desk`} className="linked shrink-0">
                {clientName}
              </Link>
            ) : (
              <span className="shrink-0 text-reed">{clientName ?? 'the book'}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
