import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { useEditorState, type Editor } from '@tiptap/react';
import { X } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { useAccount } from '../../access/index.ts';
import { useGetPhraseBookQuery, useSavePhraseBookMutation } from '../api.ts';

/** What the coach says often: phrases to put in where the cursor is, and pages to begin from. */
export function Phrases({ editor, doc }: { editor: Editor; doc: CritiqueDoc }) {
  const { data } = useGetPhraseBookQuery();
  const [save] = useSavePhraseBookMutation();
  const [naming, setNaming] = useState<string | null>(null);
  const mayKeep = useAccount()?.role === 'coach';
  const selected = useEditorState({
    editor,
    selector: ({ editor: now }) => now.state.doc.textBetween(now.state.selection.from, now.state.selection.to, ' ').trim(),
  });
  if (!data) return null;
  const { phrases, templates } = data;
  const put = (words: string): void => void editor.chain().focus().insertContent(words).run();
  const begin = (template: CritiqueDoc): void => {
    editor.chain().focus().setContent(template).run();
    toast('The page is as in the template. Undo brings back what was there.');
  };
  /** A page to begin from has no moments of this client. */
  const bare = (): CritiqueDoc => ({ ...doc, content: doc.content.filter(({ type }) => type !== 'moment' && type !== 'fix') });
  const remove = (words: string, onClick: () => void) =>
    mayKeep && (
      <button type="button" aria-label={`Forget ${words}`} onClick={onClick} className="p-0.5 hover:text-brick">
        <X size={13} aria-hidden />
      </button>
    );
  return (
    <section aria-label="Your phrases" className="text-small">
      <h2 className="mb-1 text-desk">Your phrases and pages</h2>
      <ul>
        {phrases.map(({ id, words }) => (
          <li key={id} className="flex items-start justify-between gap-2">
            <button type="button" className="linked line-clamp-2 text-left" onClick={() => put(words)}>
              {words}
            </button>
            {remove(words, () => void save({ phrases: phrases.filter((one) => one.id !== id), templates }))}
          </li>
        ))}
        {templates.map(({ id, name, doc: template }) => (
          <li key={id} className="flex items-start justify-between gap-2">
            <button type="button" className="linked text-left" onClick={() => begin(template)}>
              Begin from “{name}”
            </button>
            {remove(name, () => void save({ phrases, templates: templates.filter((one) => one.id !== id) }))}
          </li>
        ))}
      </ul>
      {mayKeep && selected && (
        <button
          type="button"
          className="font-semibold text-pine hover:underline"
          onClick={() => void save({ phrases: [...phrases, { id: crypto.randomUUID(), words: selected.slice(0, 1000) }], templates })}
        >
          Keep the chosen words as a phrase
        </button>
      )}
      {mayKeep && !selected && naming === null && (
        <button type="button" className="font-semibold text-pine hover:underline" onClick={() => setNaming('')}>
          Keep this page to begin from
        </button>
      )}
      {naming !== null && (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (naming.trim())
              void save({ phrases, templates: [...templates, { id: crypto.randomUUID(), name: naming.trim(), doc: bare() }] });
            setNaming(null);
          }}
        >
          <input
            aria-label="Name of the page"
            autoFocus
            value={naming}
            maxLength={120}
            placeholder="its name"
            onChange={({ target }) => setNaming(target.value)}
            className="min-w-0 grow rounded-sm border border-seam bg-linen px-2 py-1"
          />
          <button type="submit" className="font-semibold text-pine hover:underline">
            Keep it
          </button>
        </form>
      )}
    </section>
  );
}
