import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

/** What a list that opens asks of a browser and jsdom does not have, for want of a layout. */
export function layOut(): void {
  Element.prototype.scrollIntoView ??= () => undefined;
  Element.prototype.hasPointerCapture ??= () => false;
  globalThis.ResizeObserver ??= class {
    observe = (): void => undefined;
    unobserve = (): void => undefined;
    disconnect = (): void => undefined;
  };
}

async function openList(name: string): Promise<HTMLElement[]> {
  layOut();
  screen.getByRole('combobox', { name }).focus();
  await userEvent.keyboard('{Enter}');
  return screen.findAllByRole('option');
}

/** The words of a list's options, in order. */
export async function wordsOfList(name: string): Promise<string[]> {
  const words = (await openList(name)).map((option) => option.textContent);
  await userEvent.keyboard('{Escape}');
  return words;
}

/** Chooses an option of a list by its words, as keys do. */
export async function chooseFrom(name: string, words: string): Promise<void> {
  const option = (await openList(name)).find(({ textContent }) => textContent === words);
  if (!option) throw new Error(`“${name}” does not offer “${words}”.`);
  option.focus();
  await userEvent.keyboard('{Enter}');
}
