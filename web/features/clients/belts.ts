import type { Option } from '../../shared/primitives/index.ts';

/** A client's level, 1 to 5, by its belt. */
export const beltOptions: readonly Option[] = ['White', 'Blue', 'Purple', 'Brown', 'Black'].map((words, i) => ({
  value: String(i + 1),
  words,
}));
