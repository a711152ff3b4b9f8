import fc from 'fast-check';
import { expect, it } from 'vitest';
import { searchAsked } from './index.ts';

it.each([
  ['every good post when lifted', ['good'], ['post', 'lifted']],
  ['missed chances in mount', ['missed-chance'], ['mount']],
  ['"Knee-shield" +(hand*', [], ['knee', 'shield', 'hand']],
  ['  the a of ', [], []],
  ['Dušan’s frames, frames', [], ['dušan', 'frames']],
] as const)('“%s” asks for %j with %j', (text, kinds, words) => {
  expect(searchAsked(text)).toEqual({ kinds: [...kinds], words: [...words] });
});

it('leaves nothing that an index could take for a command', () => {
  fc.assert(fc.property(fc.string(), (text) => searchAsked(text).words.every((word) => /^[\p{L}\p{N}]+$/u.test(word))));
});
