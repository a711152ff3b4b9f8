import { assertNever } from '@lean-mentor/core/never';
import type { Bout } from '@lean-mentor/contract';
import type { SheetInstant } from '../../sheet/index.ts';
import type { BoutScored } from './useScore.ts';

const named = { client: 'Client', partner: 'Partner' } as const;

/** Points where they were given, for the sheet. */
export const awardsOnSheet = ({ result, frameAt }: BoutScored): SheetInstant[] =>
  result.awards.map(({ athlete, action, at, bankedAt, points, near, reason }) => ({
    id: `${athlete} ${action} ${at} ${points}`,
    atFrame: frameAt(bankedAt),
    athlete,
    mark: points !== 0 ? `${points > 0 ? '+' : '−'}${Math.abs(points)}` : `+${near}n`,
    words: `${named[athlete]} ${reason}`,
  }));

/** An event in a few words. */
export const eventWords = (event: Bout['events'][number]): string => {
  switch (event.kind) {
    case 'attempt':
      return `${named[event.athlete]}’s ${event.technique.replaceAll('-', ' ')}: ${event.outcome}${event.close ? ', close' : ''}`;
    case 'guard-pull':
      return `${named[event.athlete]} pulls guard${event.gripped ? '; the other had gripped' : ''}`;
    case 'stoppage':
      return 'The clock stops';
    case 'restart':
      return 'The clock goes on';
    case 'penalty':
      return `Penalty for the ${event.athlete}`;
    case 'finish':
      return `${named[event.athlete]} finishes${event.technique ? `: ${event.technique}` : ''}`;
    default:
      return assertNever(event);
  }
};

/** What happened, for the sheet. */
export const eventsOnSheet = (events: Bout['events']): SheetInstant[] =>
  events.map((event, i) => ({
    id: `${event.kind} ${event.atFrame} ${i}`,
    atFrame: event.atFrame,
    athlete: 'athlete' in event ? event.athlete : null,
    mark: '',
    words: eventWords(event),
  }));
