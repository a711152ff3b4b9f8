import { bout, type Bout } from '@lean-mentor/contract';
import { splitBout } from '@lean-mentor/core/footage';
import { describe, expect, it } from 'vitest';
import { boutEdits } from './boutEdits.ts';

const id = (n: number): string => `00000000-0000-4000-8000-00000000000${n}`;
const of = (n: number, fromFrame: number, toFrame: number, more: Partial<Bout> = {}): Bout =>
  bout.parse({ id: id(n), fromFrame, toFrame, spans: [], version: 3, ...more });

describe('edits of bouts', () => {
  it('are none where nothing changed, though objects are new and coding came in meanwhile', () => {
    const coded = of(1, 0, 50, { spans: [{ position: 'standing', holder: null, fromFrame: 0, toFrame: 50 }] });
    expect(boutEdits([of(1, 0, 50)], [coded])).toEqual([]);
  });

  it('name the version they were made on, and nothing of the coding', () => {
    const [edit] = boutEdits([of(1, 0, 50)], [of(1, 0, 60)]);
    expect(edit).toMatchObject({ id: id(1), base: 3, after: { fromFrame: 0, toFrame: 60 } });
    expect(Object.keys(edit!.after!)).not.toContain('spans');
  });

  it('of a split say from which bout the new one came', () => {
    const whole = of(1, 0, 100);
    const parts = splitBout(whole, 40, id(2))!;
    expect(boutEdits([whole], parts)).toMatchObject([
      { id: id(2), base: 0, splitFrom: id(1), after: { fromFrame: 40, toFrame: 100 } },
      { id: id(1), base: 3, after: { toFrame: 40 } },
    ]);
  });

  it('take away what is in hand no longer', () => {
    expect(boutEdits([of(1, 0, 50), of(2, 60, 90)], [of(2, 60, 90)])).toEqual([{ id: id(1), base: 3, splitFrom: null, after: null }]);
  });
});
