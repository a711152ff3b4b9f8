import type { Account, IntakeDraft } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { beginDraft, saveDraft } from '../requests/index.ts';
import type { WorkDoneRow, WorkRow } from './model.ts';
import { findDone, findWork, markSentAs } from './repository.ts';

interface Named {
  clientId: string;
  workId: string;
  doneWorkId: string;
}

/** What is known of a positional round before its footage is. */
function intakeOf({ id, terms }: WorkRow, done: WorkDoneRow): IntakeDraft {
  if (terms.kind !== 'round')
    throw new ContractError('not-valid', { message: 'Only a positional round is sent with its counts. Send this as sparring.' });
  const { rounds } = done.entry;
  const partner = rounds[0]?.partner ?? terms.wanted;
  const test = { ...terms.test, start: { ...terms.test.start }, ways: terms.test.ways.map((way) => ({ ...way })) };
  return {
    kind: 'positional',
    round: {
      ...{ workId: id, doneWorkId: done.id, name: terms.name, test },
      rounds: rounds.map((round) => ({ ...round, partner: { ...round.partner }, presses: round.presses.map((press) => ({ ...press })) })),
    },
    lengthMinutes: terms.test.minutes,
    ...{ partnerLevel: partner.level, partnerSize: partner.size },
  };
}

/** Begins to send footage of a round that was done; one that was begun already is gone on with. */
export async function sendRound(house: House, account: Account, { clientId, workId, doneWorkId }: Named): Promise<{ requestId: string }> {
  const work = (await findWork(house, [clientId])).find(({ id }) => id === workId);
  const done = work && (await findDone(house, [workId])).find(({ id }) => id === doneWorkId);
  if (!work || !done) throw new ContractError('not-found');
  if (done.requestId) return { requestId: done.requestId };
  const intake = intakeOf(work, done);
  const { id: requestId } = await beginDraft(house, account, clientId);
  await saveDraft(house, account, requestId, { step: 'footage', intake });
  await markSentAs(house, doneWorkId, requestId);
  return { requestId };
}
