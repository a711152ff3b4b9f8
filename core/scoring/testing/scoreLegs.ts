import type { TimedEvent } from '../boutEvent.ts';
import { pointsJacket, type RuleSheet } from '../ruleSheet.ts';
import { scoreBout } from '../scoreBout.ts';
import { boutOf, type Leg } from './boutOf.ts';

/** The score of spans one after another. */
export const score = (
  legs: readonly Leg[],
  events: readonly TimedEvent[] = [],
  sheet: RuleSheet = pointsJacket,
  clock: number | null = null,
) => scoreBout(boutOf(legs, events, clock), sheet);
/** What was given, short enough to compare: athlete, action, when, points, near points. */
export const given = (of: ReturnType<typeof scoreBout>) =>
  of.awards.map(({ athlete, action, bankedAt, points, near }) => [athlete, action, Math.round(bankedAt * 100) / 100, points, near]);
export const standing: Leg = ['standing', null, 10];
