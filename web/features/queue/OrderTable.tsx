import { orderPolicies, type OrderPolicy } from '@lean-mentor/core/queue';
import { RadioGroup } from 'radix-ui';
import { Button } from '../../shared/primitives/index.ts';
import type { Schedules } from './useSchedule.ts';
import { handWords, manyWords, policyWords, spanWords } from './words.ts';

const hour = 3_600_000;

interface OrderTableProps {
  schedules: Schedules;
  kept: OrderPolicy;
  looked: OrderPolicy;
  mayKeep: boolean;
  onLook: (policy: OrderPolicy) => void;
  onKeep: () => void;
}

/** Every order and what it leads to; the one that is looked at is drawn in the list and on the day. */
export function OrderTable({ schedules, kept, looked, mayKeep, onLook, onKeep }: OrderTableProps) {
  const here = schedules[looked];
  return (
    <section aria-label="The order" className="mb-6">
      <RadioGroup.Root
        aria-label="The order"
        value={looked}
        onValueChange={(value) => onLook(value as OrderPolicy)}
        className="border-y border-seam"
      >
        <div aria-hidden className="grid grid-cols-[minmax(0,1fr)_5rem_7rem_7rem_7rem] gap-x-4 py-1 text-right text-small text-reed">
          <span className="text-left">Order</span>
          <span>late</span>
          <span>lateness</span>
          <span>mean wait</span>
          <span>longest</span>
        </div>
        {orderPolicies.map((policy) => {
          const forecast = schedules[policy]?.forecast;
          const figures = forecast && [
            manyWords(forecast.numberLate),
            forecast.weightedLatenessHours < 0.05 ? '–' : `${forecast.weightedLatenessHours.toFixed(1)} h`,
            spanWords(forecast.meanWaitHours * hour),
            spanWords(forecast.longestWaitHours * hour),
          ];
          return (
            <RadioGroup.Item
              key={policy}
              value={policy}
              title={policyWords[policy].what}
              data-policy={policy}
              className="grid w-full grid-cols-[minmax(0,1fr)_5rem_7rem_7rem_7rem] gap-x-4 border-t border-seam py-1 text-right hover:bg-linen data-[state=checked]:bg-linen data-[state=checked]:font-semibold"
            >
              <span className="flex items-center gap-2 text-left">
                <span aria-hidden className={`h-3 w-1 ${policy === looked ? 'bg-pine' : 'bg-transparent'}`} />
                {policyWords[policy].name}
                {policy === kept && <span className="font-normal text-reed">in use</span>}
              </span>
              {(figures ?? ['…', '…', '…', '…']).map((words, i) => (
                <span key={i} className="time">
                  {words}
                </span>
              ))}
            </RadioGroup.Item>
          );
        })}
      </RadioGroup.Root>
      <div className="mt-2 flex min-h-8 items-center gap-4 text-small text-reed">
        <p className="grow">
          {here?.withoutPlaces
            ? handWords(here.forecast, here.withoutPlaces)
            : `${policyWords[looked].what} Means over 2,000 drawn weeks; lateness is weighted by plan.`}
        </p>
        {looked !== kept && mayKeep && <Button onClick={onKeep}>Keep this order</Button>}
        {looked !== kept && (
          <Button look="quiet" onClick={() => onLook(kept)}>
            Back to the one in use
          </Button>
        )}
      </div>
    </section>
  );
}
