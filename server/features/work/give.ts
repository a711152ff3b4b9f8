import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Client, ResponseOf } from '@lean-mentor/contract';
import { ruleSheets, type RuleSheet } from '@lean-mentor/core/scoring';
import { limitsOf } from '@lean-mentor/core/care';
import { barredFor, clinicianFirst, isSameTest, loadWords, proposeWork as proposedFor, type WorkClient } from '@lean-mentor/core/work';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { findClip, findDrills, findPrinciples } from '../book/index.ts';
import { ageOfConsent, findClient, isMinor } from '../clients/index.ts';
import { postLetters } from '../letters/index.ts';
import { listRequestsOfClients } from '../requests/index.ts';
import { workLetter } from './letters.ts';
import { changeWork, findDone, insertWork, lockWork } from './repository.ts';
import { clientNow, type ClientNow } from './training.ts';

const refused = (message: string, field?: string): ContractError =>
  new ContractError('not-valid', { message, ...(field && { fields: [{ field, why: message }] }) });

export async function clientOr404(house: House, clientId: string): Promise<Client> {
  const client = await findClient(house, clientId);
  if (!client) throw new ContractError('not-found');
  return client;
}

const workClientOf = (client: Client, { training, pains }: ClientNow): WorkClient => ({
  ...client,
  limits: limitsOf(client.hurts, client.limits),
  flags: pains.filter(({ settledAt }) => settledAt === null),
  equipment: training.equipment,
  attire: training.attire,
});

/** Under which rules a client trains: those of what they sent last; the open mat's where they sent nothing yet. */
async function sheetOf(house: House, clientId: string): Promise<RuleSheet> {
  const [last] = await listRequestsOfClients(house, [clientId], 'coaching');
  return ruleSheets[last?.ruleSheet ?? 'open-mat'];
}

export async function proposeWork(house: House, clientId: string, principleId: string): Promise<ResponseOf<typeof contract.proposeWork>> {
  const [client, now, principles, drills, sheet] = await Promise.all([
    clientOr404(house, clientId),
    clientNow(house, clientId),
    findPrinciples(house),
    findDrills(house),
    sheetOf(house, clientId),
  ]);
  const principle = principles.find(({ id }) => id === principleId);
  if (!principle) throw new ContractError('not-found');
  const proposals = proposedFor(principle, drills, workClientOf(client, now), sheet);
  return { proposals: JSON.parse(JSON.stringify(proposals)) as ResponseOf<typeof contract.proposeWork>['proposals'] };
}

type Given = BodyOf<typeof contract.giveWork>;

/** Nothing is given to a minor before a guardian has agreed here: they are told of it and may say no. */
function requireGuardian(client: Client): void {
  if (isMinor(client) && client.guardianName === null)
    throw refused(`${client.name} is under ${ageOfConsent} and no guardian has agreed here yet. Work can be given once one has.`);
}

/**
 * Refuses everything before a clinician was asked where one has to be, what nobody of this client's age may be given, and without a reason
 * what loads a part that hurts.
 */
function requireCare(client: WorkClient, { terms, care }: Given, sheet: RuleSheet): void {
  const barred = clinicianFirst(client) ?? barredFor(client, terms, sheet);
  if (barred) throw refused(barred);
  const loads = loadWords(terms, client);
  if (loads.length > 0 && care === '')
    throw refused(`It loads what hurts ${client.name}: ${loads.join(', ')}. Say why it is given all the same, or choose another.`, 'care');
}

async function requireThere(house: House, { principleId, terms }: Given): Promise<void> {
  if (principleId && !(await findPrinciples(house)).some(({ id }) => id === principleId)) throw new ContractError('not-found');
  for (const clipId of terms.clipIds)
    if ((await findClip(house, clipId))?.state !== 'ready')
      throw refused('One of these clips is not ready, or gone. Take it out.', 'clipIds');
}

/** Gives work, or changes it. Whoever it is for is told of new work, with their guardian. */
export async function giveWork(
  house: House,
  account: Account,
  { clientId, workId }: { clientId: string; workId: string },
  given: Given,
): Promise<{ revision: number }> {
  const [client, now, sheet] = await Promise.all([clientOr404(house, clientId), clientNow(house, clientId), sheetOf(house, clientId)]);
  requireGuardian(client);
  requireCare(workClientOf(client, now), given, sheet);
  await requireThere(house, given);
  const { revision, terms, fromOn, care, principleId, requestId } = given;
  const requests = requestId ? await listRequestsOfClients(house, [clientId], 'coaching') : [];
  if (requestId && !requests.some(({ id }) => id === requestId)) throw new ContractError('not-found');
  return house.db.sequelize.transaction(async (transaction) => {
    const before = await lockWork(house, workId, transaction);
    if (before && before.clientId !== clientId) throw new ContractError('not-found');
    if ((before?.revision ?? 0) !== revision) throw new ContractError('changed-meanwhile');
    if (before && !isSameTest(before.terms, terms) && (await findDone(house, [workId], transaction)).length > 0)
      throw refused(
        'It was done already, and what was counted would be of something else. Start, ends, minutes and places stay; end it and give it anew to change them.',
      );
    const fields = { principleId, requestId, terms, fromOn, care, revision: revision + 1 };
    if (before) await changeWork(house, workId, fields, transaction);
    else {
      await insertWork(
        house,
        {
          ...{ id: workId, clientId, ...fields, givenBy: account.name, givenAt: house.now() },
          ...{ endedOn: null, endedWhy: null, endedWords: '', remindedOn: null, verdict: null },
        },
        transaction,
      );
      await postLetters(house, clientId, (person) => workLetter(person, client.name, account.name, terms.name, fromOn), transaction);
    }
    return { revision: revision + 1 };
  });
}

/** Ends work from today on, or lets it go on. */
export async function endWork(
  house: House,
  { clientId, workId }: { clientId: string; workId: string },
  { ended, words }: BodyOf<typeof contract.endWork>,
): Promise<void> {
  const { today } = await clientNow(house, clientId);
  await house.db.sequelize.transaction(async (transaction) => {
    const row = await lockWork(house, workId, transaction);
    if (!row || row.clientId !== clientId) throw new ContractError('not-found');
    const fields = ended
      ? ({ endedOn: row.endedOn ?? today, endedWhy: 'coach', endedWords: words } as const)
      : { endedOn: null, endedWhy: null, endedWords: '' };
    await changeWork(house, workId, { ...fields, revision: row.revision + 1 }, transaction);
  });
}
