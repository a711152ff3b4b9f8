// @vitest-environment jsdom
import type { DeskDocument, Note } from '@lean-mentor/core/desk';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { aNote, aRequest, footageId, openDeskHouse, requestId } from '../../../testing/deskHouse.tsx';
import type { DeskControls } from '../DeskControls.tsx';
import { noTake } from '../take/takeRecorder.ts';
import { NoteEditor } from './NoteEditor.tsx';
import { chooseFrom, layOut } from '../../../testing/lists.ts';
import { layerWords } from './noteWords.ts';

const writing = { noteId: 'n', footageId, atFrame: 33, toFrame: null, markId: 'm', focus: 1 };
const kept = aNote('n', { instead: [{ when: 'he pulls', do: 'post' }] });
const mark = { id: 'm', footageId, atFrame: 33, toFrame: null, state: 'open' as const };

beforeAll(layOut);
beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ ...aRequest, notes: earlier, principles: [], drills: [] }))));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

let earlier: object[] = [];
const close = vi.fn();
function open(note: Note | undefined, more: Partial<DeskDocument> = {}) {
  close.mockClear();
  const controls = {
    writing: { note, close, link: vi.fn(), linking: false } as unknown as DeskControls['writing'],
    take: { state: noTake } as DeskControls['take'],
  };
  const house = openDeskHouse({ marks: { m: mark }, notes: note ? { n: note } : {}, ...more }, {}, controls);
  const view = house.show(<NoteEditor writing={writing} />);
  return { ...house, ...view, noteNow: () => house.desk().document.notes['n'] };
}
const what = (): HTMLElement => screen.getByRole('textbox', { name: 'What happened' });

describe('a note being written', () => {
  it('has the text under the hands at once', () => {
    open(undefined);
    expect(document.activeElement).toBe(what());
  });

  it('is written down with its first words, grown from its mark, and not before', async () => {
    const { noteNow, desk } = open(undefined);
    expect(noteNow()).toBeUndefined();
    await userEvent.type(what(), 'Elbow out');
    // Words go down a moment after the last key.
    await vi.waitFor(() =>
      expect(noteNow()).toMatchObject({
        id: 'n',
        fromFrame: 33,
        markId: 'm',
        what: 'Elbow out',
        kind: 'mistake',
        layer: 'technical',
        visible: 'client',
      }),
    );
    expect(desk().document.marks['m']?.state).toBe('noted');
  });

  it('keeps the last words when it is left in the middle of typing', async () => {
    const { unmount, noteNow } = open(kept);
    await userEvent.type(what(), ' Twice');
    unmount();
    expect(noteNow()?.what).toBe('Well kept. Twice');
  });

  it('shows what is carried back along its chain, the first link first, and none where it stands alone', () => {
    const first = aNote('first', { fromFrame: 10, kind: 'mistake', severity: 3 });
    const led = { ...kept, kind: 'mistake' as const, severity: 2, causes: ['first'] };
    open(led, { notes: { n: led, first } });
    // Nothing is coded: a plain note costs 0.15 and a heavy one 0.3; six tenths are carried back.
    const chain = screen.getByLabelText('Cost along the chain');
    expect(
      within(chain)
        .getAllByRole('button')
        .map(({ textContent }) => textContent?.slice(0, 7)),
    ).toEqual(['0.39 at', '0.15 at']);
    expect(within(chain).getByTitle(/0\.30 of its own, 0\.09 carried back/)).toBeTruthy();
    cleanup();
    open(kept);
    expect(screen.queryByLabelText('Cost along the chain')).toBeNull();
  });

  it('is a plain one by keyboard alone: its words, its kind, done', async () => {
    const { noteNow } = open(undefined);
    await userEvent.keyboard('Posts the hand');
    fireEvent.keyDown(what(), { code: 'Digit2', altKey: true });
    fireEvent.keyDown(what(), { key: 'Enter' });
    expect(noteNow()).toMatchObject({ what: 'Posts the hand', kind: 'missed-chance' });
    expect(close).toHaveBeenCalledOnce();
  });

  it('changes its kind, its layer and for whose eyes it is by one press', async () => {
    const { noteNow } = open(kept);
    await userEvent.click(screen.getByRole('radio', { name: 'Missed chance' }));
    await userEvent.click(screen.getByRole('radio', { name: 'Only us' }));
    await chooseFrom('Layer', layerWords.tactical);
    expect(noteNow()).toMatchObject({ kind: 'missed-chance', visible: 'coach', layer: 'tactical' });
  });

  it('has what to do instead as lines with conditions, in order', async () => {
    const { noteNow } = open(kept);
    await userEvent.type(screen.getByRole('textbox', { name: 'Do, line 1' }), ' the hand');
    await userEvent.tab();
    expect(noteNow()?.instead).toEqual([{ when: 'he pulls', do: 'post the hand' }]);
  });

  it('gets one more line, and loses one', async () => {
    const { noteNow } = open(kept);
    await userEvent.click(screen.getByRole('button', { name: 'What to do instead' }));
    expect(noteNow()?.instead).toHaveLength(2);
    cleanup();
    const again = open(kept);
    await userEvent.click(screen.getByRole('button', { name: 'Take line 1 away' }));
    expect(again.noteNow()?.instead).toEqual([]);
  });
});

describe('the principle of a note', () => {
  const principles = {
    p: { id: 'p', name: 'Elbow to knee' },
    q: { id: 'q', name: 'Knee before elbow' },
    r: { id: 'r', name: 'Hips first' },
  };
  const field = (): HTMLElement => screen.getByRole('combobox', { name: 'Principle' });

  it('is found by a part of its name, those that begin with it first', async () => {
    open(kept, { principles });
    await userEvent.type(field(), 'elbow');
    const names = within(screen.getByRole('listbox'))
      .getAllByRole('option')
      .map((option) => option.textContent);
    expect(names).toEqual(['Elbow to knee', 'Knee before elbow', 'New principle: elbow']);
  });

  it('is named by Enter, and a new one is put into the book with the note', async () => {
    const { noteNow, desk } = open(kept, { principles });
    await userEvent.type(field(), 'elbow to{Enter}');
    expect(noteNow()?.principleId).toBe('p');
    cleanup();
    const again = open(kept, { principles });
    await userEvent.type(field(), 'Post when lifted{Enter}');
    const made = Object.values(again.desk().document.principles).find(({ name }) => name === 'Post when lifted');
    expect(again.noteNow()?.principleId).toBe(made?.id);
    expect([Object.keys(desk().document.principles).length, Object.keys(again.desk().document.principles).length]).toEqual([3, 4]);
  });

  it('tells how often it came up here and before, and as which fix it was sent', async () => {
    const base = { footageId, fromFrame: 5, toFrame: null, kind: 'mistake', what: 'Elbow again', principleId: 'p' };
    const fix = { critiqueId: requestId, position: 2, sentAt: '2030-12-03T10:00:00.000Z' };
    earlier = [
      { ...base, id: 'e1', requestId: 'other', sentAt: '2030-12-01T10:00:00.000Z', fix },
      { ...base, id: 'e2', requestId: 'other', sentAt: '2030-12-01T10:00:00.000Z', fix: null },
    ];
    const named = { ...kept, principleId: 'p' };
    open(named, { principles, notes: { n: named, o: aNote('o', { principleId: 'p', fromFrame: 60 }) } });
    await vi.waitFor(() => expect(screen.getByText('2 in this bout, 2 before in 1 request; fix 2 on 3 Dec')).toBeDefined());
    earlier = [];
  });
});

describe('two versions of a note', () => {
  const conflict = {
    id: 'k',
    of: 'note' as const,
    thingId: 'n',
    field: 'what',
    stands: 'Well kept.',
    aside: 'Kept well.',
    standsBy: 'Marit',
    asideBy: 'Abel',
  };

  it('are both shown, and the one set aside can be taken', async () => {
    const { noteNow, desk } = open(kept, { conflicts: { k: conflict } });
    expect(screen.getByText(/Both of you changed what happened\. Marit: “Well kept\.”\. Abel: “Kept well\.”\./)).toBeDefined();
    await userEvent.click(screen.getByRole('button', { name: 'Take Abel’s' }));
    expect(noteNow()?.what).toBe('Kept well.');
    expect(desk().document.conflicts).toEqual({});
  });

  it('or the one that stands is kept', async () => {
    const { noteNow, desk } = open(kept, { conflicts: { k: conflict } });
    await userEvent.click(screen.getByRole('button', { name: 'Keep Marit’s' }));
    expect([noteNow()?.what, desk().document.conflicts]).toEqual(['Well kept.', {}]);
  });
});
