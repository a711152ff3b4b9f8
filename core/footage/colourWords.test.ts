import { describe, expect, it } from 'vitest';
import { colourWords, colourWordsAt } from './colourWords.ts';

describe('the colour of clothes', () => {
  it.each([
    [130, 70, 180, 'violet'],
    [90, 45, 130, 'violet'],
    [250, 250, 248, 'white'],
    [200, 200, 195, 'white'],
    [15, 15, 18, 'black'],
    [50, 52, 55, 'black'],
    [30, 45, 95, 'dark blue'],
    [40, 95, 200, 'blue'],
    [210, 40, 50, 'red'],
    [240, 215, 80, 'yellow'],
    [20, 120, 125, 'teal'],
  ])('%i, %i, %i is called %s', (red, green, blue, words) => {
    expect(colourWords(red, green, blue)).toBe(words);
  });

  it('is told from the picture around a tap, whatever single pixels say', () => {
    const [width, height] = [200, 100];
    const picture = new Uint8ClampedArray(width * height * 4).fill(240);
    for (let y = 40; y < 60; y++)
      for (let x = 20; x < 60; x++) picture.set((x + y) % 5 === 0 ? [255, 255, 255, 255] : [190, 35, 45, 255], (y * width + x) * 4);
    expect(colourWordsAt(picture, width, height, 0.2, 0.5)).toBe('red');
    expect(colourWordsAt(picture, width, height, 0.9, 0.1)).toBe('white');
    expect(colourWordsAt(picture, width, height, 0, 1)).toBe('white');
  });
});
