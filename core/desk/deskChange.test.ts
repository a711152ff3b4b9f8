import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyDeskChange, inverseDeskChange, patchDesk, removeFromDesk, type DeskChange } from './deskChange.ts';
import { drawingsAtFrame, emptyDesk, stopsOf, type DeskDocument } from './deskDocument.ts';

const mark = (id: string, atFrame: number): DeskChange => ({
  changeId: `c-${id}`,
  entity: 'mark',
  id,
  before: null,
  after: { id, atFrame, state: 'open' },
});
const desk = ['a', 'b', 'c'].map((id, i) => mark(id, i * 10)).reduce(applyDeskChange, emptyDesk());

describe('an edit', () => {
  it('leaves the document it is applied to as it was', () => {
    const before = structuredClone(desk);
    applyDeskChange(desk, patchDesk(desk, 'mark', 'a', { state: 'let-go' }, 'x')!);
    expect(desk).toEqual(before);
  });

  it('carries the old values of exactly the fields it sets', () => {
    expect(patchDesk(desk, 'mark', 'b', { state: 'noted' }, 'x')).toEqual({
      changeId: 'x',
      entity: 'mark',
      id: 'b',
      before: { state: 'open' },
      after: { state: 'noted' },
    });
  });

  it('of what is not there is none', () => {
    expect(patchDesk(desk, 'mark', 'gone', { state: 'noted' }, 'x')).toBeNull();
    expect(removeFromDesk(desk, 'note', 'a', 'x')).toBeNull();
  });

  it('that comes too late changes nothing', () => {
    const late = patchDesk(desk, 'mark', 'a', { atFrame: 99 }, 'x')!;
    const without = applyDeskChange(desk, removeFromDesk(desk, 'mark', 'a', 'y')!);
    expect(applyDeskChange(without, late)).toBe(without);
    expect(applyDeskChange(without, removeFromDesk(desk, 'mark', 'a', 'z')!)).toBe(without);
  });

  it('is taken back by its inverse, whatever it was (seed 3)', () => {
    const edit = (document: DeskDocument, [kind, id, at]: readonly [number, string, number]): DeskChange | null => {
      if (kind === 0) return document.marks[id] ? null : mark(id, at);
      if (kind === 1) return patchDesk(document, 'mark', id, { atFrame: at }, 'p');
      return removeFromDesk(document, 'mark', id, 'r');
    };
    const steps = fc.array(fc.tuple(fc.integer({ min: 0, max: 2 }), fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.nat(500)), {
      maxLength: 40,
    });
    fc.assert(
      fc.property(steps, (wanted) => {
        let document = desk;
        const done: DeskChange[] = [];
        for (const step of wanted) {
          const change = edit(document, step);
          if (!change) continue;
          done.push(change);
          document = applyDeskChange(document, change);
        }
        for (const change of done.reverse()) document = applyDeskChange(document, inverseDeskChange(change, 'undo'));
        expect(document).toEqual(desk);
      }),
      { seed: 3, numRuns: 100 },
    );
  });
});

describe('stops', () => {
  it('are open marks and notes, ascending, one per frame', () => {
    const letGo = applyDeskChange(desk, patchDesk(desk, 'mark', 'b', { state: 'let-go' }, 'x')!);
    const note: DeskChange = { changeId: 'n', entity: 'note', id: 'n', before: null, after: { id: 'n', fromFrame: 20, kind: 'good' } };
    expect(stopsOf(applyDeskChange(letGo, note))).toEqual([0, 20]);
  });
});

describe('drawings on a frame', () => {
  it('are those whose life holds it, first frame included and last excluded', () => {
    const drawing = (id: string, fromFrame: number, toFrame: number) => ({ id, fromFrame, toFrame });
    const all = [drawing('x', 5, 8), drawing('y', 8, 9), drawing('z', 0, 100)];
    expect(drawingsAtFrame(all, 8).map((d) => d.id)).toEqual(['y', 'z']);
    expect(drawingsAtFrame(all, 5).map((d) => d.id)).toEqual(['x', 'z']);
  });
});
