import { NamedNumbers } from './NamedNumbers.tsx';
import { useHistoryBouts } from './useHistoryBouts.ts';
import { useHistoryNumbers } from './useHistoryNumbers.ts';

/** What a client tries, gets and concedes by name, over all of their coded bouts; nothing before something was named. */
export function ClientNames({ clientId }: { clientId: string }) {
  const bouts = useHistoryBouts(clientId);
  const named = useHistoryNumbers(bouts)?.named;
  if (!bouts || !named) return null;
  return (
    <NamedNumbers
      named={named}
      heading={
        <h2 className="mb-1 flex items-baseline justify-between text-read">
          By name
          <span className="text-desk font-normal text-reed">{bouts.length === 1 ? 'one coded bout' : `${bouts.length} coded bouts`}</span>
        </h2>
      }
    />
  );
}
