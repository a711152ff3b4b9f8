import {
  deskTimeFrom,
  drawReviews,
  forecastOrder,
  orderBy,
  type OrderPolicy,
  type PastReview,
  type PolicyForecast,
  type ScheduleInput,
} from '@lean-mentor/core/queue';

export interface ScheduleAsked {
  id: number;
  input: Omit<ScheduleInput, 'deskTime'> & { past: readonly PastReview[] };
  /** The first is wanted first. */
  policies: readonly OrderPolicy[];
}
export interface ScheduleAnswered {
  id: number;
  /** Under a policy, on the same draws as all others of this id. */
  forecast: PolicyForecast;
  /** The same without anything moved by hand; null where nothing is. */
  withoutPlaces: PolicyForecast | null;
}

/** Computes policy after policy and tells each as soon as it is there. */
export function answerSchedule({ id, input, policies }: ScheduleAsked, tell: (answer: ScheduleAnswered) => void): void {
  const drawn = drawReviews({ ...input, deskTime: deskTimeFrom(input.past) });
  const byHand = drawn.reviews.some(({ place }) => place !== undefined);
  const given = { ...drawn, reviews: drawn.reviews.map(({ place: _, ...review }) => review) };
  for (const policy of policies) {
    const forecast = forecastOrder(policy, orderBy(policy, drawn), drawn);
    tell({ id, forecast, withoutPlaces: byHand ? forecastOrder(policy, orderBy(policy, given), given) : null });
  }
}

if (typeof document === 'undefined' && typeof addEventListener === 'function')
  addEventListener('message', ({ data }: MessageEvent<ScheduleAsked>) => answerSchedule(data, (answer) => postMessage(answer)));
