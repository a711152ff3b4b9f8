// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Fetched } from './Fetched.tsx';

afterEach(cleanup);
const show = (of: { data?: string[]; error?: unknown; refetch?: () => void }, more: object = {}) =>
  render(
    <Fetched of={of} {...more}>
      {(names) => <p>{names.join(', ')}</p>}
    </Fetched>,
  );
const fault = { code: 'busy', message: 'Too much at once.' };

describe('what is fetched', () => {
  it('is rows in its shape while it is on its way', () => {
    show({}, { rows: 2 });
    expect(screen.getByRole('status', { name: 'Loading' }).children).toHaveLength(2);
  });

  it('that could not be had says why, and is asked for again', async () => {
    const refetch = vi.fn();
    show({ error: fault, refetch }, { advice: 'Ask for a new one.' });
    expect(screen.getByRole('alert').textContent).toContain('Too much at once. Ask for a new one.');
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(refetch).toHaveBeenCalledOnce();
  });

  it('stays when a later try fails', () => {
    show({ data: ['Ada', 'Ben'], error: fault });
    expect(screen.getByText('Ada, Ben')).toBeTruthy();
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
