/**
 * Texts as they may be stored, in whatever a request or a file holds: a half of a surrogate pair (a symbol cut in two) becomes "�",
 * since no database and no file can keep it; NUL, which ends texts in other programs, goes; the same letter written in two ways is
 * written one way (Unicode NFC). Numbers, booleans and null stay; keys are treated like texts. Recursion is as deep as the value.
 */
export function wellFormed(value: unknown): unknown {
  if (typeof value === 'string') return wellFormedText(value);
  if (Array.isArray(value)) return value.map(wellFormed);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [wellFormedText(key), wellFormed(one)]));
}

/** A lone surrogate, found only where its other half is missing (the `u` flag reads whole pairs as one). */
const loneSurrogate = /\p{Surrogate}/gu;
const nul = String.fromCharCode(0);

const wellFormedText = (text: string): string => text.replace(loneSurrogate, '�').replaceAll(nul, '').normalize('NFC');
