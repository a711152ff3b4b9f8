/** The product's name with its mark: a ribbon that sways. */
export const Wordmark = ({ large = false }: { large?: boolean }) => (
  <span
    className={`inline-flex shrink-0 items-center gap-2 font-head whitespace-nowrap font-bold tracking-tight text-pine ${large ? 'text-banner' : 'text-read'}`}
    style={{ fontStretch: '122%' }}
  >
    <svg viewBox="0 0 16 32" className={large ? 'h-10 w-5' : 'h-6 w-3'} aria-hidden>
      <path d="M7 1C7 8 1 8 1 13S11 17 11 23 7 27 7 31h2c0-4 6-3 6-9S5 17 5 13s4-5 4-12Z" fill="currentColor" />
    </svg>
    Lean Mentor
  </span>
);
