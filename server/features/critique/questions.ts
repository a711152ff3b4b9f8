import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Question, ResponseOf } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { indexWords } from '../search/index.ts';
import { postLetters } from '../letters/index.ts';
import { findRequest } from '../requests/index.ts';
import { answerLetter } from './critiqueLetters.ts';
import { getCritique } from './reading.ts';
import { changeQuestion, findCritiqueRow, findOpenQuestions, findQuestion, insertQuestion, questionOf } from './repository.ts';

/** Takes a question about a fix, a moment or an instant spoken in the version that stands, or about the whole. */
export async function askQuestion(
  house: House,
  account: Account,
  critiqueId: string,
  { id, fixId, noteId, spoken, words }: BodyOf<typeof contract.askQuestion>,
): Promise<Question> {
  const critique = await getCritique(house, account, critiqueId);
  if (fixId && !critique.fixes.some((fix) => fix.fixId === fixId)) throw new ContractError('not-found');
  if (noteId && !critique.moments.some(({ note }) => note.id === noteId)) throw new ContractError('not-found');
  const take = spoken && critique.takes[spoken.place];
  if (spoken && (!take || spoken.at > take.seconds)) throw new ContractError('not-found');
  const instant = spoken && { ...spoken, version: critique.version };
  return house.db.sequelize.transaction(async (transaction) => {
    const row = { id, critiqueId, fixId, noteId, spoken: instant, words, askedBy: account.name, askedAt: house.now() };
    await insertQuestion(house, { ...row, answer: null, answeredBy: null, answeredAt: null }, transaction);
    const kept = await findQuestion(house, id, transaction);
    await indexWords(house, { id, entry: 'question', requestId: critique.requestId, words: kept!.words, at: kept!.askedAt }, transaction);
    if (kept?.critiqueId !== critiqueId) throw new ContractError('not-valid', { message: 'This question is about another critique.' });
    return questionOf(kept);
  });
}

/** Answers a question and writes to who may read it. */
export async function answerQuestion(house: House, coach: Account, questionId: string, words: string): Promise<Question> {
  const question = await findQuestion(house, questionId);
  const critique = question && (await findCritiqueRow(house, question.critiqueId));
  const request = critique && (await findRequest(house, critique.requestId));
  if (!question || !critique || !request) throw new ContractError('not-found');
  await house.db.sequelize.transaction(async (transaction) => {
    await changeQuestion(house, questionId, { answer: words, answeredBy: coach.name, answeredAt: house.now() }, transaction);
    const found = `${question.words}\n${words}`;
    await indexWords(house, { id: questionId, entry: 'question', requestId: request.id, words: found, at: question.askedAt }, transaction);
    await postLetters(house, request.clientId, (person) => answerLetter(person, coach.name, critique.code ?? ''), transaction);
  });
  return questionOf((await findQuestion(house, questionId))!);
}

/** Questions that wait for the coach, oldest first, with whose they are and what they are about. */
export async function listOpenQuestions(house: House): Promise<ResponseOf<typeof contract.listOpenQuestions>> {
  const open = await findOpenQuestions(house);
  return {
    questions: open.map(({ clientName, fixes, ...row }) => ({
      ...questionOf(row),
      clientName,
      fixName: fixes.find(({ fixId }) => fixId === row.fixId)?.name ?? null,
    })),
  };
}
