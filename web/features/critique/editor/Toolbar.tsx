import type { Editor } from '@tiptap/react';
import { useEditorState } from '@tiptap/react';
import { Bold, Heading2, Heading3, Italic, List, ListOrdered, Quote, Redo2, TriangleAlert, Undo2 } from 'lucide-react';
import { IconButton } from '../../../shared/primitives/index.ts';

/** What can be done with the words. All of it by the keys as well: Ctrl B, Ctrl I, Ctrl Z; “## ”, “- ” and “1. ” at the start of a line. */
export function Toolbar({ editor }: { editor: Editor }) {
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive('bold'),
      italic: now.isActive('italic'),
      title: now.isActive('heading', { level: 2 }),
      part: now.isActive('heading', { level: 3 }),
      bullets: now.isActive('bulletList'),
      numbers: now.isActive('orderedList'),
      quote: now.isActive('blockquote'),
      caution: now.isActive('caution'),
      undo: now.can().undo(),
      redo: now.can().redo(),
    }),
  });
  const go = () => editor.chain().focus();
  return (
    <div role="toolbar" aria-label="The page’s words" className="sticky top-0 z-10 flex gap-0.5 border-b border-seam bg-straw py-1">
      <IconButton icon={Undo2} words="Undo" disabled={!on.undo} onClick={() => go().undo().run()} />
      <IconButton icon={Redo2} words="Do again" disabled={!on.redo} onClick={() => go().redo().run()} />
      <span className="w-3" />
      <IconButton icon={Heading2} words="Section" pressed={on.title} onClick={() => go().toggleHeading({ level: 2 }).run()} />
      <IconButton icon={Heading3} words="Part" pressed={on.part} onClick={() => go().toggleHeading({ level: 3 }).run()} />
      <IconButton icon={Bold} words="Strong" pressed={on.bold} onClick={() => go().toggleBold().run()} />
      <IconButton icon={Italic} words="Slanted" pressed={on.italic} onClick={() => go().toggleItalic().run()} />
      <IconButton icon={List} words="List" pressed={on.bullets} onClick={() => go().toggleBulletList().run()} />
      <IconButton icon={ListOrdered} words="Numbered list" pressed={on.numbers} onClick={() => go().toggleOrderedList().run()} />
      <IconButton icon={Quote} words="What was asked" pressed={on.quote} onClick={() => go().toggleBlockquote().run()} />
      <IconButton
        icon={TriangleAlert}
        words="Caution"
        pressed={on.caution}
        onClick={() => (on.caution ? go().lift('caution') : go().wrapIn('caution')).run()}
      />
    </div>
  );
}
