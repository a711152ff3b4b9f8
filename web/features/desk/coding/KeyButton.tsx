import { codeWords } from './codeWords.ts';

interface KeyButtonProps {
  code: string;
  words: string;
  /** At length, where the word alone does not say it. */
  title?: string;
  pressed?: boolean;
  onClick: (shift: boolean) => void;
}

/** A key of the palette, to be pressed with the pointer as well. */
export function KeyButton({ code, words, title, pressed = false, onClick }: KeyButtonProps) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      title={title}
      onClick={(event) => onClick(event.shiftKey)}
      className="flex h-[23px] items-center gap-1 rounded-sm border border-seam bg-linen pr-1 text-tiny whitespace-nowrap hover:border-pine aria-pressed:border-pine aria-pressed:bg-pine aria-pressed:text-linen"
    >
      <kbd className="time flex h-full min-w-5 items-center justify-center border-r border-inherit px-1 text-tiny">{codeWords(code)}</kbd>
      {words}
    </button>
  );
}
