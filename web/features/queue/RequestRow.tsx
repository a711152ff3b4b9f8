import type { TodayRow } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import type { DeskEstimate, ReviewForecast } from '@lean-mentor/core/queue';
import { ArrowDown, ArrowUp, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { FacePlate, IconButton } from '../../shared/primitives/index.ts';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { FootageProgressLine, useLookable } from '../footage/index.ts';
import { attireWords, kindWords } from '../requests/index.ts';
import { BoutRibbon } from '../sheet/index.ts';
import { GiveOver } from './GiveOver.tsx';
import { minutesWords, slackOf } from './words.ts';

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

interface RequestRowProps {
  row: TodayRow;
  estimate: DeskEstimate;
  forecast: ReviewForecast | undefined;
  /** What the order that is looked at does to it, beside the one in use. */
  shift: string | null;
  /** Its place in the order, from 0; null where it is not in it. */
  place: number | null;
  last: boolean;
  now: Date;
  onMove: (place: number | null) => void;
}

/** One waiting request: who, what was asked, the bouts' ribbons, how long, when it comes, and how much slack its promise leaves. */
export function RequestRow({ row, estimate, forecast, shift, place, last, now, onMove }: RequestRowProps) {
  const bouts = row.footages.flatMap((footage) => footage.bouts).filter(({ spans }) => spans.length > 0);
  const ready = row.footages.some(({ state }) => state === 'ready');
  const lookable = useLookable(row.footages);
  return (
    <div className="grid grid-cols-[44px_minmax(0,1fr)_auto_13rem] items-start gap-4 py-4">
      <FacePlate name={row.clientName} level={row.clientLevel} />
      <div className="min-w-0">
        <p className="flex flex-wrap gap-x-2">
          <Link to={`/clients/${row.clientId}`} className="font-semibold hover:underline">
            {row.clientName}
          </Link>
          <span className="text-reed">
            {kindWords[row.kind]}, {attireWords[row.attire]}
            {row.planName && `, ${row.planName}`}
            {row.paymentLate && ', a payment is late'}
          </span>
        </p>
        <p className="mt-0.5 line-clamp-2 text-read text-pretty" title={row.question}>
          “{row.question}”
        </p>
        {ready && <p className="mt-1 text-small text-reed">{readyWords(row)}</p>}
        <div className="mt-2 flex max-w-sm flex-col gap-2 empty:hidden">
          {row.footages.map((footage) => (
            <FootageProgressLine key={footage.id} footage={footage} />
          ))}
        </div>
        {lookable && (
          <div className="mt-2 flex items-center gap-1">
            <Link
              to={`/requests/${row.id}/desk`}
              data-open
              className="mr-2 inline-flex min-h-8 items-center rounded-sm border border-pine bg-pine px-3 text-desk font-semibold text-linen hover:border-ink hover:bg-ink"
            >
              {row.marks + row.notes > 0 ? 'Go on' : ready ? 'Open on the desk' : 'Open what is there'}
            </Link>
            {place !== null && (
              <>
                <IconButton words={`${row.clientName} earlier`} icon={ArrowUp} disabled={place === 0} onClick={() => onMove(place - 1)} />
                <IconButton words={`${row.clientName} later`} icon={ArrowDown} disabled={last} onClick={() => onMove(place + 1)} />
                {row.place !== null && (
                  <IconButton words={`Give ${row.clientName} back to the order`} icon={Undo2} onClick={() => onMove(null)} />
                )}
              </>
            )}
            {row.place !== null && <span className="text-small text-reed">moved by hand</span>}
            <GiveOver row={row} />
          </div>
        )}
      </div>
      <div className="flex h-16 gap-1">
        {bouts.slice(0, 3).map((bout) => (
          <BoutRibbon key={bout.id} bout={bout} width={40} height={64} />
        ))}
      </div>
      <Figures {...{ row, estimate, forecast, shift, now }} />
    </div>
  );
}

function Figures({ row, estimate, forecast, shift, now }: Pick<RequestRowProps, 'row' | 'estimate' | 'forecast' | 'shift' | 'now'>) {
  const slack = slackOf(row, forecast, now);
  return (
    <div className="text-right text-small">
      <p>
        <span className="time text-desk">{row.boutMinutes === 0 ? '–:––' : clockText(row.boutMinutes * 60)}</span> of footage
      </p>
      <p className="text-reed" title="The middle of cases, and the range that holds eight of ten">
        {row.boutMinutes === 0
          ? 'Length not known yet'
          : `about ${minutesWords(estimate.minutes)} (${Math.max(1, Math.round(estimate.low))}–${minutesWords(estimate.high)})`}
      </p>
      {row.spentMinutes >= 1 && <p className="text-reed">{minutesWords(row.spentMinutes)} spent</p>}
      {row.state === 'waiting' && (
        <>
          <p className="text-reed">promised {dayAndHour(row.dueAt, now)}</p>
          {slack.words && (
            <p
              data-slack={slack.state}
              className={slack.state === 'kept' ? 'text-reed' : slack.state === 'risk' ? 'font-semibold' : 'font-semibold text-brick'}
            >
              {slack.words}
            </p>
          )}
          {forecast?.finishP80At && <p className="text-reed">done by {dayAndHour(forecast.finishP80At, now)}</p>}
          {shift && <p className="font-semibold text-pine">{shift}</p>}
        </>
      )}
    </div>
  );
}
