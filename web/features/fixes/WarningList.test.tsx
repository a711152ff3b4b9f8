// @vitest-environment jsdom
import type { FixWarning } from '@lean-mentor/core/fixes';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { LadderControls } from './useLadder.ts';
import { harmWords } from './partWords.ts';
import { WarningList } from './WarningList.tsx';

afterEach(cleanup);

const hurt: FixWarning = { kind: 'hurt', principleId: 'p', words: '“Hide the heel” asks something of the knee.', offers: [] };
const stuck: FixWarning = { kind: 'stuck', principleId: 'q', words: 'Given 3 times.', offers: ['If he stands: hook', 'Shrimp'] };
const handOf = (warnings: FixWarning[], overrides: { principleId: string; kind: FixWarning['kind']; reason: string }[] = []) => {
  const change = vi.fn();
  return { deciding: { warnings, choice: { overrides }, change } as unknown as LadderControls, change };
};

it('a clash is accepted with a reason, and only with one', async () => {
  const { deciding, change } = handOf([hurt]);
  render(<WarningList deciding={deciding} />);
  const accept = screen.getByRole<HTMLButtonElement>('button', { name: 'Accept it' });
  expect(accept.disabled).toBe(true);
  await userEvent.type(screen.getByRole('textbox'), '  Her clinician agreed. ');
  await userEvent.click(accept);
  expect(change).toHaveBeenCalledWith({ overrides: [{ principleId: 'p', kind: 'hurt', reason: 'Her clinician agreed.' }] });
});

it('what was accepted stands with its reason, and can be thought over', async () => {
  const { deciding, change } = handOf([hurt], [{ principleId: 'p', kind: 'hurt', reason: 'Agreed.' }]);
  render(<WarningList deciding={deciding} />);
  expect(screen.getByText(/Goes out all the same: Agreed\./)).toBeTruthy();
  expect(screen.queryByRole('textbox')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Think again' }));
  expect(change).toHaveBeenCalledWith({ overrides: [] });
});

it('a fix that has not moved offers other ways in, and asks for nothing', () => {
  render(<WarningList deciding={handOf([stuck]).deciding} />);
  expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual(expect.arrayContaining(['If he stands: hook', 'Shrimp']));
  expect(screen.queryByRole('button')).toBeNull();
});

it('nothing to mind is said', () => {
  render(<WarningList deciding={handOf([]).deciding} />);
  expect(screen.getByText('Nothing to mind.')).toBeTruthy();
});

it.each([
  [{ points: 3, leanDrop: 45.2 }, '3 points, control −45'],
  [{ finish: true, near: 1 }, 'the finish, 1 near'],
  [{ points: 1, forgone: 4 }, '1 point, 4 forgone'],
  [{ called: true, points: 3 }, 'by how heavy you called it'],
  [{}, ''],
])('%j costs “%s”', (parts, words) => {
  expect(harmWords({ harm: 0, finish: false, points: 0, near: 0, forgone: 0, leanDrop: 0, called: false, ...parts })).toBe(words);
});
