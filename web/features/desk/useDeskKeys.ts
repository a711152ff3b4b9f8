import { drawingTools, type DrawingTool } from '@lean-mentor/core/desk';
import { useEffect, useRef } from 'react';
import type { FramePlayer } from '../footage/index.ts';
import type { DeskActions } from './useDesk.ts';

interface DeskKeys {
  player: FramePlayer | null;
  actions: DeskActions;
  write: () => void;
  goToStop: (direction: 1 | -1) => void;
  dropMark: () => void;
  goToBurst: () => void;
  leave: () => void;
  /** Null: the tool used last. */
  pickTool: (tool: DrawingTool | null) => void;
  removeSelected: () => void;
  hide: (hidden: boolean) => void;
}

const framesWithShift = 10;

/** Physical keys, so that the left hand finds them on any layout. Answers whether the key did something. */
function press(event: KeyboardEvent, k: DeskKeys): boolean {
  const { player } = k;
  const many = event.shiftKey ? framesWithShift : 1;
  const digit = /^Digit([1-9])$/.exec(event.code);
  if (digit) {
    const tool = drawingTools[Number(digit[1]) - 1];
    if (tool) k.pickTool(tool);
    return Boolean(tool);
  }
  switch (event.code) {
    case 'KeyA':
      player?.step(-many);
      return true;
    case 'KeyD':
      player?.step(many);
      return true;
    default:
  }
  // The rest acts once however long the key is held.
  if (event.repeat) return ['Space', 'KeyQ', 'KeyW', 'KeyS', 'KeyE', 'KeyV'].includes(event.code);
  switch (event.code) {
    case 'Space':
      player?.toggle();
      return true;
    case 'KeyQ':
      player?.runBack();
      return true;
    case 'KeyW':
      player?.changeSpeed(1);
      return true;
    case 'KeyS':
      player?.changeSpeed(-1);
      return true;
    case 'KeyE':
      k.dropMark();
      return true;
    case 'KeyZ':
      k.goToStop(-1);
      return true;
    case 'KeyX':
      k.goToStop(1);
      return true;
    case 'KeyF':
      k.write();
      return true;
    case 'KeyB':
      k.goToBurst();
      return true;
    case 'KeyN':
      player?.toggleLulls();
      return true;
    case 'KeyT':
      k.pickTool(null);
      return true;
    case 'KeyV':
      k.hide(true);
      return true;
    case 'Delete':
    case 'Backspace':
      k.removeSelected();
      return true;
    default:
      return false;
  }
}

/** The desk's keys, while nothing is being typed. Escape leaves a text field first; the text stays. */
export function useDeskKeys(keys: DeskKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const down = (event: KeyboardEvent): void => {
      const k = latest.current;
      const target = event.target instanceof HTMLElement ? event.target : null;
      const typing = target?.matches('input, textarea, [contenteditable]') ?? false;
      if (event.code === 'Escape') {
        if (typing) target?.blur();
        else k.leave();
        return;
      }
      if ((event.ctrlKey || event.metaKey) && !typing) {
        if (event.code === 'KeyZ' && !event.shiftKey) k.actions.undo();
        else if (event.code === 'KeyY' || event.code === 'KeyZ') k.actions.redo();
        else return;
        event.preventDefault();
        return;
      }
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      // Space on a focused button or choice would press it as well as play.
      if (press(event, k)) event.preventDefault();
    };
    const up = (event: KeyboardEvent): void => {
      if (event.code === 'KeyV') latest.current.hide(false);
    };
    const away = (): void => latest.current.hide(false);
    addEventListener('keydown', down);
    addEventListener('keyup', up);
    addEventListener('blur', away);
    return () => {
      removeEventListener('keydown', down);
      removeEventListener('keyup', up);
      removeEventListener('blur', away);
    };
  }, []);
}
