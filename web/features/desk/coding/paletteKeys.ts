import type { PositionCode } from '@lean-mentor/core/scoring';

/** A row of the palette: what is alike stands together. Keys are places on the keyboard; those that play the video stay theirs. */
export const paletteRows: readonly { words: string; keys: readonly (readonly [code: string, position: PositionCode])[] }[] = [
  {
    words: 'Neither holds, and attacks',
    keys: [
      ['Digit1', 'standing'],
      ['Digit2', 'clinch'],
      ['Digit3', 'both-seated'],
      ['Digit4', 'scramble'],
      ['Digit5', 'fifty-fifty'],
      ['Digit6', 'front-headlock'],
      ['Digit7', 'rear-clinch'],
      ['Digit8', 'leg-entanglement'],
    ],
  },
  {
    words: 'Guard, passer holds',
    keys: [
      ['KeyE', 'closed-guard'],
      ['KeyR', 'open-guard'],
      ['KeyT', 'seated-guard'],
      ['KeyY', 'knee-shield'],
      ['KeyU', 'half-guard'],
      ['KeyI', 'quarter-guard'],
      ['KeyO', 'deep-half'],
      ['KeyP', 'single-leg-x'],
      ['BracketLeft', 'x-guard'],
      ['BracketRight', 'k-guard'],
    ],
  },
  {
    words: 'Pins, the one on top holds',
    keys: [
      ['KeyF', 'side-control'],
      ['KeyH', 'north-south'],
      ['KeyJ', 'head-and-arm'],
      ['KeyK', 'knee-on-belly'],
      ['KeyL', 'mount'],
      ['Semicolon', 'three-quarter-mount'],
      ['Quote', 'back-mount'],
      ['KeyC', 'turtle'],
    ],
  },
  {
    words: 'Back, the attacker holds',
    keys: [
      ['KeyB', 'back-control'],
      ['KeyV', 'back-seatbelt'],
      ['KeyN', 'truck'],
      ['KeyM', 'crucifix'],
    ],
  },
];

const positions = new Map(paletteRows.flatMap(({ keys }) => keys));
export const positionOfKey = (code: string): PositionCode | undefined => positions.get(code);

/** What happens at an instant, by key. An attempt then asks which, and how it went. */
export const eventKeys = [
  ['Comma', 'attempt', 'Attempt'],
  ['Period', 'guard-pull', 'Guard pull (again: gripped)'],
  ['Slash', 'stoppage', 'Stop, restart'],
  ['Minus', 'penalty', 'Penalty'],
  ['Equal', 'finish', 'Finish'],
  ['Backquote', 'edge', 'Edge to here'],
] as const;

export const techniqueKeys = [
  ['KeyT', 'takedown', 'takedown'],
  ['KeyR', 'sweep', 'sweep'],
  ['KeyP', 'pass', 'pass'],
  ['KeyB', 'back-take', 'back take'],
  ['KeyE', 'escape', 'escape'],
  ['KeyF', 'finish', 'finish'],
] as const;

export const outcomeKeys = [
  ['Digit1', { outcome: 'success', close: false }, 'worked'],
  ['Digit2', { outcome: 'failed', close: false }, 'failed'],
  ['Digit3', { outcome: 'failed', close: true }, 'failed, but close'],
  ['Digit4', { outcome: 'countered', close: false }, 'countered'],
] as const;
