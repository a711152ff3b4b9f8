import type { PracticeFile } from '@lean-mentor/contract';
import { clientId } from './people.ts';
import { stableId } from './stableId.ts';

type Work = NonNullable<PracticeFile['practice']>;

const planId = (name: string): string => stableId(`plan ${name}`);
const plan = (name: string, rest: Omit<Work['plans'][number], 'id' | 'name'>): Work['plans'][number] => ({
  id: planId(name),
  name,
  ...rest,
});

/** Who has which plan, and since how many days. */
const has: readonly [client: string, plan: string, days: number][] = [
  ['Ilse', 'Close', 80],
  ['Bram', 'Steady', 110],
  ['Noor', 'Close', 45],
  ['Teo', 'Steady', 20],
  ['Wen', 'Steady', 70],
  ['Petra', 'Now and then', 15],
  ['Ruben', 'Now and then', 30],
  ['Odalys', 'Steady', 9],
];

const dayBefore = (today: Date, days: number): string => new Date(today.getTime() - days * 86_400_000).toISOString().slice(0, 10);

/** How Marit works: mornings and afternoons in the week, some hours at the weekend, three plans. */
export const work = (today: Date): Work => ({
  hours: {
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    weekly: [
      ...[1, 2, 3, 4, 5].flatMap((day) => [
        { day, from: '09:00', to: '12:00' },
        { day, from: '14:00', to: '17:00' },
      ]),
      { day: 6, from: '09:00', to: '12:00' },
      { day: 7, from: '16:00', to: '18:00' },
    ],
    exceptions: [],
    stays: [],
  },
  policy: 'due-first',
  turnaround: { hours: 21, kind: 'working' },
  currency: 'EUR',
  plans: [
    plan('Close', {
      ...{ price: '95.00', extraPrice: '30.00', period: 'month', requestsPerPeriod: 8, rank: 1, includes: ['written', 'spoken'] },
      turnaround: { hours: 10, kind: 'working' },
    }),
    plan('Steady', {
      ...{ price: '45.00', extraPrice: '25.00', period: 'month', requestsPerPeriod: 4, rank: 2, includes: ['written'] },
      turnaround: { hours: 20, kind: 'working' },
    }),
    plan('Now and then', {
      ...{ price: '35.00', extraPrice: '35.00', period: 'quarter', requestsPerPeriod: 2, rank: 3, includes: ['written'] },
      turnaround: { hours: 240, kind: 'calendar' },
    }),
  ],
  memberships: has.map(([name, planName, days]) => ({
    id: stableId(`membership ${name}`),
    clientId: clientId(name),
    planId: planId(planName),
    fromOn: dayBefore(today, days),
    gifted: name === 'Odalys',
  })),
  billing: {
    ...{ fromOn: dayBefore(today, 60), daysToPay: 21, unpaidBy: [clientId('Ruben'), clientId('Teo')] },
    seller: 'Marit Osei\nHarbour Road 4\nSkerrow',
    note: 'Small business: no tax is charged. Pay from your plan’s page, or by transfer with the invoice’s number.',
  },
});
