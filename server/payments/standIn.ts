import type { StandInKey } from '@lean-mentor/contract';
import { ContractError } from '../house/contractError.ts';
import type { House } from '../house/house.ts';
import type { StandInRow } from './model.ts';
import type { PaymentEvent, PaymentProvider } from './provider.ts';
import { changeStandIn, findStandIn, insertStandIn, lockStandIn } from './repository.ts';

const day = 86_400_000;
/** Money that is late comes after so long, in ms. */
const lateMs = 3 * day;

/** What each key makes happen, and after how long. */
const outcomes: Record<StandInKey, readonly { kind: PaymentEvent['kind']; afterMs: number }[]> = {
  pays: [{ kind: 'paid', afterMs: 0 }],
  fails: [{ kind: 'failed', afterMs: 0 }],
  'is-late': [
    { kind: 'on-its-way', afterMs: 0 },
    { kind: 'paid', afterMs: lateMs },
  ],
  'charges-back': [{ kind: 'charged-back', afterMs: 0 }],
};

/** What a payment can be told now: one that came can only be charged back, and one that failed can be tried again. */
function keysOf({ told }: StandInRow): StandInKey[] {
  const last = told.at(-1)?.key;
  if (last === 'pays' || last === 'is-late') return ['charges-back'];
  return last === 'charges-back' ? [] : ['pays', 'fails', 'is-late'];
}

const eventsOf = ({ reference, amount, told }: StandInRow, nowAt: number): PaymentEvent[] =>
  told
    .flatMap(({ key, at }, i) =>
      outcomes[key].map(({ kind, afterMs }) => ({
        ...{ id: `${reference}/${i}/${kind}`, kind, amount },
        at: new Date(Date.parse(at) + afterMs),
      })),
    )
    .filter(({ at }) => at.getTime() <= nowAt);

/** A payment service that moves no money: who pays tells it by a key what happens. */
export const standIn = (house: House): PaymentProvider => ({
  name: 'stand-in',
  begin: async ({ paymentId, amount, currency, words }) => {
    await insertStandIn(house, { reference: paymentId, amount, currency, words, told: [] });
    return { reference: paymentId, page: `/pay/${paymentId}` };
  },
  news: async (reference) => {
    const row = await findStandIn(house, reference);
    return row ? eventsOf(row, house.now().getTime()) : [];
  },
});

/** What the stand-in's page shows of a payment. */
export async function showStandIn(house: House, reference: string) {
  const row = await findStandIn(house, reference);
  if (!row) throw new ContractError('not-found');
  return { amount: row.amount, currency: row.currency, words: row.words, told: row.told.map(({ key }) => key), keys: keysOf(row) };
}

/** Tells the stand-in what happens with a payment. */
export const pressStandIn = (house: House, reference: string, key: StandInKey): Promise<void> =>
  house.db.sequelize.transaction(async (transaction) => {
    const row = await lockStandIn(house, reference, transaction);
    if (!row) throw new ContractError('not-found');
    if (!keysOf(row).includes(key)) throw new ContractError('not-now', { message: 'That cannot happen with this payment any more.' });
    await changeStandIn(house, reference, [...row.told, { key, at: house.now().toISOString() }], transaction);
  });
