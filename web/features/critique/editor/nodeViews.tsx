import { getDeskStillPng } from '@lean-mentor/contract';
import { momentLooks, type MomentBlock, type MomentLook } from '@lean-mentor/core/critique';
import { NodeViewContent, NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { IconButton, kindWords, KindGlyph } from '../../../shared/primitives/index.ts';
import { addressOf } from '../../../shared/wire/index.ts';
import { ClipCare, clipPoster, PrincipleCare, useListClipsQuery } from '../../book/index.ts';
import { BoutClock } from '../../footage/index.ts';
import { useEditorScene } from './editorScene.ts';

const lookWords = { clip: 'Loops at half speed', still: 'Stands still', beside: 'Beside each other, stepped together' } as const;
/** How a moment is shown after a press: one after the other, what was laid beside it only where something was. */
const nextLook = (show: MomentLook, compares: boolean): MomentLook => {
  const looks = momentLooks.filter((look) => look !== 'beside' || compares);
  return looks[(looks.indexOf(show) + 1) % looks.length]!;
};

/** A moment on the page: its frame from the desk, as it is now, and whether it is shown as a clip or a still. */
export function MomentNode({ node, updateAttributes, deleteNode, selected }: NodeViewProps) {
  const { notes, looking, footages } = useEditorScene();
  const { noteId, show, heard } = node.attrs as MomentBlock['attrs'];
  const note = notes[noteId];
  const footage = footages.find(({ id }) => id === note?.footageId);
  return (
    <NodeViewWrapper as="figure" data-drag-handle className={`my-2 flex items-center gap-3 ${selected ? 'outline-2 outline-pine' : ''}`}>
      {note ? (
        <>
          <img
            src={addressOf(getDeskStillPng, { requestId: note.requestId, footageId: note.footageId, frame: note.fromFrame })}
            alt={note.what}
            loading="lazy"
            className="aspect-video w-44 shrink-0 bg-stage object-cover"
          />
          <figcaption className="min-w-0 grow text-small">
            <p className="flex items-center gap-2">
              <KindGlyph kind={note.kind} size={12} /> {kindWords[note.kind]}{' '}
              {note.filmed ?? <BoutClock footage={footage} atFrame={note.fromFrame} />}
            </p>
            <p className="line-clamp-2 text-reed">{note.what}</p>
            <p className="flex items-center gap-3">
              <button
                type="button"
                className="linked"
                aria-label={`${lookWords[show]}: ${note.what}`}
                onClick={() => updateAttributes({ show: nextLook(show, note.compares) })}
              >
                {lookWords[show]}
              </button>
              {show === 'clip' && (
                <button
                  type="button"
                  className="linked"
                  aria-label={`${heard == null ? 'Silent' : 'With its sound'}: ${note.what}`}
                  title="Whoever is heard in it has to agree."
                  onClick={() => updateAttributes({ heard: heard == null ? '' : null })}
                >
                  {heard == null ? 'Silent' : 'With its sound'}
                </button>
              )}
              <Link to={`/requests/${note.requestId}/desk?footage=${note.footageId}&frame=${note.fromFrame}`} className="linked">
                On the desk
              </Link>
            </p>
            {show === 'clip' && heard != null && (
              <input
                aria-label={`What is heard: ${note.what}`}
                placeholder="What is heard, for who cannot hear it"
                value={heard}
                maxLength={300}
                onChange={({ target }) => updateAttributes({ heard: target.value })}
                className="w-full border-b border-seam bg-transparent py-0.5 text-small"
              />
            )}
          </figcaption>
        </>
      ) : (
        <p className="grow border-l-4 border-brick pl-3 text-small">
          {looking ? 'Looking …' : 'This moment’s note is not on the desk any more. Take it out, or put the note back.'}
        </p>
      )}
      <IconButton icon={Trash2} words={note ? `Take this moment out: ${note.what}` : 'Take this moment out'} onClick={deleteNode} />
    </NodeViewWrapper>
  );
}

/** A clip of the coach's own. */
export function ClipNode({ node, deleteNode, selected }: NodeViewProps) {
  const { data } = useListClipsQuery();
  const { spared } = useEditorScene();
  const clip = data?.clips.find(({ id }) => id === node.attrs['clipId']);
  return (
    <NodeViewWrapper as="figure" data-drag-handle className={`my-2 flex items-center gap-3 ${selected ? 'outline-2 outline-pine' : ''}`}>
      {clip?.state === 'ready' && <img src={clipPoster(clip.id)} alt="" className="aspect-video w-44 shrink-0 bg-stage object-cover" />}
      <figcaption className="grow text-small">
        {clip ? `Clip: ${clip.title}` : data ? 'This clip is not in your library any more.' : 'Looking …'}
        {clip && <ClipCare title={clip.title} spared={spared} />}
      </figcaption>
      <IconButton icon={Trash2} words="Take this clip out" onClick={deleteNode} />
    </NodeViewWrapper>
  );
}

/** A fix on the page: its name, and everything said of it. It moves as a whole. */
export function FixNode({ node, editor, getPos, updateAttributes, deleteNode }: NodeViewProps) {
  const name = String(node.attrs['name']);
  const principleId = node.attrs['principleId'] as unknown;
  const { spared } = useEditorScene();
  /** Changes places with the fix before or after it. */
  const move = (by: -1 | 1): void => {
    const at = getPos();
    if (at === undefined) return;
    editor.commands.command(({ tr, state, dispatch }) => {
      const fixes: { from: number; size: number }[] = [];
      state.doc.forEach((child, from) => {
        if (child.type.name === 'fix') fixes.push({ from, size: child.nodeSize });
      });
      const here = fixes.findIndex(({ from }) => from === at);
      const [first, second] = by < 0 ? [fixes[here - 1], fixes[here]] : [fixes[here], fixes[here + 1]];
      if (!first || !second) return false;
      const [a, b] = [state.doc.nodeAt(first.from)!, state.doc.nodeAt(second.from)!];
      // From the end to the beginning, so that the first place stays where it was.
      dispatch?.(tr.replaceWith(second.from, second.from + second.size, a).replaceWith(first.from, first.from + first.size, b));
      return true;
    });
  };
  return (
    <NodeViewWrapper as="section" className="fix-block my-4 border-t border-ink pt-2">
      <div contentEditable={false} className="flex items-center gap-2">
        <span className="fix-number font-head text-banner leading-none" aria-hidden />
        <input
          aria-label="Name of the fix"
          value={name}
          maxLength={200}
          onChange={({ target }) => updateAttributes({ name: target.value })}
          className="min-w-0 grow bg-transparent font-head text-title font-semibold"
        />
        <IconButton icon={ArrowUp} words={`“${name}” earlier`} onClick={() => move(-1)} />
        <IconButton icon={ArrowDown} words={`“${name}” later`} onClick={() => move(1)} />
        <IconButton icon={Trash2} words={`Take “${name}” out`} onClick={deleteNode} />
      </div>
      {typeof principleId === 'string' && (
        <div contentEditable={false}>
          <PrincipleCare principleId={principleId} spared={spared} />
        </div>
      )}
      <NodeViewContent className="fix-content" />
    </NodeViewWrapper>
  );
}
