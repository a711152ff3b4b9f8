import type { LettersBy } from '@lean-mentor/contract';
import { toast } from 'sonner';
import { Choice, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useListOwnLettersQuery, useSetOwnLettersMutation } from './api.ts';

const ways: readonly { value: LettersBy; words: string; hint: string }[] = [
  { value: 'letter', words: 'By mail', hint: 'and in the app' },
  { value: 'app', words: 'Only in the app', hint: 'nothing to your address' },
];

/** Whether letters come to one's address too. */
export function OwnLettersChoice() {
  const { data } = useListOwnLettersQuery();
  const [set, { error }] = useSetOwnLettersMutation();
  if (!data) return null;
  const choose = async (by: LettersBy): Promise<void> => {
    const { data: kept } = await set({ by });
    if (kept) toast(by === 'app' ? 'Letters stay in the app from now on.' : 'Letters come to your address again.');
  };
  return (
    <section className="flex flex-col gap-2">
      <Choice label="Letters come" value={data.by} options={ways} onChange={(by) => void choose(by)} />
      <p className="text-desk text-reed">What you need to sign in always comes by mail.</p>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </section>
  );
}
