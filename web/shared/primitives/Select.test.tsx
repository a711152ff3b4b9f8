// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { chooseFrom, wordsOfList } from '../../testing/lists.ts';
import { Select, type Option } from './Select.tsx';

const sides: Option[] = [
  { value: '', words: 'either side' },
  { value: 'left', words: 'left' },
  { value: 'right', words: 'right', disabled: true },
];

function Side({ options = sides, placeholder }: { options?: readonly Option[]; placeholder?: string }) {
  const [side, setSide] = useState('');
  return (
    <>
      <Select label="Side" value={side} options={options} onChange={setSide} {...(placeholder && { placeholder })} />
      <output>{JSON.stringify(side)}</output>
    </>
  );
}
const kept = (): unknown => JSON.parse(screen.getByRole('status').textContent);
const shown = (): string | null => screen.getByRole('combobox', { name: 'Side' }).textContent;

afterEach(cleanup);

describe('a list to choose from', () => {
  it('says what is chosen, and an option without a value is one like the others', async () => {
    render(<Side />);
    expect(shown()).toBe('either side');
    await chooseFrom('Side', 'left');
    expect([shown(), kept()]).toEqual(['left', 'left']);
    await chooseFrom('Side', 'either side');
    expect([shown(), kept()]).toEqual(['either side', '']);
  });

  it('says what it is for while nothing is chosen', async () => {
    render(<Side options={sides.slice(1)} placeholder="which …" />);
    expect(shown()).toBe('which …');
    expect(await wordsOfList('Side')).toEqual(['left', 'right']);
    expect(kept()).toBe('');
  });

  it('is chosen from by typing how a line begins, and not what is not to be had', async () => {
    render(<Side />);
    screen.getByRole('combobox', { name: 'Side' }).focus();
    await userEvent.keyboard('l');
    expect(kept()).toBe('left');
    await userEvent.keyboard('{Escape}r');
    expect(kept()).toBe('left');
  });
});
