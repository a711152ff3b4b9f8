import { asksOf, type Asking, type BookAttire } from '@lean-mentor/core/book';
import { cautionWords, loadText, mergedLoads } from '@lean-mentor/core/care';
import { attireNames } from './CareFields.tsx';

/** What an entry asks of the body, with the usual words of its caution class. */
export function CareNotes({ of }: { of: Asking & { attire: BookAttire } }) {
  const { doer, partner } = asksOf(of);
  const line = (words: string, loads: typeof doer) =>
    loads.length > 0 && (
      <p>
        {words} {mergedLoads(loads).map(loadText).join('; ')}.
      </p>
    );
  return (
    <section aria-label="Care" className="flex flex-col gap-1 border-l-4 border-brick pl-3 text-small">
      <p>{cautionWords[of.caution]}</p>
      {line('It asks of whoever does it:', doer)}
      {line('Of the other one:', partner)}
      {of.attire !== 'either' && <p>{attireNames[of.attire]}.</p>}
    </section>
  );
}
