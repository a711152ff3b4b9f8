import type { Conflict, Note } from '@lean-mentor/core/desk';
import { Button } from '../../../shared/primitives/index.ts';
import { useDeskPart } from '../useDesk.ts';
import { useScene } from '../DeskScene.ts';

const fieldWords: Readonly<Record<string, string>> = {
  what: 'what happened',
  instead: 'what to do instead',
  kind: 'the kind',
  severity: 'how much it matters',
  seen: 'how well it was seen',
  athlete: 'who it is about',
  layer: 'the layer',
  principleId: 'the principle',
  visible: 'for whose eyes it is',
  fromFrame: 'where it stands',
};

/** A value in words, as far as one can be said. */
function said(value: unknown): string {
  if (Array.isArray(value))
    return value.map((line: { when?: string; do?: string }) => [line.when, line.do].filter(Boolean).join(': ')).join('; ') || 'nothing';
  return typeof value === 'string' || typeof value === 'number' ? String(value) : 'something else';
}

function ConflictLine({ conflict }: { conflict: Conflict }) {
  const { actions } = useScene();
  const { id, field, stands, aside, standsBy, asideBy } = conflict;
  return (
    <li className="flex flex-wrap items-center gap-2 border-l-4 border-brass bg-linen px-2 py-1 text-small">
      <p className="grow">
        {field === null ? (
          <>
            {asideBy} took this away while {standsBy} changed it. It is still here.
          </>
        ) : (
          <>
            Both of you changed {fieldWords[field] ?? field}. {standsBy}: “{said(stands)}”. {asideBy}: “{said(aside)}”.
          </>
        )}
      </p>
      <Button look="plain" onClick={() => actions.settle(id, 'stands')}>
        {field === null ? 'Keep it' : `Keep ${standsBy}’s`}
      </Button>
      <Button look="plain" onClick={() => actions.settle(id, 'aside')}>
        {field === null ? 'Take it away' : `Take ${asideBy}’s`}
      </Button>
    </li>
  );
}

/** Where two people changed the same in this note: both are shown, and one is chosen. */
export function NoteConflicts({ note }: { note: Note }) {
  const conflicts = useDeskPart((desk) => desk.document.conflicts);
  const of = Object.values(conflicts).filter((conflict) => conflict.thingId === note.id);
  if (of.length === 0) return null;
  return <ConflictList conflicts={of} />;
}

export const ConflictList = ({ conflicts }: { conflicts: readonly Conflict[] }) => (
  <ul aria-label="Two versions" className="flex flex-col gap-1">
    {conflicts.map((conflict) => (
      <ConflictLine key={conflict.id} conflict={conflict} />
    ))}
  </ul>
);
