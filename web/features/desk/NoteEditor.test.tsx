// @vitest-environment jsdom
import type { Note } from '@lean-mentor/core/desk';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NoteEditor } from './NoteEditor.tsx';
import type { DeskActions } from './useDesk.ts';

const writing = { noteId: 'n', footageId: 'v', atFrame: 33, markId: 'm', focus: 1 };
const kept: Note = {
  id: 'n',
  footageId: 'v',
  fromFrame: 33,
  toFrame: null,
  kind: 'good',
  athlete: 'client',
  seen: 'clear',
  severity: 2,
  what: 'Well kept.',
  instead: [{ when: 'he pulls', do: 'post' }],
  markId: null,
};
const actions = { addNote: vi.fn(), changeNote: vi.fn(), removeNote: vi.fn() } as unknown as Record<
  'addNote' | 'changeNote' | 'removeNote',
  ReturnType<typeof vi.fn>
> &
  DeskActions;
const show = (note?: Note) => render(<NoteEditor writing={writing} note={note} actions={actions} onClose={() => undefined} />);
const what = (): HTMLElement => screen.getByRole('textbox', { name: 'What happened' });

beforeEach(() => vi.clearAllMocks());
afterEach(cleanup);

describe('a note being written', () => {
  it('has the text under the hands at once', () => {
    show();
    expect(document.activeElement).toBe(what());
  });

  it('is written down with its first words, grown from its mark, and not before', async () => {
    show();
    expect(actions.addNote).not.toHaveBeenCalled();
    await userEvent.type(what(), 'Elbow out');
    await vi.waitFor(() => expect(actions.addNote).toHaveBeenCalledOnce());
    expect(actions.addNote).toHaveBeenCalledWith(
      expect.objectContaining({ id: 'n', fromFrame: 33, markId: 'm', what: 'Elbow out', kind: 'mistake' }),
    );
  });

  it('keeps the last words when it is left in the middle of typing', async () => {
    const { unmount } = show(kept);
    await userEvent.type(what(), ' Twice');
    unmount();
    expect(actions.changeNote).toHaveBeenLastCalledWith('n', { what: 'Well kept. Twice' });
  });

  it('changes its kind by one press', async () => {
    show(kept);
    await userEvent.click(screen.getByRole('radio', { name: 'Missed chance' }));
    expect(actions.changeNote).toHaveBeenCalledWith('n', { kind: 'missed-chance' });
  });

  it('has what to do instead as lines with conditions, in order', async () => {
    show(kept);
    await userEvent.type(screen.getByRole('textbox', { name: 'Do, line 1' }), ' the hand');
    await userEvent.tab();
    expect(actions.changeNote).toHaveBeenLastCalledWith('n', { instead: [{ when: 'he pulls', do: 'post the hand' }] });
    await userEvent.click(screen.getByRole('button', { name: 'What to do instead' }));
    expect(actions.changeNote).toHaveBeenLastCalledWith('n', {
      instead: [
        { when: 'he pulls', do: 'post' },
        { when: '', do: '' },
      ],
    });
    await userEvent.click(screen.getByRole('button', { name: 'Take line 1 away' }));
    expect(actions.changeNote).toHaveBeenLastCalledWith('n', { instead: [] });
  });
});
