import { describe, expect, it } from 'vitest';
import { causeFault, chainOf, ledToBy, linksFault } from './causes.ts';

const note = (id: string, fromFrame: number, causes: string[] = [], footageId = 'f') => ({ id, footageId, fromFrame, causes });
const notes = [note('a', 10), note('b', 20, ['a']), note('c', 30, ['b']), note('same', 30), note('elsewhere', 5, [], 'g')];

describe('a cause', () => {
  it('may be any earlier note, or one on the same frame', () => {
    expect(causeFault(notes, 'c', 'a')).toBeNull();
    expect(causeFault(notes, 'c', 'same')).toBeNull();
  });

  it('is not later than what it led to, not in other footage, not itself, not twice', () => {
    expect(causeFault(notes, 'a', 'c')).toContain('later');
    expect(causeFault(notes, 'c', 'elsewhere')).toContain('same footage');
    expect(causeFault(notes, 'c', 'c')).toContain('its own cause');
    expect(causeFault(notes, 'c', 'b')).toContain('already');
    expect(causeFault(notes, 'c', 'gone')).toContain('not here');
  });

  it('on the same frame does not close a circle', () => {
    const circle = [note('x', 30, ['y']), note('y', 30, ['z']), note('z', 30)];
    expect(causeFault(circle, 'z', 'x')).toContain('circle');
  });

  it('leads back through all others, each once', () => {
    const fork = [...notes, note('d', 40, ['c', 'b'])];
    expect(chainOf(new Map(fork.map((n) => [n.id, n])), 'd')).toEqual(['d', 'c', 'b', 'a']);
  });

  it('leads on to all that it led to, each once and without itself', () => {
    const fork = new Map([...notes, note('d', 40, ['c', 'b'])].map((n) => [n.id, n]));
    expect(ledToBy(fork, 'a')).toEqual(['b', 'c', 'd']);
    expect(ledToBy(fork, 'd')).toEqual([]);
  });
});

describe('a note that is moved', () => {
  const movedTo = (id: string, fromFrame: number) => notes.map((n) => (n.id === id ? { ...n, fromFrame } : n));

  it('stays behind what caused it and before what it led to', () => {
    expect(linksFault(movedTo('b', 29), 'b')).toBeNull();
    expect(linksFault(movedTo('b', 9), 'b')).toContain('later');
    expect(linksFault(movedTo('b', 31), 'b')).toContain('later');
  });

  it('is not held by a cause that is gone, nor by links of others', () => {
    expect(linksFault([note('late', 3, ['gone'])], 'late')).toBeNull();
    expect(linksFault(movedTo('b', 31), 'same')).toBeNull();
  });

  it('closes no circle of notes on one frame', () => {
    const circle = [note('x', 30, ['y']), note('y', 30, ['z']), note('z', 30, ['x'])];
    expect(linksFault(circle, 'z')).toContain('circle');
  });
});
