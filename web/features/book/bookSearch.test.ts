import { blankPrinciple, nothingAsked, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { expect, it } from 'vitest';
import { bookSearch } from './bookSearch.ts';
import { readBookText } from './bookFiles.ts';

const principle = (id: string, name: string, more: Partial<BookPrinciple> = {}): BookPrinciple => blankPrinciple({ id, name, ...more });
const drill: BookDrill = {
  id: 'd',
  name: 'Post ladder',
  how: 'Sit, post, stand.',
  partner: 'alone',
  equipment: 'a towel',
  minutes: 3,
  caution: 'joint',
  loads: nothingAsked(),
  attire: 'either',
};
const entries = [
  principle('a', 'Base out before you fight the lift', { chances: 'lifted while passing' }),
  principle('b', 'Hide the heel', { area: 'legs', caution: 'knee-and-heel', where: [{ position: 'leg-entanglement', role: 'other' }] }),
  principle('c', 'Hooks carry', { variants: [{ when: 'they stand', do: 'lift the far hook', stance: 'taught', spares: [] }] }),
];
const search = bookSearch(entries);

it.each([
  ['lifted while passing', ['a']],
  ['lift hook', ['c']],
  ['entangl', ['b']],
  ['heal', ['b']],
  ['neck', []],
] as const)('“%s” finds %j', (asked, ids) => {
  expect([...search(asked)].sort()).toEqual([...ids]);
});

it('the name counts most', () => expect(search('lift')[0]).toBe('a'));
it('nothing asked is everything, in its order', () => expect(search('  ')).toEqual(['a', 'b', 'c']));
it('drills are found by what one does and needs', () => expect(bookSearch([drill])('towel')).toEqual(['d']));

it('a file is read by what it looks like', () => {
  expect(readBookText('{"format":"lean-mentor/book@1"}')).toMatchObject({ book: { principles: [], drills: [] } });
  expect(readBookText('{"format":')).toEqual({ faults: ['It begins like JSON, and is not whole.'] });
  expect(readBookText('## Drill: Shrimp\n- minutes: 4')).toMatchObject({ book: { drills: [{ name: 'Shrimp', minutes: 4 }] } });
});
