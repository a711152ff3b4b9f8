import { describe, expect, it } from 'vitest';
import { blankNote } from './blankNote.ts';
import { causeFault, chainOf, ledToBy, linkedThings, linksFault, type FootageOrder, type Linked } from './causes.ts';

const note = (id: string, atFrame: number, causes: string[] = [], footageId = 'f'): Linked => ({
  entity: 'note',
  id,
  footageId,
  atFrame,
  causes,
});
const byId = (things: readonly Linked[]): Map<string, Linked> => new Map(things.map((thing) => [thing.id, thing]));
const notes = [
  ...[note('a', 10), note('b', 20, ['a']), note('c', 30, ['b']), note('same', 30)],
  ...[note('before', 900, [], 'e'), note('elsewhere', 5, [], 'g'), note('angle', 900, [], 'side')],
];
/** Three films after one another; the second was filmed from the side, too. */
const footages: FootageOrder = [
  ...[
    { id: 'e', alignment: null },
    { id: 'f', alignment: null },
    { id: 'g', alignment: null },
  ],
  { id: 'side', alignment: { toFootageId: 'f' } },
];

describe('a cause', () => {
  it('may be any earlier note, or one on the same frame', () => {
    expect(causeFault(byId(notes), footages, 'c', 'a')).toBeNull();
    expect(causeFault(byId(notes), footages, 'c', 'same')).toBeNull();
  });

  it('may lie in an earlier film of the request, on whatever frame, and in what a second camera saw', () => {
    expect(causeFault(byId(notes), footages, 'a', 'before')).toBeNull();
    expect(causeFault(byId(notes), footages, 'before', 'a')).toContain('later');
    expect(causeFault(byId(notes), footages, 'a', 'angle')).toBeNull();
    expect(causeFault(byId(notes), footages, 'angle', 'c')).toBeNull();
  });

  it('may be something coded, and something coded may be caused', () => {
    const blank = { footageId: 'f', codingId: 'k', position: 'mount', holder: 'partner' } as const;
    const event = { ...blank, kind: 'finish', athlete: 'partner', technique: null, outcome: null, close: false, gripped: false } as const;
    const things = linkedThings({
      notes: { n: blankNote({ id: 'n', footageId: 'f', fromFrame: 20, causes: ['mounted'], ledTo: ['tap', 'gone'] }) },
      cuts: { mounted: { ...blank, id: 'mounted', atFrame: 15 } },
      events: { tap: { ...event, id: 'tap', atFrame: 40 } },
    });
    expect(chainOf(things, 'tap')).toEqual(['tap', 'n', 'mounted']);
    expect(causeFault(things, footages, 'mounted', 'tap')).toContain('later');
    expect(causeFault(things, footages, 'tap', 'mounted')).toBeNull();
    expect(causeFault(things, footages, 'mounted', 'gone')).toContain('not here');
  });

  it('is not later than what it led to, not in a later film, not itself, not twice', () => {
    expect(causeFault(byId(notes), footages, 'a', 'c')).toContain('later');
    expect(causeFault(byId(notes), footages, 'c', 'elsewhere')).toContain('later');
    expect(causeFault(byId(notes), footages, 'c', 'c')).toContain('its own cause');
    expect(causeFault(byId(notes), footages, 'c', 'b')).toContain('already');
    expect(causeFault(byId(notes), footages, 'c', 'gone')).toContain('not here');
  });

  it('on the same frame does not close a circle', () => {
    const circle = [note('x', 30, ['y']), note('y', 30, ['z']), note('z', 30)];
    expect(causeFault(byId(circle), footages, 'z', 'x')).toContain('circle');
  });

  it('leads back through all others, each once', () => {
    const fork = [...notes, note('d', 40, ['c', 'b'])];
    expect(chainOf(byId(fork), 'd')).toEqual(['d', 'c', 'b', 'a']);
  });

  it('leads on to all that it led to, each once and without itself', () => {
    const fork = byId([...notes, note('d', 40, ['c', 'b'])]);
    expect(ledToBy(fork, 'a')).toEqual(['b', 'c', 'd']);
    expect(ledToBy(fork, 'd')).toEqual([]);
  });
});

describe('a note that is moved', () => {
  const movedTo = (id: string, atFrame: number) => byId(notes.map((n) => (n.id === id ? { ...n, atFrame } : n)));

  it('stays behind what caused it and before what it led to', () => {
    expect(linksFault(movedTo('b', 29), footages, 'b')).toBeNull();
    expect(linksFault(movedTo('b', 9), footages, 'b')).toContain('later');
    expect(linksFault(movedTo('b', 31), footages, 'b')).toContain('later');
  });

  it('is not held by a cause that is gone, nor by links of others', () => {
    expect(linksFault(byId([note('late', 3, ['gone'])]), footages, 'late')).toBeNull();
    expect(linksFault(movedTo('b', 31), footages, 'same')).toBeNull();
  });

  it('closes no circle of notes on one frame', () => {
    const circle = [note('x', 30, ['y']), note('y', 30, ['z']), note('z', 30, ['x'])];
    expect(linksFault(byId(circle), footages, 'z')).toContain('circle');
  });
});
