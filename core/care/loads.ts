import { isNeutral, positionFamily, type PositionCode } from '../positions/index.ts';
import type { CautionClass } from './caution.ts';
import { bodyParts, type Burden, type BodyPart, type Load } from './bodyParts.ts';

type Loads = Readonly<Partial<Record<BodyPart, readonly Burden[]>>>;

/** What each caution class asks of whoever does it (docs/domain.md §12). */
const cautionLoads: Readonly<Record<CautionClass, Loads>> = {
  general: {},
  joint: { shoulder: ['twisted', 'straightened'], elbow: ['straightened', 'twisted'], hand: ['bent', 'gripped'] },
  'knee-and-heel': { hip: ['twisted', 'bent'], knee: ['twisted', 'straightened', 'pressed'], foot: ['twisted', 'straightened', 'gripped'] },
  'neck-and-spine': { neck: ['twisted', 'bent', 'pressed'], ribs: ['pressed', 'twisted'], back: ['twisted', 'stacked', 'bent'] },
  fall: {
    ...{ head: ['fallen-on'], neck: ['fallen-on', 'stacked'], shoulder: ['fallen-on'], ribs: ['fallen-on'], belly: ['fallen-on'] },
    ...{ back: ['fallen-on', 'weight'], hip: ['fallen-on'], knee: ['fallen-on', 'twisted', 'weight'], foot: ['weight', 'twisted'] },
  },
};

/** What a round from a start asks, by where one is in it: above weight is given, below it is borne; on the feet one may fall. */
function startLoads(position: PositionCode, holds: boolean): Loads {
  if (position === 'fifty-fifty' || position === 'leg-entanglement') return cautionLoads['knee-and-heel'];
  if (position === 'both-seated') return { hip: ['bent'], knee: ['bent', 'twisted'] };
  if (isNeutral(position) || position === 'rear-clinch') return cautionLoads.fall;
  if (position === 'front-headlock' || position === 'turtle')
    return holds
      ? { shoulder: ['weight'], knee: ['weight', 'bent'] }
      : { jaw: ['pressed'], neck: ['bent', 'pressed'], shoulder: ['weight', 'twisted'], belly: ['pressed'], back: ['pressed', 'weight'] };
  if (positionFamily(position) === 'guard')
    return holds
      ? { knee: ['weight', 'bent', 'twisted'], hip: ['bent'], back: ['bent', 'weight'] }
      : { hip: ['bent', 'twisted'], knee: ['bent', 'twisted', 'pressed'], back: ['stacked', 'bent'], belly: ['pressed'] };
  return holds
    ? { knee: ['weight', 'bent'], hip: ['bent'] }
    : { jaw: ['pressed'], neck: ['pressed', 'bent'], ribs: ['pressed'], belly: ['pressed'], back: ['pressed', 'twisted'] };
}

/** Everything that is asked of somebody who works from a start with something of a caution class. */
export function loadsOf(start: { position: PositionCode; holds: boolean } | null, caution: CautionClass): Load[] {
  const [ofCaution, ofStart] = [cautionLoads[caution], start ? startLoads(start.position, start.holds) : {}];
  return bodyParts.flatMap((part): Load[] => {
    const asked = new Set([...(ofCaution[part] ?? []), ...(ofStart[part] ?? [])]);
    return asked.size > 0 ? [{ part, side: null, burdens: [...asked] }] : [];
  });
}

/** What a caution class asks of the one it is done to. */
export const cautionAsks = (caution: CautionClass): Load[] => loadsOf(null, caution);
