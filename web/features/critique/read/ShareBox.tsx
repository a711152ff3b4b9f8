import type { Critique } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Share2 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { useAccount } from '../../access/index.ts';
import { Button, FaultNote, PopBox } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useEndReadLinkMutation, useListReadLinksQuery, useMakeReadLinkMutation } from '../api.ts';

const defaultDays = 14;

/** Read-only links for the client’s home coach: the coach makes one; the client sees each and may end it as well. */
export function ShareBox({ critique }: { critique: Critique }) {
  const mayMake = useAccount()?.role === 'coach';
  return (
    <Popover.Root>
      <Popover.Trigger className="not-printed linked inline-flex items-center gap-1.5">
        <Share2 size={14} aria-hidden /> {mayMake ? 'For their home coach' : 'Who can read this'}
      </Popover.Trigger>
      <PopBox>
        <Links critique={critique} mayMake={mayMake} />
      </PopBox>
    </Popover.Root>
  );
}

function Links({ critique, mayMake }: { critique: Critique; mayMake: boolean }) {
  const { data } = useListReadLinksQuery(critique.id);
  const [make, making] = useMakeReadLinkMutation();
  const [end, ending] = useEndReadLinkMutation();
  const made = making.data;
  const address = made && `${location.origin}/shared/${made.token}`;
  return (
    <div className="flex flex-col gap-3">
      <p className="text-small text-reed">
        Whoever has a link reads this critique and sees its moments, no questions and no other footage.{' '}
        {mayMake
          ? `Make one only if ${critique.clientName.split(' ')[0]} agrees.`
          : 'Your coach makes one only if you agree; you can end it here at any time.'}
      </p>
      {mayMake && <MakeLink busy={making.isLoading} onMake={(forName, days) => void make({ critiqueId: critique.id, forName, days })} />}
      {making.error && <FaultNote>{faultWords(making.error)}</FaultNote>}
      {address && (
        <div className="flex flex-col gap-1 border-l-2 border-pine pl-3">
          <p className="text-small">
            For {made.forName}, until {format(made.expiresAt, 'd MMMM')}. It is shown once: copy it now.
          </p>
          <input
            readOnly
            aria-label="The link"
            value={address}
            onFocus={({ target }) => target.select()}
            className="time w-full border border-seam bg-straw px-2 py-1 text-small"
          />
        </div>
      )}
      {data?.links.length === 0 && !mayMake && <p>There is no link: only you, your guardian and your coach can read this.</p>}
      {ending.error && <FaultNote>{faultWords(ending.error)}</FaultNote>}
      <ul className="divide-y divide-seam">
        {data?.links.map(({ id, forName: name, expiresAt, opened }) => (
          <li key={id} className="flex items-baseline justify-between gap-3 py-1 text-small">
            <span>
              {name}, until {format(expiresAt, 'd MMM')},{' '}
              {opened === 0 ? 'not opened yet' : opened === 1 ? 'opened once' : `opened ${opened} times`}
            </span>
            <button
              type="button"
              aria-label={`End the link for ${name}`}
              className="linked min-h-9"
              onClick={() => void end({ critiqueId: critique.id, linkId: id })}
            >
              End it
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** For whom a link is made, and for how long. */
function MakeLink({ busy, onMake }: { busy: boolean; onMake: (forName: string, days: number) => void }) {
  const [forName, setForName] = useState('');
  const [days, setDays] = useState(defaultDays);
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (forName.trim()) onMake(forName, days);
      }}
    >
      <label className="flex min-w-0 grow flex-col gap-1">
        For whom
        <input
          value={forName}
          maxLength={120}
          onChange={({ target }) => setForName(target.value)}
          className="rounded-sm border border-seam bg-straw px-2 py-1"
        />
      </label>
      <label className="flex w-16 flex-col gap-1">
        Days
        <input
          type="number"
          min={1}
          max={60}
          value={days}
          onChange={({ target }) => setDays(Math.min(60, Math.max(1, Number(target.value) || defaultDays)))}
          className="rounded-sm border border-seam bg-straw px-2 py-1"
        />
      </label>
      <Button type="submit" look="plain" busy={busy} disabled={forName.trim() === ''}>
        Make it
      </Button>
    </form>
  );
}
