import type { TakeBlock } from '@lean-mentor/core/critique';
import { clockText } from '@lean-mentor/core/footage';
import { chapterStretches } from '@lean-mentor/core/takes';
import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { Mic, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useListTakesQuery } from '../../takes/index.ts';
import { useEditorScene } from './editorScene.ts';

/** Something spoken, on the page: its title, how long it is, and where it is mended. */
export function SpokenNode({ node, updateAttributes, deleteNode, selected }: NodeViewProps) {
  const { takes, requestId } = useEditorScene();
  const { data } = useListTakesQuery(requestId, { skip: requestId === '' });
  const { takeId, from, to, title } = node.attrs as TakeBlock['attrs'];
  const take = takes[takeId];
  const whole = data?.find(({ id }) => id === takeId)?.seconds ?? 0;
  return (
    <NodeViewWrapper as="figure" data-drag-handle className={`my-2 flex items-center gap-3 ${selected ? 'outline-2 outline-pine' : ''}`}>
      <Mic size={20} aria-hidden className="shrink-0" />
      {take ? (
        <figcaption className="min-w-0 grow text-small">
          <input
            aria-label="What it is about"
            value={title}
            maxLength={200}
            placeholder="What it is about"
            onChange={({ target }) => updateAttributes({ title: target.value })}
            className="w-full bg-transparent font-semibold"
          />
          <p className="flex items-center gap-3 text-reed">
            <span className="time">{clockText((to ?? whole) - (from ?? 0))}</span>
            <Link to={`/requests/${requestId}/takes/${takeId}`} className="linked">
              Listen and mend
            </Link>
          </p>
        </figcaption>
      ) : (
        <p className="grow border-l-4 border-brick pl-3 text-small">This take is not on the desk any more. Take it out, or put it back.</p>
      )}
      <IconButton icon={Trash2} words={`Take what is spoken out: ${title || 'a take'}`} onClick={deleteNode} />
    </NodeViewWrapper>
  );
}

/** What was spoken, to be put into the critique: each take as a whole, and each of its parts. */
export function SpokenChoices({ insert }: { insert: (content: object) => void }) {
  const { takes, requestId } = useEditorScene();
  const { data = [] } = useListTakesQuery(requestId);
  const ready = Object.values(takes).flatMap((take) => {
    const recording = data.find(({ id, state }) => id === take.id && state === 'ready');
    return recording ? [{ take, seconds: recording.seconds }] : [];
  });
  if (ready.length === 0) return null;
  const put = (attrs: TakeBlock['attrs']): void => insert({ type: 'take', attrs });
  return (
    <section aria-label="Spoken">
      <h2 className="mb-1 text-desk">Spoken</h2>
      <ul className="max-h-40 overflow-y-auto text-small">
        {ready.map(({ take, seconds }, i) => (
          <li key={take.id}>
            <button
              type="button"
              className="linked"
              onClick={() => put({ takeId: take.id, from: null, to: null, title: take.title || 'Spoken over your round' })}
            >
              {take.title || `Take ${i + 1}`} <span className="time">{clockText(seconds)}</span>
            </button>
            <ul className="pl-4">
              {chapterStretches({ ...take, seconds }).map(({ title, from, to }) => (
                <li key={from}>
                  <button type="button" className="linked" onClick={() => put({ takeId: take.id, from, to, title })}>
                    {title} <span className="time">{clockText(to - from)}</span>
                  </button>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
