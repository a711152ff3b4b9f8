import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Critique, Question, ResponseOf } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { indexWords } from '../search/index.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { answerVoiceKey } from '../../storage/index.ts';
import { ladderFacts } from '../fixes/index.ts';
import { postLetters } from '../letters/index.ts';
import { findRequest } from '../requests/index.ts';
import { answerLetter } from './critiqueLetters.ts';
import type { AnswerTakeRow } from './model.ts';
import { getCritique } from './reading.ts';
import { heardLog, readyVoice, takeToSend } from './spoken.ts';
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
    await insertQuestion(house, { ...row, answer: null, answerTake: null, answeredBy: null, answeredAt: null }, transaction);
    const kept = await findQuestion(house, id, transaction);
    await indexWords(house, { id, entry: 'question', requestId: critique.requestId, words: kept!.words, at: kept!.askedAt }, transaction);
    if (kept?.critiqueId !== critiqueId) throw new ContractError('not-valid', { message: 'This question is about another critique.' });
    return questionOf(kept);
  });
}

/** A take on the desk as the answer that it is now. */
async function answerOf(house: House, requestId: string, takeId: string): Promise<AnswerTakeRow> {
  const facts = await ladderFacts(house, requestId);
  const title = facts.document.takes[takeId]?.title || 'The answer';
  const { from: _, to: __, ...take } = await takeToSend(house, facts, { takeId, from: null, to: null, title });
  return { ...take, ready: false };
}

/** Answers a question, in words, with a take, or both, and writes to who may read it. */
export async function answerQuestion(
  house: House,
  coach: Account,
  questionId: string,
  { words, takeId }: BodyOf<typeof contract.answerQuestion>,
): Promise<Question> {
  const question = await findQuestion(house, questionId);
  const critique = question && (await findCritiqueRow(house, question.critiqueId));
  const request = critique && (await findRequest(house, critique.requestId));
  if (!question || !critique || !request) throw new ContractError('not-found');
  const answerTake = takeId === null ? null : await answerOf(house, request.id, takeId);
  await house.db.sequelize.transaction(async (transaction) => {
    const answered = { answer: words, answerTake, answeredBy: coach.name, answeredAt: house.now() };
    await changeQuestion(house, questionId, answered, transaction);
    const spoken = answerTake?.captions.map((caption) => caption.words) ?? [];
    const found = [question.words, words, ...spoken].join('\n');
    await indexWords(house, { id: questionId, entry: 'question', requestId: request.id, words: found, at: question.askedAt }, transaction);
    await postLetters(house, request.clientId, (person) => answerLetter(person, coach.name, critique.code ?? ''), transaction);
    if (answerTake) await enqueueJob(house, 'make-voices', critique.id, { transaction });
  });
  return questionOf((await findQuestion(house, questionId))!);
}

/** A spoken answer that the account may see. */
async function visibleAnswer(house: House, account: Account, questionId: string): Promise<{ take: AnswerTakeRow; critique: Critique }> {
  const question = await findQuestion(house, questionId);
  if (!question?.answerTake) throw new ContractError('not-found');
  return { take: question.answerTake, critique: await getCritique(house, account, question.critiqueId) };
}

export async function getAnswerTake(
  house: House,
  account: Account,
  questionId: string,
): Promise<ResponseOf<typeof contract.getAnswerTake>> {
  const { take, critique } = await visibleAnswer(house, account, questionId);
  return heardLog(house, critique.requestId, take);
}

/** Where the voice of an answer lies. */
export async function answerVoice(house: House, account: Account, questionId: string): Promise<string> {
  const { critique } = await visibleAnswer(house, account, questionId);
  return readyVoice(house, answerVoiceKey(critique.id, questionId));
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
