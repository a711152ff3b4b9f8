import type { CodedThreat } from '@lean-mentor/core/desk';
import type { Athlete, PositionCode, Posture } from '@lean-mentor/core/scoring';

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

/** What happens at an instant, by key, in a word and at length. An attempt then asks which, and how it went. */
export const eventKeys = [
  ['Comma', 'attempt', 'Attempt', 'An attempt: which, two letters of its name if you like, how it went'],
  ['Period', 'guard-pull', 'Guard pull', 'Pulls guard; again: the other had gripped'],
  ['Slash', 'stoppage', 'Stop', 'The clock stops; again: it goes on'],
  ['Minus', 'penalty', 'Penalty', 'A penalty'],
  ['Equal', 'finish', 'Finish', 'A finish; again on the same frame: caught and let go'],
  ['Backquote', 'edge', 'Edge here', 'The nearest edge comes here'],
  ['Digit9', 'threat', 'Attack', 'An attack at a finish begins; again: it is over'],
  ['Backslash', 'lock', 'Tight', 'The attack is tight from here'],
  ['Enter', 'name', 'Name', 'Names what was told last, or the stretch here: two letters'],
  ['Digit0', 'posture', 'Posture', 'How the two are: one more key'],
] as const;

/** How the two are, by key; of hands with Shift the partner's. */
export const postureKeys: readonly (readonly [code: string, posture: (athlete: Athlete) => Posture, words: string])[] = [
  ['KeyT', () => ({ top: 'standing' }), 'top standing'],
  ['KeyK', () => ({ top: 'knees' }), 'top on the knees'],
  ['KeyF', () => ({ bottom: 'flat' }), 'below flat'],
  ['KeyI', () => ({ bottom: 'side' }), 'below on the side'],
  ['KeyE', () => ({ bottom: 'seated' }), 'below seated'],
  ['KeyN', (inside) => ({ inside }), 'inside hands'],
  ['KeyH', (head) => ({ head }), 'hand on the head'],
];

export const endedKeys: readonly (readonly [code: string, ended: CodedThreat['ended'], words: string])[] = [
  ['Digit1', 'tap', 'a tap'],
  ['Digit2', 'escape', 'an escape'],
  ['Digit3', 'traded', 'given up for a position'],
  ['Digit4', 'let go', 'let go'],
  ['Digit5', 'time', 'time was up'],
];

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
