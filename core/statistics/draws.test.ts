import { describe, expect, it } from 'vitest';
import { drawsFrom } from './draws.ts';
import { studentT } from './studentT.ts';

const moments = (values: number[]) => {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  return { mean, variance: values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length };
};

describe('drawn numbers', () => {
  it('are the same for the same seed and others for another', () => {
    const three = (seed: number) => Array.from({ length: 3 }, drawsFrom(seed).normal);
    expect(three(4)).toEqual(three(4));
    expect(three(4)).not.toEqual(three(5));
  });

  it.each([
    ['normal', drawsFrom(1).normal, 0, 1],
    ['gamma of shape 0.5', () => gammas.gamma(0.5), 0.5, 0.5],
    ['gamma of shape 2.5', () => gammas.gamma(2.5), 2.5, 2.5],
    ['Poisson of mean 4', () => gammas.poisson(4), 4, 4],
    ['Poisson of mean 200', () => gammas.poisson(200), 200, 200],
    ['Poisson of mean 0', () => gammas.poisson(0), 0, 0],
  ])('%s have the mean and the variance of the books', (_, draw, mean, variance) => {
    const found = moments(Array.from({ length: 40_000 }, draw));
    // Six standard errors: of the mean √(σ² ÷ n), of the variance at most about σ² · √(20 ÷ n).
    expect(Math.abs(found.mean - mean)).toBeLessThanOrEqual(6 * Math.sqrt(variance / 40_000));
    expect(Math.abs(found.variance - variance)).toBeLessThanOrEqual(6 * variance * Math.sqrt(20 / 40_000));
  });
});

const gammas = drawsFrom(2);

describe('Student’s t', () => {
  it.each([
    [0.9, 1, 3.077684],
    [0.9, 4, 1.533206],
    [0.95, 5, 2.015048],
    [0.975, 10, 2.228139],
    [0.9, 11, 1.36343],
    [0.1, 4, -1.533206],
    [0.5, 7, 0],
    [0.9, 400, 1.283672],
  ])('%f with %i degrees of freedom is %f, as printed in tables', (share, freedom, quantile) => {
    expect(studentT(share, freedom)).toBeCloseTo(quantile, 4);
  });
});
