import { drawingTools } from '@lean-mentor/core/desk';
import { useEffect, useRef } from 'react';
import type { DeskScene } from '../DeskScene.ts';
import type { DeskKey } from './deskKeys.ts';
import { deskKeyOf, keyMap } from './keyMap.ts';
import type { DeskControls } from '../DeskControls.tsx';
import type { keysOf } from '../inHand.ts';
import { toggleLoop } from '../useLoop.ts';

interface DeskKeys extends DeskControls {
  scene: DeskScene;
  /** Lays down what lies on top. */
  leave: () => void;
  /** Whose the keys are at present. */
  keysOf: ReturnType<typeof keysOf>;
}

const framesWithShift = 10;
/** A key that is held this long, in ms, makes frames glide. */
const glideAfterMs = 280;

/** Which way a key steps; undefined when it does not. */
export function directionOf(code: string): 1 | -1 | undefined {
  const { back, on } = keyMap();
  return code === back ? -1 : code === on ? 1 : undefined;
}

/** Keys that keep their meaning while positions are coded. */
const whilePlaying: ReadonlySet<DeskKey> = new Set([
  'play',
  'back',
  'on',
  'runBack',
  'faster',
  'slower',
  'previousStop',
  'nextStop',
  'positions',
]);

type Does = (keys: DeskKeys, event: KeyboardEvent) => void;

/** What each key does. These act once, however long the key is held. */
const keyDoes: Readonly<Record<Exclude<DeskKey, 'back' | 'on'>, Does>> = {
  play: ({ scene, take }, { shiftKey }) => (shiftKey && take.isSpeaking() ? take.press() : scene.player?.toggle()),
  runBack: ({ scene }, { shiftKey }) => (shiftKey ? toggleLoop(scene) : scene.player?.runBack()),
  faster: ({ scene }) => scene.player?.changeSpeed(1),
  slower: ({ scene }) => scene.player?.changeSpeed(-1),
  mark: ({ writing }, { shiftKey }) => (shiftKey ? writing.markRange() : writing.dropMark()),
  burst: ({ stops }) => stops.goToBurst(),
  lulls: ({ scene, take }, { shiftKey }) => (take.isOrdered() ? take.order.step(shiftKey ? -1 : 1) : scene.player?.toggleLulls()),
  previousStop: ({ stops }) => stops.goToStop(-1),
  nextStop: ({ stops }) => stops.goToStop(1),
  write: ({ writing }) => writing.write(),
  link: ({ writing }) => writing.link(),
  tray: ({ tray, writing }) => {
    tray.add(writing.rangeHere());
    writing.dropRange();
  },
  tool: ({ drawing }) => drawing.step({ do: 'take', tool: null }),
  pin: ({ drawing }) => drawing.togglePin(),
  positions: ({ coding }) => coding.toggle(),
  score: ({ score }) => score.toggle(),
  take: ({ take }, { shiftKey }) => (shiftKey ? take.chapter() : take.press()),
  hide: ({ drawing }) => drawing.step({ do: 'hide', hidden: true }),
};
const fixedKeyDoes: Readonly<Record<string, Does>> = {
  Enter: ({ drawing, measuring }) => void (measuring.done() || drawing.close()),
  Delete: ({ drawing, writing }) => void (drawing.remove() || writing.letGo()),
  Backspace: ({ drawing, measuring }) => (measuring.work === null ? void drawing.remove() : measuring.step({ do: 'takeBack' })),
};
const withControl: Readonly<Record<string, Does>> = {
  KeyZ: ({ scene }, { shiftKey }) => (shiftKey ? scene.actions.redo() : scene.actions.undo()),
  KeyY: ({ scene }) => scene.actions.redo(),
  KeyC: ({ drawing }) => drawing.copy(),
  KeyV: ({ drawing }) => drawing.paste(),
};

/**
 * Whether a key presses the button that has the focus. Enter always does; Space where the keyboard put the focus there: after a press with
 * the pointer it plays on.
 */
function pressesFocused({ code, target }: KeyboardEvent, keysAre: DeskKeys['keysOf']): boolean {
  if (!(target instanceof HTMLElement) || !target.matches('button, a, [type=checkbox], [role=menuitem], [role=radio], [role=tab]'))
    return false;
  // The palette has a meaning of its own for Enter: a button that was pressed with the pointer is not pressed again by it.
  return (code === 'Enter' && keysAre !== 'palette') || ((code === 'Enter' || code === 'Space') && target.matches(':focus-visible'));
}

/** Answers whether the key did something. */
function press(event: KeyboardEvent, keys: DeskKeys): boolean {
  const { scene, drawing } = keys;
  // A name is being typed: its letters go before everything else.
  if (keys.keysOf === 'palette' && keys.coding.takesLetters() && keys.coding.key(event)) return true;
  const direction = directionOf(event.code);
  if (direction) {
    // With Shift the keyboard's own repeating makes leaps; without, frames glide one by one.
    if (event.shiftKey) scene.player?.step(direction * framesWithShift);
    else if (!event.repeat) scene.player?.step(direction);
    return true;
  }
  // While positions are coded, what plays the video stays what it is; every other key is the palette's.
  const name = deskKeyOf(event.code);
  if (keys.keysOf === 'palette' && !(name && whilePlaying.has(name)) && keys.coding.key(event)) return true;
  const tool = drawingTools[Number(/^Digit([1-9])$/.exec(event.code)?.[1]) - 1];
  if (tool) {
    drawing.step({ do: 'take', tool });
    return true;
  }
  const does = name && name !== 'back' && name !== 'on' ? keyDoes[name] : fixedKeyDoes[event.code];
  if (!does) return false;
  if (!event.repeat) does(keys, event);
  return true;
}

/** The desk's keys, while nothing is being typed. Escape leaves a text field first; the text stays. */
export function useDeskKeys(keys: DeskKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    let gliding: ReturnType<typeof setTimeout> | undefined;
    const player = () => latest.current.scene.player;
    const stopGliding = (): void => {
      clearTimeout(gliding);
      player()?.stopGliding();
    };
    const down = (event: KeyboardEvent): void => {
      const target = event.target instanceof HTMLElement ? event.target : null;
      const typing =
        target?.matches(
          'input:not([type=range], [type=checkbox], [type=radio]), textarea, [role=combobox], [role=listbox], [role=option], [contenteditable]',
        ) ?? false;
      if (event.code === 'Escape') {
        if (typing) target?.blur();
        else latest.current.leave();
        return;
      }
      if (typing || event.altKey) return;
      if (event.ctrlKey || event.metaKey) {
        const does = withControl[event.code];
        // Words that are selected on the page are copied as words.
        if (!does || (event.code === 'KeyC' && getSelection()?.toString())) return;
        does(latest.current, event);
        event.preventDefault();
        return;
      }
      // The tray steps its own frames.
      if (latest.current.keysOf === 'tray') return;
      if (pressesFocused(event, latest.current.keysOf)) return;
      if (press(event, latest.current)) event.preventDefault();
      const direction = directionOf(event.code);
      if (!direction || event.shiftKey || event.repeat) return;
      stopGliding();
      gliding = setTimeout(() => player()?.glide(direction), glideAfterMs);
    };
    const up = (event: KeyboardEvent): void => {
      if (directionOf(event.code)) stopGliding();
      if (event.code === keyMap().hide) latest.current.drawing.step({ do: 'hide', hidden: false });
    };
    const away = (): void => {
      stopGliding();
      latest.current.drawing.step({ do: 'hide', hidden: false });
    };
    addEventListener('keydown', down);
    addEventListener('keyup', up);
    addEventListener('blur', away);
    return () => {
      stopGliding();
      removeEventListener('keydown', down);
      removeEventListener('keyup', up);
      removeEventListener('blur', away);
    };
  }, []);
}
