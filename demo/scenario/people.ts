import type { PracticeFile } from '@lean-mentor/contract';
import { stableId } from './stableId.ts';

type Client = PracticeFile['clients'][number];

/** The demo's one password; it opens nothing but made-up data on this machine. */
export const demoPassword = 'straw-and-tide';

const person = (
  name: string,
  level: number,
  bornYearsAgo: number,
  about: string,
  more: Partial<Pick<Client, 'hurts' | 'agreements'>> = {},
) => ({
  name,
  level,
  bornYearsAgo,
  about,
  hurts: more.hurts ?? [],
  agreements: more.agreements ?? [],
});

/** The people of Skerrow whom Marit Osei reviews. Levels are belts, first to fifth. */
export const people = [
  person('Ilse Tarrow', 2, 41, 'Harbour pilot. Trains where the tide lets her.', {
    hurts: ['Left knee repaired'],
    agreements: ['Short sentences; she reads between two ships.'],
  }),
  person('Bram Okonjo', 1, 29, 'Night paramedic. Trains after shifts, often tired.'),
  person('Noor Valdane', 3, 26, 'Competes in jacket, four events a year.'),
  person('Teo Abara-Lund', 1, 15, 'School team. His guardian Saga Lund sees everything first.', {
    agreements: ['No restricted techniques.', 'Saga is copied on everything.'],
  }),
  person('Wen Halloran', 4, 52, 'Boatbuilder. Wants to train for another thirty years.', { hurts: ['Stiff neck: no stacking, no cranks'] }),
  person('Petra Nkemelu', 1, 33, 'Net maker.', { agreements: ['Deaf: every word written, nothing spoken only.'] }),
  person('Ruben Castellane', 2, 31, 'Crane driver, very tall. Looks for frames that fit his length.'),
  person('Odalys Fenn', 2, 38, 'Back after two years away.', { agreements: ['Slow first month; ask about sleep.'] }),
];

const firstName = (name: string): string => name.split(' ')[0]!.toLowerCase();
export const clientId = (name: string): string => stableId(`client ${firstName(name)}`);

export const clients = (today: Date): Client[] =>
  people.map(({ bornYearsAgo, ...rest }) => ({
    ...rest,
    id: clientId(rest.name),
    limits: [],
    bornOn: `${today.getUTCFullYear() - bornYearsAgo}-01-15`,
  }));

const account = (name: string, role: PracticeFile['accounts'][number]['role'], clientIds: string[]): PracticeFile['accounts'][number] => ({
  id: stableId(`account ${firstName(name)}`),
  name,
  email: `${firstName(name)}@skerrow.example`,
  password: demoPassword,
  role,
  clientIds,
});

export const accounts: PracticeFile['accounts'] = [
  account('Marit Osei', 'coach', []),
  account('Jonas Wray', 'assistant', []),
  ...people.map(({ name }) => account(name, 'client', [clientId(name)])),
  account('Saga Lund', 'guardian', [clientId('Teo Abara-Lund')]),
];
