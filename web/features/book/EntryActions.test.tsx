// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeAll, expect, it, vi } from 'vitest';
import { layOut } from '../../testing/lists.ts';
import { showAsking } from '../../testing/withServer.tsx';
import { EntryActions } from './EntryActions.tsx';
import { newPrinciple } from './newEntries.ts';

beforeAll(layOut);
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('a principle becomes part of another by saying so, not by choosing it', async () => {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (address: URL | string) => {
    asked.push(String(address));
    return Promise.resolve(new Response(JSON.stringify({ notes: 2, account: null, token: 't' })));
  });
  const [late, early] = ['Late frame', 'Early frame'].map((name) => ({ ...newPrinciple([]), id: crypto.randomUUID(), name, notes: 0 }));
  const gone: (string | null)[] = [];
  showAsking(<EntryActions entry={late!} principles={[late!, early!]} onEdit={() => undefined} onGone={(next) => void gone.push(next)} />);
  await userEvent.click(screen.getByRole('button', { name: 'Merge into another' }));
  await userEvent.type(screen.getByRole('combobox', { name: 'Merge into' }), 'early{Enter}');
  expect([asked, gone]).toEqual([[], []]);
  await userEvent.click(screen.getByRole('button', { name: 'Merge' }));
  await vi.waitFor(() => expect(gone).toEqual([early!.id]));
});
