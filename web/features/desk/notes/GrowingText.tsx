import { useEffect, useRef, useState, type Ref } from 'react';

interface GrowingTextProps {
  ref?: Ref<HTMLTextAreaElement>;
  label: string;
  value: string;
  onChange: (value: string) => void;
  placeholder: string;
  /** Most characters. */
  most: number;
  className?: string;
}

/** Typing that rests this long, in ms, is handed on as one edit. */
const restMs = 300;

/** One line that grows with its text. What is typed is handed on when the hands rest, on leaving, and at the very end. */
export function GrowingText({ ref, label, value, onChange, placeholder, most, className = '' }: GrowingTextProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [seen, setSeen] = useState(value);
  const [resting, setResting] = useState(true);
  // What was typed stays until it comes back: showing the old words for a moment would take the last letters from under a slow hand.
  if (value !== seen) {
    setSeen(value);
    if (resting || value === typed) setTyped(null);
  }
  const pending = useRef<{ text: string; timer: ReturnType<typeof setTimeout> } | null>(null);
  const handOn = useRef(onChange);
  useEffect(() => {
    handOn.current = onChange;
  });

  const flush = (): void => {
    if (!pending.current) return;
    clearTimeout(pending.current.timer);
    const { text } = pending.current;
    pending.current = null;
    setResting(true);
    handOn.current(text);
  };
  const type = (text: string): void => {
    setTyped(text);
    setResting(false);
    if (pending.current) clearTimeout(pending.current.timer);
    pending.current = { text, timer: setTimeout(flush, restMs) };
  };
  useEffect(
    () => () => {
      if (!pending.current) return;
      clearTimeout(pending.current.timer);
      handOn.current(pending.current.text);
    },
    [],
  );

  return (
    <textarea
      ref={ref}
      aria-label={label}
      rows={1}
      maxLength={most}
      value={typed ?? value}
      placeholder={placeholder}
      onChange={(event) => type(event.target.value)}
      onBlur={flush}
      className={`field-sizing-content w-full resize-none rounded-sm border border-transparent border-b-seam bg-transparent px-2 py-1 placeholder:text-reed hover:bg-linen focus:border-seam focus:bg-linen ${className}`}
    />
  );
}
