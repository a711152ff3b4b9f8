// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { aNote, openDeskHouse } from '../../../testing/deskHouse.tsx';
import { layOut } from '../../../testing/lists.ts';
import { PrincipleField } from './PrincipleField.tsx';

const principles = Object.fromEntries(
  ['Frame before you turn', 'Elbow to knee', 'Knee before hand', 'Late frame'].map((name, i) => [`p${i}`, { id: `p${i}`, name }]),
);

beforeAll(layOut);
beforeEach(() => vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ notes: [], account: null, token: 't' })))));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function open(principleId: string | null = null) {
  const note = aNote('n', { principleId });
  const house = openDeskHouse({ notes: { n: note }, principles });
  house.show(<PrincipleField note={note} noteId="n" ensure={() => undefined} />);
  return {
    field: screen.getByRole<HTMLInputElement>('combobox', { name: 'Principle' }),
    house,
    named: () => house.desk().document.notes['n']!.principleId,
  };
}
const offered = (): string[] => screen.queryAllByRole('option').map(({ textContent }) => textContent);

describe('the principle of a note', () => {
  it('is found by a part of its name, those that begin with it first, and taken with Enter', async () => {
    const { field, named } = open();
    await userEvent.type(field, 'frame');
    expect(offered()).toEqual(['Frame before you turn', 'Late frame', 'New principle: frame']);
    await userEvent.keyboard('{ArrowDown}{Enter}');
    expect([named(), offered()]).toEqual(['p3', []]);
  });

  it('is taken with the pointer', async () => {
    const { field, named } = open();
    await userEvent.type(field, 'knee');
    await userEvent.click(screen.getByRole('option', { name: 'Elbow to knee' }));
    expect(named()).toBe('p1');
  });

  it('that is not in the book yet is put into it', async () => {
    const { field, named, house } = open();
    await userEvent.type(field, 'Hips first{Enter}');
    expect(house.desk().document.principles[named()!]?.name).toBe('Hips first');
  });

  it('of a name that is there is not offered anew', async () => {
    const { field } = open();
    await userEvent.type(field, 'elbow to knee');
    expect(offered()).toEqual(['Elbow to knee']);
  });

  it('is not chosen by leaving the field, and what was typed is gone', async () => {
    const { field, named } = open();
    await userEvent.type(field, 'frame');
    await userEvent.tab();
    expect([named(), field.value, offered()]).toEqual([null, '', []]);
  });

  it('is taken off by emptying the field', async () => {
    const { field, named } = open('p1');
    await userEvent.clear(field);
    await userEvent.tab();
    expect(named()).toBeNull();
  });
});
