/** What may be in hand on the desk, each told apart by what it takes keys, pointer or room for. */
export type Mode =
  'note' | 'range' | 'link' | 'drawing' | 'measure' | 'positions' | 'attempt' | 'score' | 'tray' | 'take' | 'order' | 'speaking';

/** What stands under the stage while something is in hand. */
export type Panel = 'note' | 'measure' | 'positions' | 'score' | 'take' | 'order';

interface ModeRule {
  /** Null: it needs no room of its own under the stage. */
  panel: Panel | null;
  /** palette: while it is on top, every key that does not play the video is the palette's; tray: the tray steps its own frames. */
  keys: 'desk' | 'palette' | 'tray';
}

const modeRules: Readonly<Record<Mode, ModeRule>> = {
  note: { panel: 'note', keys: 'desk' },
  range: { panel: null, keys: 'desk' },
  link: { panel: null, keys: 'desk' },
  drawing: { panel: null, keys: 'desk' },
  measure: { panel: 'measure', keys: 'desk' },
  positions: { panel: 'positions', keys: 'palette' },
  attempt: { panel: 'positions', keys: 'palette' },
  score: { panel: 'score', keys: 'desk' },
  tray: { panel: null, keys: 'tray' },
  take: { panel: 'take', keys: 'desk' },
  order: { panel: 'order', keys: 'desk' },
  speaking: { panel: null, keys: 'desk' },
};

/** What is in hand, the topmost last: what was taken up last lies on top. */
export type InHand = readonly Mode[];

const allModes = Object.keys(modeRules) as Mode[];

/**
 * What is in hand after a change of what is on: what still is keeps its place, what has come lies on top, in the order of the list above.
 * The same stack where nothing changed.
 */
export function inHandAfter(before: InHand, isOn: Readonly<Record<Mode, boolean>>): InHand {
  const kept = before.filter((mode) => isOn[mode]);
  const come = allModes.filter((mode) => isOn[mode] && !before.includes(mode));
  return come.length === 0 && kept.length === before.length ? before : [...kept, ...come];
}

/** What Esc closes: the topmost, and so never anything that is hidden under something else. */
export const topmost = (inHand: InHand): Mode | undefined => inHand.at(-1);

/** What stands under the stage: the panel of the topmost that has one; null: what is left to do. */
export function panelOf(inHand: InHand): Panel | null {
  const mode = inHand.findLast((one) => modeRules[one].panel !== null);
  return mode ? modeRules[mode].panel : null;
}

/** Whose the keys are. A drawing tool that was taken up over the palette leaves it the keys that it does not need itself. */
export const keysOf = (inHand: InHand): ModeRule['keys'] => {
  if (inHand.includes('tray')) return 'tray';
  return panelOf(inHand) === 'positions' ? 'palette' : 'desk';
};
