import type { NoteKind } from '@lean-mentor/core/desk';

export const kindWords: Record<NoteKind, string> = {
  mistake: 'Mistake',
  'missed-chance': 'Missed chance',
  good: 'Good',
  question: 'Question',
  caution: 'Caution',
};

/** A note's kind as a small drawn shape; a word always stands beside it or in its label. */
export function KindGlyph({ kind, size = 14 }: { kind: NoteKind; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" fill="none" stroke="currentColor" strokeWidth="2" aria-hidden className="shrink-0">
      {kind === 'mistake' && <path d="M3 3 13 8 3 13" />}
      {kind === 'missed-chance' && <path d="M2.5 2.8 5.6 4.3M8.6 5.8 13 8 8.6 10.2M5.6 11.7 2.5 13.2" />}
      {kind === 'good' && <circle cx="8" cy="8" r="6" className="fill-brass stroke-brass" />}
      {kind === 'question' && <circle cx="8" cy="8" r="5.5" />}
      {kind === 'caution' && <rect x="2" y="6" width="12" height="4" className="fill-brick stroke-brick" />}
    </svg>
  );
}
