import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { eyeCounts, eyeTrend, ownEye } from '@lean-mentor/core/followup';
import type { House } from '../../house/house.ts';
import { findSentVersions } from '../critique/index.ts';
import { listRequestsOfClients } from '../requests/index.ts';

/** A client's own marks beside what was sent, oldest first; of requests in which they marked something. */
export async function getOwnEye(house: House, clientId: string): Promise<ResponseOf<typeof contract.getOwnEye>> {
  const requests = (await listRequestsOfClients(house, [clientId], 'client')).filter(({ clientMarks }) => clientMarks.length > 0);
  if (requests.length === 0) return { critiques: [], verdict: null };
  const sent = await findSentVersions(
    house,
    requests.map(({ id }) => id),
  );
  const eyes = sent.map(({ requestId, critiqueId, sentAt, moments, fixes }) => {
    const marks = requests.find(({ id }) => id === requestId)!.clientMarks;
    const seen = moments.map(({ note: { id, footageId, kind, athlete }, atSeconds }) => ({ id, footageId, kind, athlete, atSeconds }));
    return { critiqueId, sentAt: sentAt.toISOString(), eye: ownEye(marks, seen, fixes[0]?.noteIds ?? []) };
  });
  return {
    critiques: eyes.map(({ critiqueId, sentAt, eye: { agreed, notShared, notSeen, began } }) => ({
      ...{ critiqueId, sentAt, began },
      ...{ agreed: agreed.length, notShared: notShared.length, notSeen: notSeen.length },
    })),
    verdict: eyeTrend(eyes.map(({ eye }) => eyeCounts(eye)))?.verdict ?? null,
  };
}
