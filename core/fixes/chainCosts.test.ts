import { describe, expect, it } from 'vitest';
import { chainCosts, linkFaults, type Link } from './chainCosts.ts';

const link = (id: string, ownHarm: number, causes: string[] = [], atSeconds = 0): Link => ({ id, ownHarm, causes, atSeconds });

/** Numbers that are the same in every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** The cost by walking every way from every effect back to it: slow, and another way of saying the same. */
function bruteForce(links: readonly Link[], id: string, share: number): number {
  const effects = links.filter(({ causes }) => causes.includes(id));
  const own = links.find((one) => one.id === id)!.ownHarm;
  return own + effects.reduce((sum, effect) => sum + (share / effect.causes.length) * bruteForce(links, effect.id, share), 0);
}

describe('the cost of a chain', () => {
  it('goes back to the first link, less at each step', () => {
    const chain = [link('finish', 1, ['flat'], 60), link('flat', 0, ['hand'], 40), link('hand', 0.1, [], 20)];
    const costs = chainCosts(chain);
    expect(costs.get('flat')).toBeCloseTo(0.6, 12);
    expect(costs.get('hand')).toBeCloseTo(0.1 + 0.36, 12);
    // The deciding moment carries all of it back.
    expect(chainCosts(chain, 1).get('hand')).toBeCloseTo(1.1, 12);
  });

  it('is shared among several causes', () => {
    const costs = chainCosts([link('finish', 1, ['a', 'b'], 9), link('a', 0, [], 5), link('b', 0.2, [], 6)]);
    expect([costs.get('a'), costs.get('b')]).toEqual([0.3, 0.5]);
  });

  it.each([1, 2, 3, 4])('is what walking every way gives, on random graphs (seed %i)', (seed) => {
    const next = numbers(seed * 7919);
    for (let graph = 0; graph < 60; graph++) {
      const count = 2 + Math.floor(next() * 10);
      const links = Array.from({ length: count }, (_, i) =>
        link(
          `n${i}`,
          Math.round(next() * 100) / 100,
          Array.from({ length: i }, (_unused, j) => `n${j}`).filter(() => next() < 0.3),
          i,
        ),
      );
      const shuffled = [...links].sort(() => next() - 0.5);
      const costs = chainCosts(shuffled, 0.6);
      for (const { id } of links) expect(costs.get(id)).toBeCloseTo(bruteForce(links, id, 0.6), 9);
    }
  });
});

describe('links', () => {
  it('that run backward, name nothing, stand twice or form a circle are told in words', () => {
    expect(linkFaults([link('a', 0, ['b'], 5), link('b', 0, [], 9)])).toEqual([
      '“a” at 5 s is said to be caused by “b”, which comes later, at 9 s.',
    ]);
    expect(linkFaults([link('a', 0, ['gone'])])[0]).toContain('“gone”, which is not there');
    expect(linkFaults([link('a', 0), link('a', 1)])[0]).toContain('stands for two things');
    expect(linkFaults([link('a', 0, ['b'], 5), link('b', 0, ['a'], 5)])[0]).toContain('circle');
    expect(linkFaults([link('a', 0, ['b'], 5), link('b', 0, [], 5)])).toEqual([]);
  });
});
