// @vitest-environment jsdom
import type { BookPrinciple, Variant } from '@lean-mentor/core/book';
import { cleanup, render, renderHook, act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { filled } from '../../shared/forms/index.ts';
import { newDrill, newPrinciple } from './newEntries.ts';
import { PickNames } from './PickNames.tsx';
import { roleWords } from './roleWords.ts';
import { hasKeptDraft, useKeptDraft } from './useKeptDraft.ts';
import { VariantRows } from './VariantRows.tsx';
import { WhereRows } from './WhereRows.tsx';
import { chooseFrom, wordsOfList } from '../../testing/lists.ts';

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

const options = [
  { id: 'a', name: 'Elbow in' },
  { id: 'b', name: 'Hide the heel' },
  { id: 'c', name: 'Hip out' },
];

describe('several of a list', () => {
  function Picks() {
    const [chosen, setChosen] = useState<string[]>(['b']);
    return (
      <>
        <PickNames label="Rests on" chosen={chosen} options={options} hint="a principle" onChange={setChosen} />
        <output>{chosen.join(',')}</output>
      </>
    );
  }

  it('are taken by their name, however it is written, and taken out again', async () => {
    render(<Picks />);
    await userEvent.type(screen.getByRole('combobox', { name: 'Add to “Rests on”' }), 'elbow IN');
    expect(screen.getByRole('status').textContent).toBe('b,a');
    await userEvent.click(screen.getByRole('button', { name: 'Take out Hide the heel' }));
    expect(screen.getByRole('status').textContent).toBe('a');
  });

  it('offers what is left, and keeps what is not the name of anything', async () => {
    const { container } = render(<Picks />);
    expect([...container.querySelectorAll('datalist option')].map((option) => option.getAttribute('value'))).toEqual([
      'Elbow in',
      'Hip out',
    ]);
    const line = screen.getByRole<HTMLInputElement>('combobox');
    await userEvent.type(line, 'nobody');
    expect([line.value, screen.getByRole('status').textContent]).toEqual(['nobody', 'b']);
  });
});

describe('ways of doing it', () => {
  function Ways() {
    const [variants, setVariants] = useState<Variant[]>([
      { when: 'he stands', do: 'hook', stance: 'taught', spares: [] },
      { when: '', do: 'wait', stance: 'other-school', spares: [] },
    ]);
    return (
      <>
        <VariantRows variants={variants} onChange={setVariants} />
        <output>{variants.map((one) => `${one.when}>${one.do}>${one.stance}`).join('|')}</output>
      </>
    );
  }
  const said = (): string => screen.getByRole('status').textContent;

  it('are put in the order in which they are to be tried', async () => {
    render(<Ways />);
    const earlier = screen.getAllByRole<HTMLButtonElement>('button', { name: 'Earlier' });
    expect(earlier.map(({ disabled }) => disabled)).toEqual([true, false]);
    await userEvent.click(earlier[1]!);
    expect(said()).toBe('>wait>other-school|he stands>hook>taught');
  });

  it('are written, added and taken out, each with where the coach stands', async () => {
    render(<Ways />);
    await chooseFrom('Where you stand, way 2', 'fine too');
    await userEvent.click(screen.getByRole('button', { name: 'One more way' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Do, way 3' }), 'go');
    await userEvent.click(screen.getAllByRole('button', { name: 'Take this way out' })[0]!);
    expect(said()).toBe('>wait>also-good|>go>taught');
  });
});

describe('where it applies', () => {
  it('names the two as one says it in that position', () => {
    expect(['holder', 'other', 'either'].map((role) => roleWords('half-guard', role as 'holder'))).toEqual([
      'the passer',
      'the guard',
      'either',
    ]);
    expect([roleWords('mount', 'holder'), roleWords('mount', 'other'), roleWords('standing', 'holder')]).toEqual([
      'in control',
      'under it',
      'the one who leads',
    ]);
  });

  it('offers each position once, and takes it out again', async () => {
    function Places() {
      const [where, setWhere] = useState<BookPrinciple['where']>([{ position: 'mount', role: 'holder' }]);
      return <WhereRows where={where} onChange={setWhere} />;
    }
    render(<Places />);
    expect(await wordsOfList('Add a position')).not.toContain('Mount');
    await chooseFrom('Add a position', 'Standing');
    expect(screen.getByRole('combobox', { name: 'Who, in Standing' }).textContent).toBe('either');
    await userEvent.click(screen.getByRole('button', { name: 'Take out Mount' }));
    expect(await wordsOfList('Add a position')).toContain('Mount');
  });
});

describe('what is being written', () => {
  it('outlives leaving the page, until it is saved or dropped', () => {
    const entry = { id: 'p', name: 'Before' };
    const first = renderHook(() => useKeptDraft(entry));
    expect(hasKeptDraft('p')).toBe(false);
    act(() => first.result.current[1]({ name: 'While writing' }));
    first.unmount();
    expect(hasKeptDraft('p')).toBe(true);
    const again = renderHook(() => useKeptDraft(entry));
    expect(again.result.current[0]).toEqual({ id: 'p', name: 'While writing' });
    again.result.current[2]();
    expect(hasKeptDraft('p')).toBe(false);
  });

  it('of a new entry is found again under its id, until the entry is in the book', () => {
    const { id } = newPrinciple([]);
    expect(newPrinciple([]).id).toBe(id);
    expect(newPrinciple([{ id }]).id).not.toBe(id);
    expect(newDrill([]).id).not.toBe(id);
  });

  it('of a list leaves out what is blank', () => expect(filled([' one ', '', '  ', 'two'])).toEqual(['one', 'two']));
});
