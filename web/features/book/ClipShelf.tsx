import type { Clip } from '@lean-mentor/contract';
import type { Spared } from '@lean-mentor/core/book';
import { clockText } from '@lean-mentor/core/footage';
import { Film, Pencil, Trash2, Upload, Video } from 'lucide-react';
import { useState } from 'react';
import { FileButton, IconButton } from '../../shared/primitives/index.ts';
import { ClipCare } from './BookCare.tsx';
import { clipPoster, clipVideo, useListClipsQuery, useRemoveClipMutation, useRenameClipMutation } from './api.ts';
import { FilmClip } from './FilmClip.tsx';
import { useSendClip } from './useSendClip.ts';

interface ClipShelfProps {
  chosenId: string | null;
  /** For whom it is chosen: what a clip shows that they are to be spared is said. */
  spared?: Spared;
  /** Null: no clip. */
  onChoose: (clipId: string | null) => void;
}

/** While a clip is made ready the shelf asks again this often, in ms. */
const watchMs = 1500;
const mostShown = 60;

const stateWords = ({ state, failure, seconds }: Clip): string =>
  ({
    empty: 'Its video has not arrived.',
    working: 'Being made ready …',
    failed: failure ?? 'It could not be made ready.',
    ready: seconds === null ? '' : clockText(seconds),
  })[state];

/** The coach's own clips: look for one, play it, choose it, bring a new one. */
export function ClipShelf({ chosenId, spared, onChoose }: ClipShelfProps) {
  const [working, setWorking] = useState(false);
  const { data, isLoading, isError, refetch } = useListClipsQuery(undefined, { pollingInterval: working ? watchMs : 0 });
  const clips = data?.clips ?? [];
  // One that was just sent may be asked for before the server has seen its last byte.
  const nowWorking = clips.some(({ id, state }) => state === 'working' || (state === 'empty' && id === chosenId));
  if (nowWorking !== working) setWorking(nowWorking);
  const [search, setSearch] = useState('');
  const { share, send } = useSendClip();
  const [filming, setFilming] = useState(false);
  const bring = (file: File): void => void send(file).then((id) => id && onChoose(id));
  const wanted = search.trim().toLocaleLowerCase();
  const found = clips.filter(({ title }) => title.toLocaleLowerCase().includes(wanted)).slice(0, mostShown);
  const chosen = clips.find(({ id }) => id === chosenId);
  return (
    <div className="flex min-h-0 flex-col">
      {chosen?.state === 'ready' && (
        <video
          key={chosen.id}
          src={clipVideo(chosen.id)}
          poster={clipPoster(chosen.id)}
          controls
          loop
          muted
          playsInline
          aria-label={chosen.title}
          className="aspect-video w-full bg-stage"
        />
      )}
      <div className="flex border-b border-seam">
        <input
          aria-label="Search your clips"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          placeholder="Search your clips"
          className="min-w-0 grow px-3 py-2 outline-none"
        />
        <FileButton
          icon={Upload}
          words={share === null ? 'Bring a video' : `${Math.round(share * 100)} % sent`}
          accept="video/*"
          disabled={share !== null}
          onFile={bring}
          className="px-3"
        />
        <IconButton icon={Video} words="Film one now" onClick={() => setFilming(!filming)} pressed={filming} />
      </div>
      {filming && (
        <FilmClip
          onLeave={() => setFilming(false)}
          onFilm={(film) => {
            setFilming(false);
            bring(film);
          }}
        />
      )}
      <ul aria-label="Your clips" className="min-h-0 overflow-y-auto py-1">
        {found.map((clip) => (
          <ClipRow key={clip.id} clip={clip} chosen={clip.id === chosenId} spared={spared} onChoose={onChoose} />
        ))}
        {found.length === 0 && (
          <li className="px-3 py-2 text-small text-reed">
            {isLoading ? (
              'Looking …'
            ) : isError ? (
              <button type="button" className="hover:underline" onClick={() => void refetch()}>
                Your clips cannot be reached. Try again.
              </button>
            ) : clips.length === 0 ? (
              'No clips yet. Bring a short video of your own that shows how it is done.'
            ) : (
              'No clip is called that.'
            )}
          </li>
        )}
      </ul>
    </div>
  );
}

function ClipRow({ clip, chosen, spared, onChoose }: { clip: Clip; chosen: boolean } & Pick<ClipShelfProps, 'spared' | 'onChoose'>) {
  const [renameClip] = useRenameClipMutation();
  const [removeClip] = useRemoveClipMutation();
  const [editing, setEditing] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const rename = (title: string): void => {
    setEditing(false);
    if (title.trim() && title.trim() !== clip.title) void renameClip({ clipId: clip.id, title: title.trim() });
  };
  if (leaving)
    return (
      <li className="flex items-center gap-3 px-3 py-1.5 text-small">
        <span className="grow">Take “{clip.title}” away from every note?</span>
        <button
          type="button"
          className="font-semibold text-pine hover:underline"
          onClick={() => {
            void removeClip(clip.id);
            if (chosen) onChoose(null);
          }}
        >
          Take it away
        </button>
        <button type="button" className="hover:underline" onClick={() => setLeaving(false)}>
          Keep it
        </button>
      </li>
    );
  return (
    <li className={`flex flex-wrap items-center gap-2 px-3 py-1 text-small ${chosen ? 'bg-straw' : ''}`}>
      {clip.state === 'ready' ? (
        <img src={clipPoster(clip.id)} alt="" loading="lazy" className="h-9 w-14 shrink-0 bg-stage object-cover" />
      ) : (
        <span className="flex h-9 w-14 shrink-0 items-center justify-center bg-straw">
          <Film size={14} aria-hidden />
        </span>
      )}
      {editing ? (
        <input
          autoFocus
          aria-label="Title of the clip"
          defaultValue={clip.title}
          maxLength={120}
          onBlur={(event) => rename(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && rename(event.currentTarget.value)}
          className="min-w-0 grow border border-pine px-1"
        />
      ) : (
        <button
          type="button"
          aria-pressed={chosen}
          disabled={clip.state === 'failed' || clip.state === 'empty'}
          onClick={() => onChoose(chosen ? null : clip.id)}
          className="min-w-0 grow basis-40 text-left enabled:hover:underline"
        >
          <span className="block truncate">{clip.title}</span>
          <span className="block truncate text-reed">{stateWords(clip)}</span>
        </button>
      )}
      <IconButton icon={Pencil} words="Another title" onClick={() => setEditing(true)} />
      <IconButton icon={Trash2} words="Take this clip away" onClick={() => setLeaving(true)} />
      {spared && <ClipCare title={clip.title} spared={spared} />}
    </li>
  );
}
