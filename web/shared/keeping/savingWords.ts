import { assertNever } from '@lean-mentor/core/never';
import type { Keeping } from './keeper.ts';

/** What every page says of where its words are. */
export function savingWords({ saving, fault }: Keeping): string {
  switch (saving) {
    case 'saved':
      return 'Saved';
    case 'writing':
      return fault ? 'Neither kept here nor sent: leave this page open' : 'Keeping …';
    case 'kept':
      return 'Kept here';
    case 'away':
      return 'Kept here; the server cannot be reached';
    case 'refused':
      return 'Not taken';
    default:
      return assertNever(saving);
  }
}
