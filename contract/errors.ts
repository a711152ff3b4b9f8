import { z } from 'zod';

/** The one table of what can go wrong on the wire: code → status and the words for the person. */
export const errorTable = {
  'not-signed-in': { status: 401, words: 'Please sign in first.' },
  'wrong-sign-in': { status: 401, words: 'That address and password do not belong together. Check both and try again.' },
  'needs-code': { status: 401, words: 'Write the six digits that your device shows now, or one of your codes for a lost device.' },
  'wrong-code': { status: 401, words: 'That code is not right, or was used already. Wait for the next one.' },
  paused: { status: 403, words: 'This sign-in is paused. Ask your coach.' },
  'too-many-sign-ins': { status: 429, words: 'Too many tries. Wait a few minutes, then sign in again.' },
  'not-allowed': { status: 403, words: 'Your sign-in may not do this.' },
  'stale-page': { status: 403, words: 'This page is out of date. Load it again; what you wrote is kept.' },
  'not-valid': { status: 400, words: 'Something in what was sent is not right.' },
  'not-found': { status: 404, words: 'There is nothing here under that name.' },
  'too-large': { status: 413, words: 'That is too large to send.' },
  'footage-not-ready': { status: 409, words: 'The footage is still being made ready.' },
  'changed-meanwhile': {
    status: 409,
    words: 'This was changed elsewhere since you opened it. Nothing of either is lost: choose which to keep.',
  },
  'nothing-to-send': { status: 409, words: 'There is nothing new to send: it is as it was sent last.' },
  'too-late-to-take-back': { status: 409, words: 'Ten minutes have passed, so it cannot be taken back. Change it and send a new version.' },
  busy: { status: 503, words: 'Too much is being made at once. Wait a moment, then try again.' },
  'no-room': {
    status: 507,
    words: 'There is no room left on the disk just now, so nothing new is taken. What is here can be read; try again later.',
  },
  'too-much-kept': { status: 413, words: 'All the room for your footage is taken. Withdraw or discard something first.' },
  'starting-again': { status: 503, words: 'Something here is being started again. Nothing is lost; try again in a moment.' },
  'not-retryable': { status: 409, words: 'Trying again does not help here: either nothing failed, or the file itself cannot be read.' },
  'not-a-draft': { status: 409, words: 'This has been sent already. Look under My critiques.' },
  'not-now': { status: 409, words: 'This request is not at a point where that can be done. Load the page again.' },
  'none-left': {
    status: 409,
    words: 'Your plan holds no more requests until its next period. Buy one more, or send this when the next period begins; it is kept.',
  },
  'plan-paused': { status: 409, words: 'Your plan is paused, so nothing can be sent just now. What you wrote is kept.' },
  'no-footage': { status: 409, words: 'Choose at least one video first.' },
  'unreadable-footage': {
    status: 409,
    words: 'None of the videos can be read, so there is nothing to look at. Choose another file in the place of each.',
  },
  'not-agreed': { status: 409, words: 'First agree, on the page “My critiques”, that footage is looked at here.' },
  'no-guardian': {
    status: 409,
    words: 'You are under 18 and no guardian has agreed here yet. Ask your coach to invite one, or your guardian to sign in.',
  },
  'footage-removed': { status: 410, words: 'This footage is not kept any more: who is on it asked for that, or its time here was over.' },
  'taken-back': {
    status: 410,
    words: 'The coach has taken this back to write it once more. There is nothing for you to do: the new one comes with a letter.',
  },
  'address-expired': { status: 410, words: 'This address has expired or is not yours. Open the page again.' },
  'already-uploaded': { status: 409, words: 'This footage has arrived already.' },
  unknown: { status: 500, words: 'Something went wrong on our side. Nothing you sent before this was lost.' },
} as const satisfies Record<string, { status: number; words: string }>;

/** Codes that say: not now. What was asked is asked again later as it is; of any other it is the asking itself that is not taken. */
export const passingCodes: ReadonlySet<string> = new Set<ErrorCode>([
  'unknown',
  'busy',
  'no-room',
  'starting-again',
  'not-signed-in',
  'stale-page',
]);

export type ErrorCode = keyof typeof errorTable;

/** What every failed request answers with. `fields` says which field and why; `reference` is in the log. */
export const wireError = z.object({
  code: z.enum(Object.keys(errorTable) as [ErrorCode, ...ErrorCode[]]),
  message: z.string(),
  fields: z.array(z.object({ field: z.string(), why: z.string() })).optional(),
  reference: z.string().optional(),
});
export type WireError = z.infer<typeof wireError>;
