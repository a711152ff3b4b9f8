// @vitest-environment jsdom
import type { ClientThread, Question } from '@lean-mentor/contract';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { PositionBars } from '../followup/index.ts';
import { QuestionList } from './QuestionList.tsx';
import { ThreadLine } from './ThreadLine.tsx';

afterEach(cleanup);

const point = (requestId: string, count: number, exposure: number, given: boolean): ClientThread['points'][number] => ({
  requestId,
  sentAt: '2026-01-01T00:00:00.000Z',
  given,
  count,
  exposure,
  value: exposure > 0 ? count / exposure : null,
  interval: exposure > 0 ? [0, null] : null,
});
const thread: ClientThread = {
  principleId: 'p',
  name: 'Elbow in',
  cue: 'Elbow to rib.',
  counts: 'rate',
  chances: '',
  state: 'back-again',
  closedAt: null,
  points: [point('r1', 8, 2, true), point('r2', 0, 0, false), point('r3', 1, 2, false)],
  verdict: 'better',
  ratio: 0.125,
  interval: [0.01, 0.7],
  neededMinutes: null,
  neededChances: null,
  practice: [],
  knowing: { right: 0, asked: 0 },
};
const show = (more: Partial<ClientThread> = {}, onClose: ((closed: boolean) => void) | null = null) =>
  render(
    <MemoryRouter>
      <ul>
        <ThreadLine thread={{ ...thread, ...more }} requests={['r1', 'r2', 'r3']} critiqueOf={new Map([['r1', 'c1']])} onClose={onClose} />
      </ul>
    </MemoryRouter>,
  );

describe('a thread', () => {
  it('is told to whoever does not see the picture', () => {
    show();
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Elbow in: 8 in 2.0 min; nothing to count against; 1 in 2.0 min');
    expect(screen.getByText(/Back again\./)).toBeTruthy();
  });

  it('draws what was counted, hollow where it was sent as a fix, and leaves out what had nothing to count against', () => {
    const { container } = show();
    const circles = [...container.querySelectorAll('circle')];
    expect(circles.map((circle) => circle.classList.contains('fill-straw'))).toEqual([true, false]);
    // One column of 76 px for each request, whether it counts or not.
    expect(circles.map((circle) => circle.getAttribute('cx'))).toEqual(['38', '190']);
    expect(Number(circles[0]!.getAttribute('cy'))).toBeLessThan(Number(circles[1]!.getAttribute('cy')));
  });

  it('leads from each point to its critique', () => {
    show();
    expect(screen.getByRole('link', { name: '8 in 2.0 min' }).getAttribute('href')).toBe('/critiques/c1');
  });

  it('is closed and opened again by whoever may', async () => {
    const onClose = vi.fn();
    show({}, onClose);
    await userEvent.click(screen.getByRole('button', { name: /^Close it/ }));
    expect(onClose).toHaveBeenCalledWith(true);
    cleanup();
    show({ closedAt: '2026-02-01T00:00:00.000Z' }, onClose);
    await userEvent.click(screen.getByRole('button', { name: /^Open it again/ }));
    expect(onClose).toHaveBeenLastCalledWith(false);
    cleanup();
    show();
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('where the time went', () => {
  const request = {
    requestId: 'r',
    sentAt: '2026-01-05T00:00:00.000Z',
    minutes: 2,
    time: [
      { position: 'mount', holder: 'client', seconds: 60 },
      { position: 'half-guard', holder: 'partner', seconds: 30 },
      { position: 'standing', holder: null, seconds: 30 },
    ],
  } as const;

  it('is shared out between the two, and said in words', () => {
    render(<PositionBars positions={[{ ...request, time: [...request.time] }]} />);
    const parts = within(screen.getAllByRole('listitem')[0]!).getAllByRole('img');
    expect(parts.map((part) => part.getAttribute('aria-label'))).toEqual([
      '50 % holding a pin or the back',
      '25 % even',
      '25 % playing guard',
    ]);
  });

  it('says what to do where nothing is coded', () => {
    render(<PositionBars positions={[{ ...request, time: [] }]} />);
    expect(screen.getByText(/once they are coded on the desk/)).toBeTruthy();
  });
});

it('questions stand with their answers, or with the word that they wait', () => {
  const question = {
    id: 'q',
    critiqueId: 'c',
    fixId: 'f',
    noteId: null,
    spoken: null,
    words: 'Which hand?',
    askedBy: 'Ada',
    askedAt: '2026-01-05T00:00:00.000Z',
    answer: null,
    answerTake: null,
    answeredBy: null,
    answeredAt: null,
  } satisfies Question;
  const critique = {
    id: 'c',
    requestId: 'r',
    sentAt: '',
    readAt: null,
    version: 1,
    opening: '',
    openQuestions: 1,
    fixes: [{ position: 1, fixId: 'f', principleId: null, name: 'Elbow in', noteIds: [] }],
  };
  render(
    <MemoryRouter>
      <QuestionList questions={[question, { ...question, id: 'q2', answer: 'The lower one.' }]} critiques={[critique]} />
    </MemoryRouter>,
  );
  expect(screen.getAllByText(/about Elbow in/)).toHaveLength(2);
  expect(screen.getByText('Waits for an answer')).toBeTruthy();
  expect(screen.getByText('The lower one.')).toBeTruthy();
});
