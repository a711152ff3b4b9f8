import type { TodayRow } from '@lean-mentor/contract';
import { clockText, durationText } from '@lean-mentor/core/footage';
import { Link } from 'react-router';
import { Button, FacePlate } from '../../shared/primitives/index.ts';
import { dayAndHour, distanceWords } from '../../shared/time/dayWords.ts';
import { FootageProgressLine, useProgress, useRetryFootageMutation } from '../footage/index.ts';
import { BoutRibbon } from '../scoring/index.ts';

const kindWords = { sparring: 'Sparring', match: 'Match' };
const attireWords = { jacket: 'jacket', 'no-jacket': 'no jacket' };

function workWords({ marks, notes }: TodayRow): string {
  if (notes === 0 && marks === 0) return 'Not looked at yet';
  const words = [marks > 0 && `${marks} open ${marks === 1 ? 'mark' : 'marks'}`, notes > 0 && `${notes} ${notes === 1 ? 'note' : 'notes'}`];
  return words.filter(Boolean).join(', ');
}

/** One waiting request: who, what was asked, the bout's ribbon, how long, and how much slack its promise leaves. */
export function RequestRow({ row, planned, now }: { row: TodayRow; planned: { endAt: string } | undefined; now: Date }) {
  const { state } = useProgress(row.footage);
  const [retry, { isLoading }] = useRetryFootageMutation();
  const bout = row.footage.bouts[0];
  return (
    <li className="grid grid-cols-[44px_1fr_40px_190px] items-start gap-5 py-4" data-request={row.id}>
      <FacePlate name={row.clientName} level={row.clientLevel} />
      <div className="min-w-0">
        <p className="flex gap-2">
          <Link to={`/clients/${row.clientId}`} className="font-semibold hover:underline">
            {row.clientName}
          </Link>
          <span className="text-reed">
            {kindWords[row.kind]}, {attireWords[row.attire]}
          </span>
        </p>
        <p className="mt-0.5 text-read text-pretty">“{row.question}”</p>
        {state === 'ready' ? (
          <p className="mt-1 text-small text-reed">{workWords(row)}</p>
        ) : (
          <div className="mt-2 max-w-sm">
            <FootageProgressLine footage={row.footage} />
          </div>
        )}
        {state === 'failed' && (
          <Button look="plain" className="mt-2" busy={isLoading} onClick={() => void retry(row.footage.id)}>
            Make it ready again
          </Button>
        )}
      </div>
      <div className="h-16">{bout && bout.spans.length > 0 && <BoutRibbon bout={bout} width={40} height={64} />}</div>
      <div className="text-right text-small">
        <p>
          <span className="time text-desk">{row.footage.seconds === null ? '–:––' : clockText(row.footage.seconds)}</span> of footage
        </p>
        <p className="text-reed">
          {row.footage.seconds === null ? 'Length not known yet' : `about ${durationText(row.estimatedDeskMinutes * 60)} at the desk`}
        </p>
        <p
          className={planned && planned.endAt > row.dueAt ? 'font-semibold text-brick' : 'text-reed'}
          title={`Promised ${distanceWords(row.dueAt, now)}`}
        >
          promised {dayAndHour(row.dueAt, now)}
        </p>
        {state === 'ready' && (
          <Link
            to={`/requests/${row.id}/desk`}
            className="mt-2 inline-flex min-h-8 items-center rounded-sm border border-pine bg-pine px-3 text-desk font-semibold text-linen hover:border-ink hover:bg-ink"
          >
            {row.marks + row.notes > 0 ? 'Go on' : 'Open on the desk'}
          </Link>
        )}
      </div>
    </li>
  );
}
