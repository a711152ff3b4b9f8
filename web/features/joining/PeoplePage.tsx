import type { Invitation } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useInviteAgainMutation, useListInvitationsQuery, useTakeBackInvitationMutation } from './api.ts';
import { InviteForm } from './InviteForm.tsx';
import { People } from './People.tsx';

/** Who is invited, and inviting. */
export function PeoplePage() {
  const fetched = useListInvitationsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  return (
    <main className="grid gap-x-12 gap-y-8 py-8 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
      <section className="flex flex-col gap-6">
        <h1 className="text-title">Invite somebody</h1>
        <InviteForm />
      </section>
      <section aria-label="Invitations" className="flex flex-col gap-4">
        <h2 className="border-t border-ink pt-2 text-desk">Invitations</h2>
        <p className="text-reed">
          Each gets a letter with a link. Where no letter leaves this machine, the link stands under{' '}
          <Link className="linked" to="/letters">
            Letters
          </Link>
          , to be passed on by hand.
        </p>
        <Fetched of={fetched} rows={3} />
        {data?.invitations.length === 0 && <Empty>Nobody is invited yet.</Empty>}
        <ul className="divide-y divide-seam border-y border-seam empty:hidden">
          {data?.invitations.map((one) => (
            <InvitationRow key={one.id} invitation={one} />
          ))}
        </ul>
      </section>
      <People />
    </main>
  );
}

const asWhom = ({ role, clientName }: Invitation): string => (role === 'guardian' ? `guardian of ${clientName}` : role);

function stateWords({ state, expiresAt, madeAt }: Invitation): string {
  if (state === 'accepted') return `came in, invited on ${format(madeAt, 'd MMMM')}`;
  return state === 'open'
    ? `its link opens until ${format(expiresAt, 'd MMMM')}`
    : `its link was not opened by ${format(expiresAt, 'd MMMM')}`;
}

function InvitationRow({ invitation }: { invitation: Invitation }) {
  const { id, name, email, state } = invitation;
  const [again, sent] = useInviteAgainMutation();
  const [takeBack, taken] = useTakeBackInvitationMutation();
  const error = sent.error ?? taken.error;
  const sendAgain = async (): Promise<void> => {
    const { data } = await again(id);
    if (data) toast(`Another letter goes to ${name}; the link in the one before opens nothing any more.`);
  };
  return (
    <li className="flex flex-wrap items-center gap-x-6 gap-y-1 py-3" data-invitation={state}>
      <div className="min-w-0 grow">
        <p>
          <span className="font-semibold">{name}</span>, {asWhom(invitation)}
        </p>
        <p className="truncate text-reed">
          {email}, {stateWords(invitation)}
        </p>
        {error && <FaultNote>{faultWords(error)}</FaultNote>}
      </div>
      {state !== 'accepted' && (
        <span className="flex gap-2">
          <Button look="plain" busy={sent.isLoading} aria-label={`Send ${name}’s again`} onClick={() => void sendAgain()}>
            Send it again
          </Button>
          <Button look="quiet" busy={taken.isLoading} aria-label={`Take ${name}’s back`} onClick={() => void takeBack(id)}>
            Take it back
          </Button>
        </span>
      )}
    </li>
  );
}
