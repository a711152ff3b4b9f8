import type { ButtonHTMLAttributes } from 'react';

const looks = {
  pine: 'bg-pine text-linen border-pine hover:bg-ink hover:border-ink',
  plain: 'bg-linen text-pine border-seam hover:border-pine',
  quiet: 'bg-transparent text-pine border-transparent hover:border-seam',
};

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: keyof typeof looks;
  /** For thumbs: 48 px tall. */
  large?: boolean;
  busy?: boolean;
}

/** The house's button. Its words say what happens. */
export function Button({ look = 'pine', large, busy, disabled, className = '', type = 'button', ...rest }: ButtonProps) {
  const size = large ? 'min-h-12 px-5 text-read' : 'min-h-8 px-3 text-desk';
  return (
    <button
      type={type}
      disabled={disabled || busy}
      aria-busy={busy || undefined}
      className={`inline-flex items-center justify-center gap-2 rounded-sm border font-semibold transition-colors disabled:opacity-50 ${size} ${looks[look]} ${className}`}
      {...rest}
    />
  );
}
