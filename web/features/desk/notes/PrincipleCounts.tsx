import { principleCounts, type Note } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { Popover } from 'radix-ui';
import { Link } from 'react-router';
import { useGetClientNotesQuery } from '../api.ts';
import { useScene, useContents } from '../DeskScene.ts';
import { useClockAt } from '../score/useClockAt.ts';

/** How often a principle came up here and before, what became of it as a fix, and every instance to jump to. */
export function PrincipleCounts({ note, principleId }: { note: Note; principleId: string }) {
  const { subject, boutAt, go, footage } = useScene();
  const { whole } = useContents();
  const { data } = useGetClientNotesQuery(subject.request.id);
  const earlier = (data?.notes ?? []).filter((other) => other.requestId !== subject.request.id);
  const bout = boutAt(note.fromFrame);
  const clockAt = useClockAt();
  const { here, inRequest, before, requests, fixes } = principleCounts(principleId, {
    notes: Object.values(whole.notes),
    inBout: (other) => other.footageId === footage.id && boutAt(other.fromFrame)?.id === bout?.id,
    earlier,
  });
  const lastFix = fixes[0];
  return (
    <Popover.Root>
      <Popover.Trigger className="text-small text-reed underline decoration-seam underline-offset-4 hover:text-ink">
        {here.length} in this bout
        {before.length > 0 && `, ${before.length} before in ${requests} ${requests === 1 ? 'request' : 'requests'}`}
        {lastFix ? `; fix ${lastFix.position} on ${format(lastFix.sentAt, 'd MMM')}` : '; never a fix yet'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          className="z-30 max-h-80 w-96 overflow-y-auto border border-ink bg-linen p-3 shadow-lg"
          aria-label="Instances"
        >
          <h3 className="text-small text-reed">In this request</h3>
          <ul>
            {inRequest.map((other) => (
              <li key={other.id}>
                <button
                  type="button"
                  disabled={other.footageId !== footage.id}
                  onClick={() => go(other.fromFrame, other.id)}
                  className="w-full truncate py-0.5 text-left hover:underline"
                >
                  <span className="time text-reed">{clockText(clockAt(other.fromFrame))}</span> {other.what}
                </button>
              </li>
            ))}
          </ul>
          {before.length > 0 && <h3 className="mt-2 text-small text-reed">Before</h3>}
          <ul>
            {before.map((other) => (
              <li key={other.id}>
                <Link
                  to={`/requests/${other.requestId}/desk?footage=${other.footageId}&frame=${other.fromFrame}`}
                  className="block truncate py-0.5 hover:underline"
                >
                  <span className="text-reed">{format(other.sentAt, 'd MMM yyyy')}</span>{' '}
                  {other.fix && <strong>Fix {other.fix.position}. </strong>}
                  {other.what}
                </Link>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
