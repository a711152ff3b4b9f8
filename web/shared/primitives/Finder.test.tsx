// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import fc from 'fast-check';
import { useState } from 'react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { layOut } from '../../testing/lists.ts';
import { Finder, optionsCalled, type FinderProps } from './Finder.tsx';

beforeAll(layOut);
afterEach(cleanup);

const people = Array.from({ length: 200 }, (_, i) => ({ value: `c${i}`, words: `Client ${i}` }));
const some = [
  ['i', 'Ilse Vandal'],
  ['b', 'Bram Ilsen'],
  ['v', 'Vilse Roe'],
  ['m', 'Mara Roe'],
].map(([value, words]) => ({ value: value!, words: words! }));

function open(props: Partial<FinderProps> = {}) {
  const chosen: string[] = [];
  function Held() {
    const [value, setValue] = useState(props.value ?? '');
    return (
      <Finder
        label="Whom"
        options={some}
        {...props}
        value={value}
        onChange={(now) => {
          chosen.push(now);
          setValue(now);
        }}
      />
    );
  }
  render(<Held />);
  return { chosen, field: screen.getByRole<HTMLInputElement>('combobox', { name: 'Whom' }) };
}
const offered = (): string[] => screen.queryAllByRole('option').map(({ textContent }) => textContent);

describe('what is called by what is typed', () => {
  it('comes as it begins with it, as a word of it does, as it is anywhere in it, each by name', () => {
    expect(optionsCalled(some, ' ILSE').map(({ value }) => value)).toEqual(['i', 'b', 'v']);
    expect(optionsCalled(some, 'roe').map(({ value }) => value)).toEqual(['m', 'v']);
  });

  it('is every option that holds it and no other, whatever is typed', () => {
    const options = fc.uniqueArray(fc.string({ maxLength: 6 }), { maxLength: 20 });
    fc.assert(
      fc.property(options, fc.string({ maxLength: 2 }), (names, typed) => {
        const all = names.map((words, i) => ({ value: String(i), words }));
        const holds = all.filter(({ words }) => words.toLocaleLowerCase().includes(typed.trim().toLocaleLowerCase()));
        expect(new Set(optionsCalled(all, typed))).toEqual(new Set(holds));
      }),
    );
  });
});

describe('one of many', () => {
  it('is offered with the first few when the field is pressed, and how many more there are', async () => {
    const { field, chosen } = open({ options: people });
    expect(offered()).toEqual([]);
    await userEvent.click(field);
    expect(offered()).toHaveLength(8);
    expect(screen.getByText('192 more: type a part of the name.')).toBeTruthy();
    await userEvent.type(field, '199');
    expect(offered()).toEqual(['Client 199']);
    await userEvent.keyboard('{Enter}');
    expect([chosen, field.value, offered()]).toEqual([['c199'], 'Client 199', []]);
  });

  it('is chosen by the keys alone', async () => {
    const { field, chosen } = open();
    await userEvent.tab();
    expect([document.activeElement, offered()]).toEqual([field, []]);
    await userEvent.keyboard('{ArrowDown}');
    expect(offered()).toEqual(['Bram Ilsen', 'Ilse Vandal', 'Mara Roe', 'Vilse Roe']);
    await userEvent.keyboard('{ArrowDown}{Enter}');
    expect(chosen).toEqual(['i']);
  });

  it('stays as it was where the field is left or Escape is pressed, whatever was typed', async () => {
    const { field, chosen } = open({ value: 'm' });
    await userEvent.clear(field);
    await userEvent.type(field, 'bram{Escape}');
    expect([field.value, offered()]).toEqual(['Mara Roe', []]);
    await userEvent.clear(field);
    await userEvent.tab();
    expect([field.value, chosen]).toEqual(['Mara Roe', []]);
  });

  it('is left without a choice by emptying the field, only where it may be', async () => {
    const { field, chosen } = open({ value: 'm', mayBeEmpty: true });
    await userEvent.clear(field);
    await userEvent.tab();
    expect([field.value, chosen]).toEqual(['', ['']]);
  });

  it('that is not there is said, not offered', async () => {
    const { field, chosen } = open();
    await userEvent.type(field, 'nobody{Enter}');
    expect(screen.getByText('Nothing is called so.')).toBeTruthy();
    expect([offered(), chosen]).toEqual([[], []]);
  });
});
