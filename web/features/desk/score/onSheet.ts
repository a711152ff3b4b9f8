import type { Bout } from '@lean-mentor/contract';
import { eventWords, sideNames } from '@lean-mentor/core/scoring';
import type { SheetInstant } from '../../sheet/index.ts';
import type { BoutScored } from './useScore.ts';

/** Points where they were given, for the sheet. */
export const awardsOnSheet = ({ result, frameAt }: BoutScored): SheetInstant[] =>
  result.awards.map(({ athlete, action, at, bankedAt, points, near, reason }) => ({
    id: `${athlete} ${action} ${at} ${points}`,
    atFrame: frameAt(bankedAt),
    athlete,
    mark: points !== 0 ? `${points > 0 ? '+' : '−'}${Math.abs(points)}` : `+${near}n`,
    words: `${sideNames[athlete]} ${reason}`,
  }));

/** What happened, for the sheet. */
export const eventsOnSheet = (events: Bout['events']): SheetInstant[] =>
  events.map((event, i) => ({
    id: `${event.kind} ${event.atFrame} ${i}`,
    atFrame: event.atFrame,
    athlete: 'athlete' in event ? event.athlete : null,
    mark: '',
    words: eventWords(event),
  }));
