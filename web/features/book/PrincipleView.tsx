import { areaNames, buildsOn, stanceNames, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { partWords } from '@lean-mentor/core/care';
import { positionName } from '@lean-mentor/core/scoring';
import type { ReactNode } from 'react';
import { CareNotes } from './CareNotes.tsx';
import { clipPoster, clipVideo, useListClipsQuery } from './api.ts';
import { roleWords } from './roleWords.ts';

interface PrincipleViewProps {
  principle: BookPrinciple & { notes: number };
  principles: readonly BookPrinciple[];
  drills: readonly BookDrill[];
  onOpen: (shelf: 'principles' | 'drills', id: string) => void;
}

const levels = ['', 'first belt', 'second belt', 'third belt', 'fourth belt', 'fifth belt'];

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="flex flex-col gap-1">
    <h3 className="text-small font-semibold text-reed">{title}</h3>
    {children}
  </section>
);

const Names = ({
  things,
  none,
  onOpen,
}: {
  things: readonly { id: string; name: string }[];
  none: string;
  onOpen: (id: string) => void;
}) =>
  things.length === 0 ? (
    <p className="text-reed">{none}</p>
  ) : (
    <ul className="flex flex-col gap-0.5">
      {things.map(({ id, name }) => (
        <li key={id}>
          <button type="button" onClick={() => onOpen(id)} className="linked text-left">
            {name}
          </button>
        </li>
      ))}
    </ul>
  );

/** A principle as a page: the cue first, what good looks like and why, the ways of doing it; what it stands among beside it. */
export function PrincipleView({ principle, principles, drills, onOpen }: PrincipleViewProps) {
  const { data } = useListClipsQuery();
  const of = <T extends { id: string }>(ids: readonly string[], list: readonly T[]): T[] =>
    ids.flatMap((id) => list.find((one) => one.id === id) ?? []);
  const clips = of(principle.clipIds, data?.clips ?? []);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_15rem] gap-10">
      <div className="flex flex-col gap-5">
        {principle.cue && <p className="border-l-2 border-pine pl-4 font-head text-title text-pretty">“{principle.cue}”</p>}
        {principle.good && (
          <Part title="What good looks like">
            <p className="text-read text-pretty whitespace-pre-line">{principle.good}</p>
          </Part>
        )}
        {principle.why && (
          <Part title="Why">
            <p className="text-read text-pretty whitespace-pre-line">{principle.why}</p>
          </Part>
        )}
        {principle.variants.length > 0 && (
          <Part title="What to do">
            <ol className="divide-y divide-seam border-y border-seam">
              {principle.variants.map(({ when, do: what, stance, spares }, i) => (
                <li key={i} className="grid grid-cols-[1fr_auto] gap-4 py-1.5">
                  <span>
                    {when && <span className="text-reed">If {when}: </span>}
                    {what}
                    {spares.length > 0 && (
                      <span className="text-small text-reed">
                        {' '}
                        Spares: {spares.map((part) => partWords({ part, side: null })).join(', ')}.
                      </span>
                    )}
                  </span>
                  {stance !== 'taught' && <span className="text-small text-reed">{stanceNames[stance]}</span>}
                </li>
              ))}
            </ol>
          </Part>
        )}
        {principle.errors.length > 0 && (
          <Part title="Common errors">
            <ul className="list-disc pl-5">
              {principle.errors.map((error) => (
                <li key={error}>{error}</li>
              ))}
            </ul>
          </Part>
        )}
        {clips.length > 0 && (
          <Part title="Clips">
            <div className="grid grid-cols-2 gap-3">
              {clips.map((clip) => (
                <video
                  key={clip.id}
                  src={clipVideo(clip.id)}
                  poster={clipPoster(clip.id)}
                  controls
                  loop
                  muted
                  playsInline
                  preload="none"
                  aria-label={clip.title}
                  className="aspect-video w-full bg-stage"
                />
              ))}
            </div>
          </Part>
        )}
        <CareNotes of={{ ...principle, words: `${principle.name}. ${principle.cue} ${principle.good}` }} />
      </div>
      <aside aria-label="What it stands among" className="flex flex-col gap-5 border-l border-seam pl-6">
        <p className="text-small text-reed">
          {areaNames[principle.area]}, from the {levels[principle.level]}.{' '}
          {principle.notes === 0
            ? 'No note names it yet.'
            : principle.notes === 1
              ? 'One note names it.'
              : `${principle.notes} notes name it.`}
        </p>
        <Part title="Where it applies">
          {principle.where.length === 0 && !principle.chances && <p className="text-reed">Anywhere in a bout.</p>}
          <ul className="flex flex-col gap-0.5">
            {principle.where.map(({ position, role }) => (
              <li key={position}>
                {positionName(position)} <span className="text-small text-reed">{roleWords(position, role)}</span>
              </li>
            ))}
          </ul>
          {principle.chances && <p>Counted by chances: {principle.chances}.</p>}
        </Part>
        <Part title="Rests on">
          <Names things={of(principle.prerequisites, principles)} none="Nothing before it." onOpen={(id) => onOpen('principles', id)} />
        </Part>
        <Part title="Others rest on it">
          <Names things={buildsOn(principle.id, principles)} none="None yet." onOpen={(id) => onOpen('principles', id)} />
        </Part>
        <Part title="Drills">
          <Names things={of(principle.drillIds, drills)} none="None yet." onOpen={(id) => onOpen('drills', id)} />
        </Part>
        {principle.techniques.length > 0 && (
          <Part title="Techniques">
            <p>{principle.techniques.join(', ')}. Check the event’s own rule book.</p>
          </Part>
        )}
      </aside>
    </div>
  );
}
