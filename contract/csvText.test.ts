import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { csvText, plainCell } from './csvText.ts';

describe('a table that is taken out', () => {
  it('runs nothing in a table program, whatever people wrote', () => {
    const rows = ['=1+1', '+cmd', '-2', '@SUM(A1)', '\tx', "'quoted", 'fine'].map((text) => [text]);
    expect(csvText(['words'], rows).split('\n').slice(1)).toEqual(["'=1+1", "'+cmd", "'-2", "'@SUM(A1)", "'\tx", "''quoted", 'fine']);
  });

  it('leaves numbers numbers, also negative ones', () => {
    expect(csvText(['a', 'b'], [[-3, 2.5]])).toBe('a,b\n-3,2.5');
  });

  it('reads back as it was written', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const [cell] = csvText(['x'], [[text]])
          .split('x\n')
          .slice(1);
        const unquoted = cell!.startsWith('"') ? cell!.slice(1, -1).replaceAll('""', '"') : cell!;
        expect(plainCell(unquoted)).toBe(text);
      }),
      { seed: 7 },
    );
  });
});
