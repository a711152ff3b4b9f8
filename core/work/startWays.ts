import { isNeutral, positionFamily, type PositionCode } from '../scoring/index.ts';
import type { Way } from './terms.ts';

const own = (words: string): Omit<Way, 'id'> => ({ words, wonBy: 'own' });
const other = (words: string): Omit<Way, 'id'> => ({ words, wonBy: 'other' });

function waysOf(position: PositionCode, clientHolds: boolean | null): Omit<Way, 'id'>[] {
  const family = positionFamily(position);
  if (isNeutral(position) || clientHolds === null)
    return [own('came on top'), other('they came on top'), { words: 'neither', wonBy: 'nobody' }];
  if (family === 'guard')
    return clientHolds ? [own('passed'), other('swept'), other('tapped')] : [own('swept'), own('tap'), other('passed')];
  if (family === 'attack') return clientHolds ? [own('tap'), own('on top'), other('slipped')] : [own('slipped out'), other('caught')];
  return clientHolds ? [own('held'), own('tap'), other('escaped')] : [own('got out'), other('held'), other('tapped')];
}

/** The usual ends of a go from a start, two to three, to be worded anew by whoever gives it. */
export const startWays = (position: PositionCode, clientHolds: boolean | null): Way[] =>
  waysOf(position, clientHolds).map((way, i) => ({ ...way, id: `w${i + 1}` }));
