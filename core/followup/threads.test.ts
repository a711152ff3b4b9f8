import { describe, expect, it } from 'vitest';
import { fixThread, fixThreads, type ThreadRequest } from './threads.ts';

const request = (i: number, mistakes: number, more: Partial<ThreadRequest> = {}): ThreadRequest => ({
  requestId: `r${i}`,
  sentAt: `2026-0${i}-01T00:00:00.000Z`,
  notes: Array.from({ length: mistakes }, () => ({ principleId: 'p', kind: 'mistake', athlete: 'client' })),
  time: [{ position: 'mount', holder: 'client', seconds: 120, share: 1 }],
  minutes: 6,
  sent: [],
  ...more,
});
const byTime = { id: 'p', where: [{ position: 'mount', role: 'holder' }], chances: '' } as const;
const principle = { ...byTime, where: [...byTime.where] };

describe('a thread', () => {
  it('begins where it first came up, and counts against the time in its positions', () => {
    const thread = fixThread(principle, [request(1, 0), request(2, 8, { sent: ['p'] }), request(3, 1)]);
    expect(thread.points.map(({ requestId, count, exposure, given }) => [requestId, count, exposure, given])).toEqual([
      ['r2', 8, 2, true],
      ['r3', 1, 2, false],
    ]);
    // 8 against 1 in equal time: one-sided binomial p = (1 + 9) ÷ 2⁹ = 0.0195, ratio 1 ÷ 8.
    expect(thread.progress.pOneSided).toBeCloseTo(10 / 512, 12);
    expect([thread.progress.verdict, thread.state, thread.counts]).toEqual(['better', 'better', 'rate']);
  });

  it('that counts chances takes good moments against all of them', () => {
    const notes = (good: number, wrong: number): ThreadRequest['notes'] => [
      ...Array.from({ length: good }, () => ({ principleId: 'p', kind: 'good' as const, athlete: 'client' as const })),
      ...Array.from({ length: wrong }, () => ({ principleId: 'p', kind: 'missed-chance' as const, athlete: 'client' as const })),
    ];
    const thread = fixThread({ ...principle, chances: 'lifted' }, [
      request(1, 0, { notes: notes(1, 3) }),
      request(2, 0, { notes: notes(3, 1) }),
    ]);
    expect(thread.points.map(({ count, exposure, value }) => [count, exposure, value])).toEqual([
      [1, 4, 0.25],
      [3, 4, 0.75],
    ]);
    // Fisher's exact test of 3 of 4 against 1 of 4, one-sided: (16 + 1) ÷ 70.
    expect(thread.progress.pOneSided).toBeCloseTo(17 / 70, 12);
    expect(thread.progress.verdict).toBe('too-little');
  });

  it('shows a request without exposure and does not compare it', () => {
    const thread = fixThread({ ...principle, chances: 'lifted' }, [request(1, 2), request(2, 0, { notes: [] }), request(3, 1)]);
    expect(thread.points.map(({ value }) => value)).toEqual([0, null, 0]);
  });

  it('leaves out the partner’s notes', () => {
    const notes = [{ principleId: 'p', kind: 'mistake', athlete: 'partner' }] as const;
    expect(fixThread(principle, [request(1, 1), request(2, 0, { notes })]).points[1]!.count).toBe(0);
  });
});

it('the threads of a client are what was sent, the last given first', () => {
  const requests = [request(1, 1, { sent: ['p', 'q'] }), request(2, 1, { sent: ['p'] })];
  const others = ['q', 'p', 'never'].map((id) => ({ ...principle, id }));
  expect(fixThreads(others, requests).map(({ principleId }) => principleId)).toEqual(['p', 'q']);
});
