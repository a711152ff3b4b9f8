import { forgetOldTries } from './features/access/index.ts';
import { removeOldExports } from './features/critique/index.ts';
import { endWorkThatHolds } from './features/followup/index.ts';
import { removeOldEditions } from './features/footage/index.ts';
import { removeOldFilms } from './features/films/index.ts';
import { handOver } from './features/joining/index.ts';
import { askAfterPayments, billPlans, remindOfInvoices } from './features/practice/index.ts';
import { finishLeftUploads } from './features/uploads/index.ts';
import { forgetWhoAsked, removeWhatIsOver } from './features/rights/index.ts';
import { remindOfWork } from './features/work/index.ts';
import { clearScratchFolders } from './house/scratchFolder.ts';
import type { Chores } from './jobs/tidy.ts';

/** What the jobs process looks after. */
export const chores: Chores = {
  'uploads that nobody finished': finishLeftUploads,
  'uploads that nobody went on with': async ({ storage }) => storage.uploads.deleteExpired(),
  'exports that were taken': removeOldExports,
  'films that were kept long enough': removeOldFilms,
  'what was looked at before it was whole': removeOldEditions,
  'tries to sign in that no longer count': forgetOldTries,
  'clients who have come of age': handOver,
  'payments that something may come of': askAfterPayments,
  'invoices of plans': billPlans,
  'invoices that are late': remindOfInvoices,
  'work whose fix holds': endWorkThatHolds,
  'reminders of work': remindOfWork,
  'clients who asked to be forgotten': forgetWhoAsked,
  'what was kept long enough': removeWhatIsOver,
  'what dead processes left': clearScratchFolders,
};
