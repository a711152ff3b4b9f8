import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount, useAgreeAsGuardianMutation } from './api.ts';

/** What a guardian agrees to, for each minor for whom they have not yet. Nothing for others. */
export function AgreeAsGuardian() {
  const account = useAccount();
  const [agree, { isLoading, error }] = useAgreeAsGuardianMutation();
  const open = account?.role === 'guardian' ? account.clients.filter(({ agreed }) => !agreed) : [];
  return open.map(({ id, name }) => (
    <section key={id} aria-label={`Your yes for ${name}`} className="mb-6 flex flex-col gap-3 border-l-4 border-pine pl-3">
      <p>
        You stand here for <strong>{name}</strong>, who is under 18. With your yes a coach looks at footage of {name}, draws on it and
        writes about it; you see all of that, nothing is sent before you have let it go, and you can take footage back at any time.
      </p>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button large busy={isLoading} onClick={() => void agree(id)}>
        I agree for {name}
      </Button>
    </section>
  ));
}
