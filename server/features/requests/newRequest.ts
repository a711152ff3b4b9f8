import type { RequestRow } from './model.ts';

/** A request of which nothing but this is known: nothing was said about it, and its clock runs. */
export const newRequest = (
  known: Pick<RequestRow, 'id' | 'clientId' | 'state' | 'intake' | 'sentAt' | 'dueAt'> & Partial<RequestRow>,
): RequestRow => ({
  step: 'check',
  exchange: [],
  stoppedAt: null,
  consentWithdrawnAt: null,
  readyAt: known.state === 'draft' || known.state === 'guardian' || known.state === 'uploading' ? null : known.sentAt,
  saidByAt: null,
  promiseMovedAt: null,
  membershipId: null,
  periodOn: null,
  limits: { own: [], partner: [] },
  place: null,
  ...known,
});
