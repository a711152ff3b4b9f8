import {
  cautionAsks,
  limitsOf,
  limitText,
  linesOf,
  meets,
  partWords,
  type BodyPart,
  type CautionClass,
  type Limit,
  type Load,
  type RequestLimits,
} from '../care/index.ts';
import type { Asks, BookDrill, BookPrinciple } from './principle.ts';
import { techniqueNamed, techniquesIn } from '../techniques/index.ts';

/** Anything that can be chosen for a client, as far as care needs it. */
export interface Asking {
  caution: CautionClass;
  loads: Asks;
  techniques: readonly string[];
  /** What it says in free words, in which techniques may be named. */
  words: string;
}
/**
 * Everything that something asks (docs/domain.md §12, loads): what its entry says, what its caution class asks of both, since who drills
 * takes turns, and what the techniques it names ask.
 */
export function asksOf({ caution, loads, techniques, words }: Asking): Asks {
  const named = [...techniques.map(techniqueNamed).filter((one) => one !== null), ...techniquesIn(words)];
  const both = cautionAsks(caution);
  return {
    doer: [...loads.doer, ...both, ...named.flatMap((one) => one.loads.doer)],
    partner: [...loads.partner, ...both, ...named.flatMap((one) => one.loads.partner)],
  };
}

/** Whom something is chosen for, and what is to be spared of them and of whoever trains or trained with them. */
export interface Spared {
  name: string;
  limits: readonly Limit[];
  partnerLimits: readonly Limit[];
}

/**
 * By their first name, what is to be spared of a client with a request of theirs: what hurts for longer, what hurts today, and what hurts
 * the partner.
 */
export const sparedOf = (
  { name, hurts, limits }: { name: string; hurts: readonly string[]; limits: readonly Limit[] },
  request?: { hurtsToday: string; partnerHurts: string; limits: RequestLimits },
): Spared => ({
  name: name.split(' ')[0]!,
  limits: [...limitsOf(hurts, limits), ...(request ? limitsOf(linesOf(request.hurtsToday), request.limits.own) : [])],
  partnerLimits: request ? limitsOf(linesOf(request.partnerHurts), request.limits.partner) : [],
});

/** A limit that something meets, and whose it is. */
export interface Clash {
  whose: 'client' | 'partner';
  limit: Limit;
}

/** What of somebody something asks that it must not. What asks for a clinician meets everything until one was asked. */
export function clashesOf(asks: Asks, { limits, partnerLimits }: Spared): Clash[] {
  const hit = (loads: readonly Load[], limit: Limit): boolean =>
    limit.alarm === null ? loads.some((load) => meets(load, limit)) : limit.cleared.trim() === '';
  return [
    ...limits.filter((limit) => hit(asks.doer, limit)).map((limit): Clash => ({ whose: 'client', limit })),
    ...partnerLimits.filter((limit) => hit(asks.partner, limit)).map((limit): Clash => ({ whose: 'partner', limit })),
  ];
}

const unique = (words: readonly string[]): string[] => [...new Set(words)];

/** Clashes in one sentence: ‘asks something of the left knee, and Ilse says: “Left knee repaired”’. */
export function clashSentence(clashes: readonly Clash[], name: string): string {
  const said = (whose: Clash['whose'], who: string): string => {
    const own = clashes.filter((clash) => clash.whose === whose && clash.limit.alarm === null);
    if (own.length === 0) return '';
    const parts = unique(own.map(({ limit }) => partWords(limit)));
    const words = unique(own.map(({ limit }) => `“${limit.words}”`));
    return `asks something of ${parts.join(', ')}, and ${who} says: ${words.join(', ')}`;
  };
  const alarms = unique(clashes.filter(({ limit }) => limit.alarm !== null).map(({ limit }) => limitText(limit)));
  const told = [said('client', name), said('partner', 'the partner')].filter(Boolean).join('; it also ');
  return [...(told ? [`it ${told}.`] : []), ...alarms].join(' ');
}

/** Parts of the body that clashes are about, for finding what spares them. */
export const clashedParts = (clashes: readonly Clash[]): BodyPart[] => [
  ...new Set(clashes.filter(({ limit }) => limit.alarm === null).map(({ limit }) => limit.part)),
];

/** Whether something spares every part that is clashed with. */
export const sparesAll = ({ spares }: { spares: readonly BodyPart[] }, clashes: readonly Clash[]): boolean => {
  const parts = clashedParts(clashes);
  return parts.length > 0 && parts.every((part) => spares.includes(part)) && clashes.every(({ limit }) => limit.alarm === null);
};

/** The same things, those that spare what is clashed with before the others. */
export const sparingFirst = <V extends { spares: readonly BodyPart[] }>(variants: readonly V[], clashes: readonly Clash[]): V[] =>
  clashes.length === 0
    ? [...variants]
    : [...variants.filter((one) => sparesAll(one, clashes)), ...variants.filter((one) => !sparesAll(one, clashes))];

/** What a principle, or a drill, asks: also by the techniques that its own words name. */
export const asksOfPrinciple = (principle: BookPrinciple): Asks =>
  asksOf({ ...principle, words: `${principle.name}. ${principle.cue} ${principle.good}` });
export const asksOfDrill = (drill: BookDrill): Asks => asksOf({ ...drill, techniques: [], words: `${drill.name}. ${drill.how}` });

export const principleClashes = (principle: BookPrinciple, who: Spared): Clash[] => clashesOf(asksOfPrinciple(principle), who);
export const drillClashes = (drill: BookDrill, who: Spared): Clash[] => clashesOf(asksOfDrill(drill), who);
