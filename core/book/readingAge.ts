/** Groups of vowels, without a silent e at the end: close enough for an average over many words. */
const syllables = (word: string): number =>
  Math.max(1, (word.replace(/(?:[^laeiouy]|ed|[^laeiouy]e)$/, '').match(/[aeiouy]{1,2}/g) ?? []).length);

/**
 * The school year in which a text can be read at ease: Flesch–Kincaid grade (Kincaid et al. 1975), 0.39 × words a sentence + 11.8 ×
 * syllables a word − 15.59. Null where there is no word. Worked example: "The cat sat on the mat." → −1.45.
 */
export function readingGrade(text: string): number | null {
  const words = text.toLowerCase().match(/\p{L}+/gu) ?? [];
  if (words.length === 0) return null;
  const sentences = text.split(/[.!?:;]+(?=\s|$)/).filter((part) => /\p{L}/u.test(part)).length;
  const sounds = words.reduce((sum, word) => sum + syllables(word), 0);
  return 0.39 * (words.length / sentences) + 11.8 * (sounds / words.length) - 15.59;
}
