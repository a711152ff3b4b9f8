import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Fetched } from '../../shared/fetched/index.ts';
import { LimitList } from '../../shared/care/index.ts';
import { Button, FaultNote, inputClass, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetLimitsQuery, useKeepLimitsMutation } from './api.ts';
import { useSide } from './useSide.ts';

/**
 * What hurts a client and what their body must not bear because of it, read from their words, to be agreed on by both. `large`: on the
 * client’s own phone.
 */
export function ClientLimits({ clientId, large = false }: { clientId: string; large?: boolean }) {
  const fetched = useGetLimitsQuery(clientId);
  const [keep, { error, isLoading }] = useKeepLimitsMutation();
  const [added, setAdded] = useState('');
  const by = useSide();
  return (
    <section aria-label="What is to be spared" className="flex flex-col gap-3">
      <h2 className={large ? 'text-read font-semibold' : 'text-small'}>{large ? 'What is to be spared' : 'Hurts, and must not bear'}</h2>
      <Fetched of={fetched} rows={2}>
        {({ hurts, limits }) => (
          <>
            {hurts.length === 0 && <p className="text-reed">Nothing hurts, as far as anybody said.</p>}
            <LimitList {...{ hurts, limits, by, large }} onChange={(next) => void keep({ clientId, hurts, limits: next })} />
            {by && (
              <form
                className="flex gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  const words = added.trim();
                  if (words === '' || hurts.includes(words)) return;
                  void keep({ clientId, hurts: [...hurts, words], limits }).then((answer) => answer.error === undefined && setAdded(''));
                }}
              >
                <input
                  aria-label="Something else that hurts"
                  placeholder="Something else that hurts"
                  value={added}
                  maxLength={200}
                  onChange={({ target }) => setAdded(target.value)}
                  className={large ? `${inputClass} min-h-12` : smallInputClass}
                />
                <Button type="submit" look="plain" large={large} busy={isLoading} disabled={added.trim() === ''}>
                  <Plus size={16} aria-hidden /> Add
                </Button>
              </form>
            )}
          </>
        )}
      </Fetched>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <p className="text-small text-reed">What a clinician has said goes before anything on this page.</p>
    </section>
  );
}
