import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { keepLimits, limitsOfClient } from './limits.ts';
import { changeClientRow, countRequestsByClient, findClients } from './repository.ts';

export const clientHandlers: Handlers<typeof rooms.clients> = {
  listClients: async (house) => {
    const [clients, counts] = await Promise.all([findClients(house), countRequestsByClient(house)]);
    return { clients: clients.map((client) => ({ ...client, ...(counts.get(client.id) ?? { requests: 0, waiting: 0 }) })) };
  },

  changeClient: async (house, { params, body }) => {
    await changeClientRow(house, params.clientId, () => body);
    return { done: true } as const;
  },

  getLimits: (house, { params }) => limitsOfClient(house, params.clientId),

  keepLimits: async (house, { params, body, account }) => {
    await keepLimits(house, account, params.clientId, body);
    return { done: true } as const;
  },
};
