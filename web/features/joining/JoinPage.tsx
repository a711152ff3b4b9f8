import { useNavigate, useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetSessionQuery } from '../access/index.ts';
import { useAcceptInvitationMutation, useReadInvitationQuery } from './api.ts';
import { Door } from './Door.tsx';
import { NewPasswordForm } from './NewPasswordForm.tsx';

const asWhom = { assistant: 'as an assistant', client: 'as a client', guardian: 'as the guardian of' } as const;

/** Whoever was invited chooses a password here and is in. */
export function JoinPage() {
  const { token = '' } = useParams();
  // The token that every change carries comes with it.
  useGetSessionQuery();
  const { data, error, refetch } = useReadInvitationQuery(token);
  const [accept, accepted] = useAcceptInvitationMutation();
  const navigate = useNavigate();
  if (error)
    return (
      <Door title="Come in">
        <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>
      </Door>
    );
  if (!data)
    return (
      <Door title="Come in">
        <RowsSkeleton rows={2} />
      </Door>
    );
  const { name, email, role, clientName, from } = data;
  const comeIn = async (password: string): Promise<void> => {
    const { error: refused } = await accept({ token, password });
    if (!refused) void navigate('/', { replace: true });
  };
  return (
    <Door title={`Hello ${name}`}>
      <p>
        {from} invites you {role === 'guardian' ? `${asWhom.guardian} ${clientName}` : asWhom[role]}. You sign in with{' '}
        <strong className="break-all">{email}</strong>.
      </p>
      {role === 'guardian' && (
        <p className="text-desk text-reed">
          You see all that {clientName} sends and receives, and nothing goes out before you have agreed.
        </p>
      )}
      <NewPasswordForm email={email} says="Come in" busy={accepted.isLoading} error={accepted.error} onChosen={(p) => void comeIn(p)} />
    </Door>
  );
}
