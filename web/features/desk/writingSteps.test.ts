import { blankNote } from '@lean-mentor/core/desk';
import { describe, expect, it } from 'vitest';
import { nothingWritten, opened, rangeMarked, written, type FrameHere } from './writingSteps.ts';

const here: FrameHere = { frame: 40, footageId: 'f', note: undefined, mark: undefined, newId: 'new', focus: 1 };
const there = blankNote({ id: 'n', footageId: 'f', fromFrame: 40, toFrame: 55, markId: 'old' });

describe('writing', () => {
  it('on a bare frame begins a new note there', () => {
    expect(written(nothingWritten, here).writing).toEqual({
      noteId: 'new',
      footageId: 'f',
      atFrame: 40,
      toFrame: null,
      markId: null,
      focus: 1,
    });
  });

  it('on a mark grows from it, with its range', () => {
    expect(written(nothingWritten, { ...here, mark: { id: 'm', toFrame: 60 } }).writing).toMatchObject({
      noteId: 'new',
      toFrame: 60,
      markId: 'm',
    });
  });

  it('on a frame that has a note goes on with that one, whatever mark stands there', () => {
    const { writing } = written(nothingWritten, { ...here, note: there, mark: { id: 'm', toFrame: 60 } });
    expect(writing).toMatchObject({ noteId: 'n', toFrame: 55, markId: 'old' });
  });

  it('on a range that was begun takes the whole range, forwards or backwards, and ends it', () => {
    const begun = rangeMarked(nothingWritten, 30).state;
    expect(written(begun, { ...here, note: there })).toMatchObject({ range: null, writing: { noteId: 'new', atFrame: 30, toFrame: 41 } });
    const after = rangeMarked(nothingWritten, 50).state;
    expect(written(after, here).writing).toMatchObject({ atFrame: 40, toFrame: 51 });
  });

  it('stops picking a cause when another note is opened, and a range goes on', () => {
    const picking = { ...rangeMarked(nothingWritten, 30).state, linking: true };
    expect(opened(picking, there)).toMatchObject({ linking: false, range: { fromFrame: 30 }, writing: { noteId: 'n', focus: 0 } });
    expect(opened(picking, undefined).writing).toBeNull();
  });
});

describe('a range', () => {
  it('is begun by the first press and marked by the second, its last frame within it', () => {
    const first = rangeMarked(nothingWritten, 30);
    expect(first.range).toBeNull();
    expect(rangeMarked(first.state, 20)).toEqual({ state: nothingWritten, range: [20, 31] });
  });
});
