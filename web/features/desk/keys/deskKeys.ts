/** What a key of the desk can do, in the order in which the help shows them: the key it has at first, and what it does. */
export const deskKeys = {
  play: { code: 'Space', words: 'Play, pause; held: drag the picture' },
  back: { code: 'KeyA', words: 'One frame back; held: glides; with Shift 10 frames' },
  on: { code: 'KeyD', words: 'One frame on; held: glides; with Shift 10 frames' },
  runBack: { code: 'KeyQ', words: 'Run it back: from 3 s earlier at half speed; again: 3 s more. With Shift: a loop of the range here' },
  faster: { code: 'KeyW', words: 'Faster' },
  slower: { code: 'KeyS', words: 'Slower; slowest of all is backwards' },
  mark: { code: 'KeyE', words: 'Drop a mark; with Shift begin and end a range' },
  burst: { code: 'KeyB', words: 'Next burst of movement' },
  lulls: { code: 'KeyN', words: 'Pass over lulls, or not; while you speak in order: the next thing to say, with Shift the one before' },
  previousStop: { code: 'KeyZ', words: 'Previous mark or note' },
  nextStop: { code: 'KeyX', words: 'Next mark or note' },
  write: { code: 'KeyF', words: 'Write on this frame' },
  link: { code: 'KeyL', words: 'This note was caused by … (then pick the earlier one)' },
  tray: { code: 'KeyC', words: 'Put this frame, or the range that was begun, in the compare tray' },
  tool: { code: 'KeyT', words: 'The last drawing tool' },
  pin: { code: 'KeyK', words: 'Pin the selected drawing on this frame' },
  positions: { code: 'KeyG', words: 'Positions: then one key for each, Shift for the partner’s' },
  score: { code: 'KeyH', words: 'Score, stakes and numbers' },
  take: { code: 'KeyR', words: 'Speak: begin, pause, go on; with Shift a new chapter' },
  hide: { code: 'KeyV', words: 'Hide drawings while held' },
} as const satisfies Record<string, { code: string; words: string }>;
export type DeskKey = keyof typeof deskKeys;

/** Codes of `KeyboardEvent.code`: the place of a key, whatever its letter is on this layout. */
export type KeyMap = Readonly<Record<DeskKey, string>>;

const names = Object.keys(deskKeys) as DeskKey[];
export const usualKeys = Object.fromEntries(names.map((name) => [name, deskKeys[name].code])) as KeyMap;

/** Keys that always do the same (choose a tool, finish, leave, take away) or belong to the browser. */
const kept = /^(Digit\d|Enter|NumpadEnter|Escape|Delete|Backspace|Tab|F\d+|CapsLock|ContextMenu|(Shift|Control|Alt|Meta|OS).*|Slash)$/;

/** Whether a key can be given to something else. */
export const canBeGiven = (code: string): boolean => code !== '' && !kept.test(code);

/** The map with `name` on another key; what had that key gets the one that is free now, so that nothing is without a key. */
export function keyGiven(map: KeyMap, name: DeskKey, code: string): KeyMap {
  const other = names.find((one) => map[one] === code);
  return { ...map, ...(other && { [other]: map[name] }), [name]: code };
}

/** A map as it was written down; what is missing, unknown or doubled is as usual. */
export function readKeyMap(written: unknown): KeyMap {
  let map = usualKeys;
  if (typeof written !== 'object' || written === null) return map;
  for (const name of names) {
    const code = (written as Record<string, unknown>)[name];
    if (typeof code === 'string' && canBeGiven(code)) map = keyGiven(map, name, code);
  }
  return map;
}

/** A key's place as a person calls it: "KeyQ" is Q. */
export const keyWords = (code: string): string => code.replace(/^Key/, '').replace(/^(Bracket|Arrow)(\w+)$/, '$1 $2');
