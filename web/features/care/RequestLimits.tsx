import type { Request } from '@lean-mentor/contract';
import { linesOf } from '@lean-mentor/core/care';
import { LimitList } from '../../shared/care/index.ts';
import { FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useKeepRequestLimitsMutation } from './api.ts';
import { useSide } from './useSide.ts';

interface RequestLimitsProps {
  request: Pick<Request, 'id' | 'state' | 'hurtsToday' | 'partnerHurts' | 'limits'>;
  /** On the client’s own phone. */
  large?: boolean;
}

/** What was read from what a request says hurts that day, and hurts the partner, to be agreed on by both; nothing where it says nothing. */
export function RequestLimits({ request, large = false }: RequestLimitsProps) {
  const [keep, { error }] = useKeepRequestLimitsMutation();
  const by = useSide();
  const { id: requestId, limits } = request;
  const said = [
    { whose: 'own', title: 'That day', hurts: linesOf(request.hurtsToday) },
    { whose: 'partner', title: 'The partner', hurts: linesOf(request.partnerHurts) },
  ] as const;
  if (said.every(({ hurts }) => hurts.length === 0)) return null;
  return (
    <section aria-label="To be spared because of it" className="flex flex-col gap-3">
      {said.map(
        ({ whose, title, hurts }) =>
          hurts.length > 0 && (
            <div key={whose} className="flex flex-col gap-2">
              <h2 className={large ? 'text-read font-semibold' : 'text-small'}>To be spared: {title.toLowerCase()}</h2>
              <LimitList
                {...{ hurts, large }}
                by={request.state === 'withdrawn' ? null : by}
                limits={limits[whose]}
                onChange={(next) => void keep({ requestId, ...limits, [whose]: next })}
              />
            </div>
          ),
      )}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </section>
  );
}
