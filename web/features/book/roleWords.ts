import type { PlaceRole } from '@lean-mentor/core/book';
import { positionFamily, type PositionCode } from '@lean-mentor/core/scoring';

/** Who is meant in a position, as one says it there. */
export function roleWords(position: PositionCode, role: PlaceRole): string {
  if (role === 'either') return 'either';
  const family = positionFamily(position);
  if (family === 'guard') return role === 'holder' ? 'the passer' : 'the guard';
  if (family === 'neutral') return role === 'holder' ? 'the one who leads' : 'the one who answers';
  return role === 'holder' ? 'in control' : 'under it';
}
