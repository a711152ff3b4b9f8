// @vitest-environment jsdom
import { limitsOf, proposedLimits, type Limit } from '@lean-mentor/core/care';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { LimitList } from './LimitList.tsx';

afterEach(cleanup);

const words = 'Right shoulder still sore, no cranks';
const show = (limits: Limit[], by: 'coach' | 'client' | null = 'coach') => {
  const onChange = vi.fn<(limits: Limit[]) => void>();
  render(<LimitList hurts={[words]} {...{ limits, by, onChange }} />);
  return onChange;
};
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));

describe('what hurts somebody', () => {
  it('shows what its words propose until somebody looks, and is agreed to by one press', async () => {
    const onChange = show([]);
    expect(screen.getByText('right shoulder: twisted')).toBeTruthy();
    expect(screen.getByText('read from the words, nobody has looked yet')).toBeTruthy();
    await press('That is right');
    expect(onChange).toHaveBeenCalledWith(proposedLimits(words));
  });

  it('says who has agreed, and asks only who has not', () => {
    show(proposedLimits(words).map((one) => ({ ...one, byCoach: true })));
    expect(screen.getByText('looked at by the coach')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'That is right' })).toBeNull();
  });

  it('names nothing to be spared once that was said, and proposes nothing of its own any more', async () => {
    const onChange = show([]);
    await press('Say it more closely');
    await press('This need not be spared');
    const [left] = onChange.mock.calls.at(-1)!;
    expect(limitsOf([words], left)).toEqual([]);
    cleanup();
    show(left);
    expect(screen.getByText('Nothing to spare.')).toBeTruthy();
  });

  it('is only read by who has no say in it', () => {
    show([], null);
    expect(screen.queryByRole('button')).toBeNull();
  });
});
