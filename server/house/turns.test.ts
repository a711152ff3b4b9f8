import { describe, expect, it } from 'vitest';
import { Turns } from './turns.ts';

/** Work that ends when the test says so, and what has begun so far. */
function bench(turns: Turns) {
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  const ask = (who: string, name: string): Promise<void> =>
    turns.run(who, () => {
      begun.push(name);
      return new Promise<void>((end) => ends.set(name, end));
    });
  const end = async (name: string): Promise<void> => {
    ends.get(name)!();
    await new Promise((resolve) => setTimeout(resolve, 0));
  };
  return { begun, ask, end };
}

describe('heavy work', () => {
  it('is done a few at once and fewer of one person; whoever has the fewest at work goes first', async () => {
    const { begun, ask, end } = bench(new Turns({ overall: 3, each: 2, waitingEach: 10 }));
    for (const name of ['a1', 'a2', 'a3', 'a4']) void ask('ada', name);
    for (const name of ['b1', 'b2']) void ask('ben', name);
    await Promise.resolve();
    expect(begun).toEqual(['a1', 'a2', 'b1']);
    await end('a1');
    // Each has one at work: who waited longer goes first.
    expect(begun.at(-1)).toBe('a3');
    await end('b1');
    // Ben has none any more, so his second goes before Ada's fourth, who came earlier.
    expect(begun.at(-1)).toBe('b2');
    await end('a2');
    expect(begun.at(-1)).toBe('a4');
  });

  it('of one person waits in a line that is not endless, and of others goes on', async () => {
    const { begun, ask, end } = bench(new Turns({ overall: 4, each: 1, waitingEach: 2 }));
    for (const name of ['a1', 'a2', 'a3']) void ask('ada', name);
    await expect(ask('ada', 'a4')).rejects.toMatchObject({ code: 'busy' });
    void ask('ben', 'b1');
    expect(begun).toEqual(['a1', 'b1']);
    for (const name of ['a1', 'a2', 'a3']) await end(name);
    expect(begun).toEqual(['a1', 'b1', 'a2', 'a3']);
  });

  it('that fails gives its turn on', async () => {
    const turns = new Turns({ overall: 1, each: 1, waitingEach: 5 });
    const failing = turns.run('ada', () => Promise.reject(new Error('no')));
    const next = turns.run('ben', () => Promise.resolve('done'));
    await expect(failing).rejects.toThrow('no');
    expect(await next).toBe('done');
  });
});
