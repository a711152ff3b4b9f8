import type { LucideIcon } from 'lucide-react';

interface FileButtonProps {
  words: string;
  /** What may be chosen, as an input's `accept`. */
  accept: string;
  onFile: (file: File) => void;
  icon?: LucideIcon;
  disabled?: boolean;
  className?: string;
}

/** Words that ask for a file of this device. The same file may be chosen again. */
export function FileButton({ words, accept, onFile, icon: Icon, disabled = false, className = '' }: FileButtonProps) {
  return (
    <label
      className={`inline-flex cursor-pointer items-center gap-1.5 text-small font-semibold text-pine focus-within:outline-2 hover:underline ${className}`}
    >
      {Icon && <Icon size={14} aria-hidden />}
      {words}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        disabled={disabled}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
