import type { TodayRow } from '@lean-mentor/contract';
import { clockText, durationText } from '@lean-mentor/core/footage';
import { Link } from 'react-router';
import { FacePlate } from '../../shared/primitives/index.ts';
import { dayAndHour, distanceWords } from '../../shared/time/dayWords.ts';
import { FootageProgressLine } from '../footage/index.ts';
import { attireWords, kindWords } from '../requests/index.ts';
import { BoutRibbon } from '../sheet/index.ts';

function workWords({ marks, notes }: TodayRow): string {
  if (notes === 0 && marks === 0) return 'Not looked at yet';
  const words = [marks > 0 && `${marks} open ${marks === 1 ? 'mark' : 'marks'}`, notes > 0 && `${notes} ${notes === 1 ? 'note' : 'notes'}`];
  return words.filter(Boolean).join(', ');
}

const readyWords = (row: TodayRow): string =>
  row.state === 'need-first'
    ? 'Waits for the client’s answer; the clock stands'
    : row.state === 'uploading'
      ? 'Not all of the footage has arrived'
      : workWords(row);

/** One waiting request: who, what was asked, the bouts' ribbons, how long, and how much slack its promise leaves. */
export function RequestRow({ row, planned, now }: { row: TodayRow; planned: { endAt: string } | undefined; now: Date }) {
  const bouts = row.footages.flatMap((footage) => footage.bouts).filter(({ spans }) => spans.length > 0);
  const known = row.footages.filter(({ seconds }) => seconds !== null);
  const seconds = known.reduce((sum, footage) => sum + footage.seconds!, 0);
  const ready = row.footages.some(({ state }) => state === 'ready');
  return (
    <li className="grid grid-cols-[44px_1fr_auto_190px] items-start gap-5 py-4" data-request={row.id}>
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
        {ready && <p className="mt-1 text-small text-reed">{readyWords(row)}</p>}
        <div className="mt-2 flex max-w-sm flex-col gap-2 empty:hidden">
          {row.footages.map((footage) => (
            <FootageProgressLine key={footage.id} footage={footage} />
          ))}
        </div>
      </div>
      <div className="flex h-16 gap-1">
        {bouts.map((bout) => (
          <BoutRibbon key={bout.id} bout={bout} width={40} height={64} />
        ))}
      </div>
      <div className="text-right text-small">
        <p>
          <span className="time text-desk">{known.length === 0 ? '–:––' : clockText(seconds)}</span> of footage
        </p>
        <p className="text-reed">
          {known.length === 0 ? 'Length not known yet' : `about ${durationText(row.estimatedDeskMinutes * 60)} at the desk`}
        </p>
        {row.state === 'waiting' && (
          <p
            className={planned && planned.endAt > row.dueAt ? 'font-semibold text-brick' : 'text-reed'}
            title={`Promised ${distanceWords(row.dueAt, now)}`}
          >
            promised {dayAndHour(row.dueAt, now)}
          </p>
        )}
        {ready && (
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
