import type { Training } from '@lean-mentor/contract';
import { dayAt, dayText } from '@lean-mentor/core/queue';
import type { ClientDays } from '@lean-mentor/core/work';
import type { House } from '../../house/house.ts';
import { practiceNow } from '../practice/index.ts';
import type { PainRow } from './model.ts';
import { findPains, findTraining } from './repository.ts';

/** How a client trains and what rests, and which day it is where they are. */
export interface ClientNow {
  training: Training;
  pains: PainRow[];
  days: ClientDays;
  today: string;
}

const unsaid = (zone: string): Training => ({ days: [], zone, equipment: '', attire: null, remind: false, breaks: [] });

const daysOf = (training: Training, pains: readonly PainRow[]): ClientDays => ({
  trainingDays: training.days,
  breaks: training.breaks,
  flags: pains.map(({ part, side, raisedOn, settledOn }) => ({ part, side, fromOn: raisedOn, untilOn: settledOn })),
});

/** Of some clients. One who has not said how they train is taken to be where the coach is, and to train on any day. */
export async function clientsNow(house: House, clientIds: readonly string[]): Promise<Map<string, ClientNow>> {
  const [{ hours }, said, pains] = await Promise.all([practiceNow(house), findTraining(house, clientIds), findPains(house, clientIds)]);
  const at = house.now().getTime();
  return new Map(
    clientIds.map((id) => {
      const training = said.get(id) ?? unsaid(hours.zone);
      const own = pains.filter(({ clientId }) => clientId === id);
      return [id, { training, pains: own, days: daysOf(training, own), today: dayText(dayAt(training.zone, at)) }];
    }),
  );
}

export const clientNow = async (house: House, clientId: string): Promise<ClientNow> => (await clientsNow(house, [clientId])).get(clientId)!;
