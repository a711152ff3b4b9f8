import { keyWords } from '../keys/deskKeys.ts';

const signs: Readonly<Record<string, string>> = {
  BracketLeft: '[',
  BracketRight: ']',
  Semicolon: ';',
  Quote: '’',
  Comma: ',',
  Period: '.',
  Slash: '/',
  Minus: '-',
  Equal: '=',
  Backquote: '`',
  Backslash: '\\',
  Enter: '↵',
};

/** What stands on a key of the palette, on a keyboard of the usual kind. */
export const codeWords = (code: string): string => signs[code] ?? keyWords(code.replace('Digit', ''));
