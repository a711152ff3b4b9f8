import { getClientWork } from '@lean-mentor/contract';
import { describe, expect, it } from 'vitest';
import { asOfNow } from './asOfNow.ts';
import type { Unsent } from './workShelves.ts';

const [workId, clientId] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002'];
const answer = getClientWork.response.parse({
  today: '2026-09-07',
  training: { days: [1, 3, 5], zone: 'UTC', equipment: '', attire: null, remind: false, breaks: [] },
  pains: [],
  work: [
    {
      ...{
        id: workId,
        principleId: null,
        principleName: null,
        requestId: null,
        fromOn: '2026-09-07',
        givenBy: 'Cora',
        givenAt: '2026-09-06T10:00:00Z',
      },
      terms: {
        ...{
          kind: 'drill',
          name: 'Shin wall',
          cue: '',
          how: '',
          caution: 'general',
          loads: [{ part: 'knee', side: null }],
          techniques: [],
        },
        ...{ equipment: '', weeks: 4, timesPerWeek: 2, clipIds: [], partner: 'alone', minutes: 3 },
      },
      ...{
        endedOn: null,
        endedWhy: null,
        endedWords: '',
        revision: 1,
        state: 'going',
        stoppedBy: [],
        dates: ['2026-09-07'],
        clips: [],
        done: [],
        retests: [],
      },
    },
  ],
});
const entered = (doneOn: string, pains: Unsent['body']['pains'] = []): Unsent => ({
  ...{ clientId, workId, doneWorkId: '00000000-0000-4000-8000-000000000003' },
  body: { doneOn, rounds: [], felt: null, line: '', pains },
});
const now = (waiting: Unsent[], today: string) => asOfNow(answer, waiting, today).work[0]!;

describe('work on a phone that was without a network for days', () => {
  it('that was missed meanwhile is due on the next day of training', () => {
    expect(now([], '2026-09-08').dates[0]).toBe('2026-09-09');
    expect(now([], '2026-09-09')).toMatchObject({ state: 'going' });
    expect(now([], '2026-09-18').state).toBe('missed');
  });

  it('that was done and not sent yet is not due again today', () => {
    expect(now([entered('2026-09-07')], '2026-09-07').dates[0]).toBe('2026-09-11');
  });

  it('rests as soon as pain was told, sent or not', () => {
    const hurt = now([entered('2026-09-07', [{ part: 'knee', side: 'left', words: '' }])], '2026-09-07');
    expect(hurt).toMatchObject({ state: 'stopped', dates: [], stoppedBy: [{ part: 'knee', side: 'left' }] });
    expect(now([entered('2026-09-07', [{ part: 'hand', side: null, words: '' }])], '2026-09-07').state).toBe('going');
  });
});
