// @vitest-environment jsdom
import type { CodedCut, CodedEvent } from '@lean-mentor/core/desk';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { aNote, aRequest, footageId, openDeskHouse } from '../../../testing/deskHouse.tsx';
import type { DeskControls } from '../DeskControls.tsx';
import { ScoreProvider, type Scored } from '../score/useScore.ts';
import { NoteLinks } from './NoteLinks.tsx';

const other = '3f2a9d10-3333-4333-8333-333333333333';
const coded = { footageId, codingId: 'k' };
const passed: CodedCut = { ...coded, id: 'passed', atFrame: 60, position: 'side-control', holder: 'partner' };
const tap: CodedEvent = {
  ...{ ...coded, id: 'tap', atFrame: 90, kind: 'finish', athlete: 'partner', technique: 'armlock' },
  ...{ outcome: null, close: false, gripped: false, position: null, holder: null },
};
const scored = {
  scored: [
    {
      here: { bout: { id: 'b' }, coded: { coding: { id: 'k', state: 'accepted' }, cuts: [passed], events: [tap] } },
      standing: { awards: [{ athlete: 'partner', action: 'pass', at: 2, bankedAt: 5, points: 3, near: 0 }] },
      frameAt: (seconds: number) => seconds * 30,
    },
  ],
} as unknown as Scored;
const [n, earlier] = [
  aNote('n', { fromFrame: 33, ledTo: ['passed'] }),
  aNote('e', { footageId: other, fromFrame: 700, what: 'Too high.' }),
];

beforeEach(() => vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ ...aRequest, notes: [], clips: [] })))));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const begin = vi.fn();
function open(linking: boolean) {
  begin.mockClear();
  const writing = { note: n, linking, link: vi.fn(), pickCause: vi.fn(), pickEffect: vi.fn() };
  const house = openDeskHouse(
    { notes: { n, e: earlier }, cuts: { passed }, events: { tap } },
    {
      subject: {
        request: {
          ...aRequest,
          footages: [
            { id: other, fileName: 'first.mp4', alignment: null },
            { id: footageId, fileName: 'second.mp4', alignment: null },
          ],
        },
        client: { id: 'c', name: 'Ada Moor', hurts: [], limits: [] },
        answers: [],
      } as never,
    },
    { writing: writing as unknown as DeskControls['writing'], coding: { begin } as unknown as DeskControls['coding'] },
  );
  house.show(
    <ScoreProvider value={scored}>
      <NoteLinks note={n} />
    </ScoreProvider>,
  );
  return { writing, noteNow: () => house.desk().document.notes['n'] };
}

describe('what a note is linked to', () => {
  it('is what it led to, points and all, each taken away by one press', async () => {
    const { noteNow } = open(false);
    expect(screen.getByText('Partner’s pass, 3 points', { exact: false }).textContent).toBe('led at 0:02 to Partner’s pass, 3 points');
    await userEvent.click(screen.getByRole('button', { name: 'Did not lead to this' }));
    expect(noteNow()?.ledTo).toEqual([]);
  });

  it('can be a tap that came after it, and not what is linked already', async () => {
    const { writing } = open(false);
    await userEvent.click(screen.getByRole('button', { name: 'Led to …' }));
    const choices = within(screen.getByRole('dialog')).getAllByRole('button');
    expect(choices.map(({ textContent }) => textContent)).toEqual(['0:03Partner finishes: armlock']);
    await userEvent.click(choices[0]!);
    expect(writing.pickEffect).toHaveBeenCalledWith('tap');
    expect(begin).toHaveBeenCalledOnce();
  });

  it('while a cause is picked is offered from the films before, which the sheet does not show, and nothing later', async () => {
    const { writing } = open(true);
    const choices = within(screen.getByRole('group', { name: 'Or what caused it' })).getAllByRole('button');
    expect(choices.map(({ textContent }) => textContent)).toEqual(['first.mp4Too high.']);
    await userEvent.click(choices[0]!);
    expect(writing.pickCause).toHaveBeenCalledWith('e');
  });
});
