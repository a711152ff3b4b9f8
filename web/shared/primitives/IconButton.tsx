import type { LucideIcon } from 'lucide-react';

interface IconButtonProps {
  icon: LucideIcon;
  words: string;
  onClick: () => void;
  disabled?: boolean;
  pressed?: boolean;
}

/** A small button that shows a picture; its words are its name and its hint. */
export function IconButton({ icon: Icon, words, onClick, disabled, pressed }: IconButtonProps) {
  return (
    <button
      type="button"
      title={words}
      aria-label={words}
      disabled={disabled}
      aria-pressed={pressed}
      onClick={onClick}
      className="flex size-8 items-center justify-center rounded-sm hover:bg-linen disabled:opacity-35 aria-pressed:bg-pine aria-pressed:text-linen"
    >
      <Icon size={17} strokeWidth={1.8} />
    </button>
  );
}
