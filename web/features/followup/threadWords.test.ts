import type { ClientThread } from '@lean-mentor/contract';
import { expect, it } from 'vitest';
import { knowingWords, pointWords, practiceWords, verdictWords } from './threadWords.ts';

const point = (count: number, exposure: number): ClientThread['points'][number] => ({
  requestId: 'r',
  sentAt: '2026-01-01T00:00:00.000Z',
  given: true,
  count,
  exposure,
  value: exposure > 0 ? count / exposure : null,
  interval: null,
});
const thread = (more: Partial<ClientThread>): ClientThread => ({
  principleId: 'p',
  name: 'Elbow in',
  cue: '',
  counts: 'rate',
  chances: '',
  state: 'working',
  closedAt: null,
  points: [point(8, 2), point(1, 2)],
  verdict: 'better',
  ratio: 0.125,
  interval: [0.01, 0.7],
  neededMinutes: null,
  neededChances: null,
  practice: [],
  knowing: { right: 0, asked: 0 },
  ...more,
});

it.each([
  [{}, 'Better than at first (0.13 times the first; 90 % interval 0.01 to 0.70).'],
  [{ verdict: 'worse', ratio: 12, interval: [2, null] }, 'Worse than at first (12 times the first; 90 % interval 2.0 to any).'],
  [{ counts: 'chance', ratio: 3 }, 'Better than at first (3.0 times the odds at first; 90 % interval 0.01 to 0.70).'],
  [{ points: [point(8, 2)] }, 'Seen in one request so far. The next one will say whether it moves.'],
  [
    { verdict: 'too-little', neededMinutes: 12 },
    'Too little mat time in the last request to tell. In each of two requests about 12 minutes in these positions would show a halving.',
  ],
  [{ verdict: 'too-little' }, 'Too little mat time in the last request to tell.'],
] as const)('%j is said in a sentence', (more, words) => {
  expect(verdictWords(thread(more as unknown as Partial<ClientThread>))).toBe(words);
});

it('a point is said as it was counted', () => {
  expect(pointWords({ counts: 'rate' }, point(3, 2.14))).toBe('3 in 2.1 min');
  expect([pointWords({ counts: 'chance' }, point(1, 4)), pointWords({ counts: 'chance' }, point(0, 0))]).toEqual([
    '1 of 4',
    'no chance came',
  ]);
});

it('practice and sparring stand beside one another and are never added', () => {
  const test = (doneOn: string, successes: number, chances: number) => ({ sessionId: doneOn, doneOn, counted: { successes, chances } });
  const tests = [test('2026-01-01', 3, 11), test('2026-01-05', 5, 9), test('2026-01-09', 7, 12)];
  const practice: ClientThread['practice'] = [{ workId: 'w', name: 'Mount', place: 'own', level: 'same', tests, trend: null }];
  expect(practiceWords(thread({ practice }))).toBe('In practice 3 of 11, then 7 of 12; in sparring not yet.');
  expect(practiceWords(thread({ practice, state: 'holding' }))).toBe('In practice 3 of 11, then 7 of 12; in sparring too.');
  expect(practiceWords(thread({ practice: [{ ...practice[0]!, tests: tests.slice(0, 1) }] }))).toBe(
    'In practice 3 of 11; in sparring not yet.',
  );
  expect(practiceWords(thread({}))).toBe('');
});

it.each([
  [0, 0, 'working', ''],
  [1, 1, 'working', 'Asked once what you would do, you chose your coach’s way; on the mat not yet.'],
  [1, 1, 'holding', 'Asked once what you would do, you chose your coach’s way; on the mat too.'],
  [0, 1, 'new', 'Asked once what you would do, you chose another way than your coach.'],
  [2, 2, 'new', 'Asked twice what you would do, you chose your coach’s way twice; on the mat not yet.'],
  [1, 3, 'better', 'Asked 3 times what you would do, you chose your coach’s way once.'],
] as const)('what is known stands apart from what is done: %i of %i, %s', (right, asked, state, words) => {
  expect(knowingWords({ knowing: { right, asked }, state }, 'client')).toBe(words);
  expect(knowingWords({ knowing: { right, asked }, state }, 'coach')).toBe(
    words.replaceAll('you ', 'they ').replaceAll(/your coach/g, 'the coach'),
  );
});
