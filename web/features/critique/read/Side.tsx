import type { Bout, Critique } from '@lean-mentor/contract';
import { scoredBy } from '@lean-mentor/core/critique';
import { boutAtFrame } from '@lean-mentor/core/footage';
import { useGetFrameTableQuery } from '../../footage/index.ts';
import { RoundSheet } from '../../sheet/index.ts';
import { usePlayheadIn } from './playhead.ts';

type SentFootage = Critique['footages'][number];
interface SentBout {
  footage: SentFootage;
  bout: Bout | undefined;
}

/** The bouts that moments are of, in their order, each with its footage. */
function boutsShown(critique: Critique): SentBout[] {
  const found = new Map<string, SentBout>();
  for (const { note } of critique.moments) {
    const footage = critique.footages.find(({ id }) => id === note.footageId);
    if (footage?.state !== 'ready' || footage.earlier) continue;
    const bout = boutAtFrame(footage.bouts, note.fromFrame);
    found.set(bout?.id ?? footage.id, { footage, bout });
  }
  return [...found.values()];
}

/** The round sheet beside the critique: where in the round its moments lie. */
export function Side({ critique }: { critique: Critique }) {
  const bouts = boutsShown(critique);
  if (bouts.length === 0)
    return (
      <aside>
        <ScoredLines scores={critique.scores} />
      </aside>
    );
  return (
    <aside aria-label="The round" className="flex break-inside-avoid flex-col gap-2">
      <h2 className="text-desk">The round from top to bottom</h2>
      <p className="text-small text-reed">
        The ribbon sways right when {critique.clientName.split(' ')[0]} is in control, left when the partner is.
      </p>
      <ScoredLines scores={critique.scores} />
      {bouts.map(({ footage, bout }) => (
        <BoutSheet key={bout?.id ?? footage.id} critique={critique} footage={footage} bout={bout} />
      ))}
    </aside>
  );
}

/** By which sheets it was scored, and how, when the critique was written. */
export const ScoredLines = ({ scores }: Pick<Critique, 'scores'>) =>
  scoredBy(scores).map((line) => (
    <p key={line} className="text-small text-reed">
      {line}
    </p>
  ));

function BoutSheet({ critique, footage, bout }: SentBout & { critique: Critique }) {
  const { data: table } = useGetFrameTableQuery(footage.id);
  const watched = usePlayheadIn(footage.id);
  const inside = (frame: number): boolean => boutAtFrame(footage.bouts, frame)?.id === bout?.id;
  const fixOf = (noteId: string): number | undefined => critique.fixes.find(({ noteIds }) => noteIds.includes(noteId))?.position;
  return (
    <div className="h-[560px]">
      {table && (
        <RoundSheet
          table={table}
          bout={bout}
          watched={watched}
          notes={critique.moments
            .filter(({ note }) => note.footageId === footage.id && inside(note.fromFrame))
            .map(({ note: { id, fromFrame, kind, what } }) => {
              const fix = fixOf(id);
              return { id, atFrame: fromFrame, kind, words: what, ...(fix !== undefined && { fix }) };
            })}
        />
      )}
    </div>
  );
}
