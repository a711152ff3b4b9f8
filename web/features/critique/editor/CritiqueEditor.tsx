import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { EditorContent, useEditor } from '@tiptap/react';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { savingWords } from '../../../shared/keeping/index.ts';
import { Button, FacePlate, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useDraftCritiqueMutation, useGetCritiqueDraftQuery, type DraftState } from '../api.ts';
import { critiqueExtensions } from './critiqueNodes.ts';
import { EditorSceneProvider, useSceneOf } from './editorScene.ts';
import { EditorSide } from './EditorSide.tsx';
import { Toolbar } from './Toolbar.tsx';
import { useDraftSaving } from './useDraftSaving.ts';

interface CritiqueEditorProps {
  subject: ResponseOf<typeof contract.openDesk>;
  draft: DraftState;
  opened: { doc: CritiqueDoc; revision: number };
}

/** The page that will be sent, as it is written; what it can show stands beside it. */
export function CritiqueEditor({ subject, draft, opened }: CritiqueEditorProps) {
  const { request, client, document } = subject;
  const saving = useDraftSaving(request.id, opened.revision);
  const [doc, setDoc] = useState<CritiqueDoc>(saving.kept ?? opened.doc);
  const [draftAgain, again] = useDraftCritiqueMutation();
  const theirs = useGetCritiqueDraftQuery(request.id);
  const { put } = saving;
  const editor = useEditor({
    extensions: critiqueExtensions,
    content: doc,
    editorProps: { attributes: { 'aria-label': 'The critique', class: 'critique-page outline-none' } },
    onUpdate: ({ editor: now }) => {
      const next = now.getJSON() as CritiqueDoc;
      setDoc(next);
      put(next);
    },
  });
  const replace = (next: CritiqueDoc): void => {
    editor.commands.setContent(next, { emitUpdate: false });
    setDoc(next);
  };
  const draftAnew = async (): Promise<void> => {
    await saving.flush();
    const answer = await draftAgain(request.id);
    if (!answer.data) return;
    const { before, revision, doc: fresh } = answer.data;
    saving.settle(revision, null);
    replace(fresh);
    toast('Drafted anew from the desk and the ladder.', {
      action: {
        label: 'Undo',
        onClick: () => {
          if (!before) return;
          replace(before);
          put(before);
        },
      },
    });
  };
  const settle = async (mine: boolean): Promise<void> => {
    const { data } = await theirs.refetch();
    if (!data?.doc) return;
    saving.settle(data.revision, mine ? doc : null);
    if (!mine) replace(data.doc);
  };
  const scene = useSceneOf(subject, doc);
  const first = client.name.split(' ')[0]!;
  return (
    <main className="py-6">
      <header className="mb-4 flex items-center gap-4">
        <FacePlate name={client.name} level={client.level} />
        <div className="min-w-0 grow">
          <h1 className="text-title">Critique for {first}</h1>
          <p className="truncate text-reed">“{request.question}”</p>
        </div>
        <span className="text-small text-reed" aria-live="polite">
          {savingWords(saving)}
        </span>
        <Button look="quiet" busy={again.isLoading} onClick={() => void draftAnew()}>
          Draft it anew
        </Button>
        <Link to={`/requests/${request.id}/wrap-up`} className="linked">
          The ladder
        </Link>
        <Link to={`/requests/${request.id}/desk`} className="linked">
          The desk
        </Link>
      </header>
      {saving.fault?.code === 'changed-meanwhile' && (
        <div role="alert" className="mb-4 flex flex-wrap items-center gap-3 border-l-4 border-brick bg-linen px-3 py-2">
          <p className="grow">This was changed elsewhere while you wrote. Nothing of either is lost yet.</p>
          <Button look="plain" onClick={() => void settle(true)}>
            Keep what is here
          </Button>
          <Button look="plain" onClick={() => void settle(false)}>
            Take what is there
          </Button>
        </div>
      )}
      {saving.fault && saving.fault.code !== 'changed-meanwhile' && (
        <FaultNote again={() => void saving.flush()}>{faultWords(saving.fault)}</FaultNote>
      )}
      <EditorSceneProvider value={scene}>
        <div className="grid grid-cols-[minmax(0,680px)_1fr] gap-12">
          <div>
            <Toolbar editor={editor} />
            <EditorContent editor={editor} />
          </div>
          <EditorSide editor={editor} doc={doc} draft={draft} saving={saving} request={request} document={document} first={first} />
        </div>
      </EditorSceneProvider>
    </main>
  );
}
