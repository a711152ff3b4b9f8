import type { PositionCode } from '../scoring/index.ts';
import type { BodyPart, CautionClass, Load } from '../care/index.ts';

export const bookAreas = ['standing', 'guard', 'passing', 'pins', 'back', 'legs', 'finishing', 'escaping', 'strategy', 'conduct'] as const;
export type BookArea = (typeof bookAreas)[number];
export const areaNames: Readonly<Record<BookArea, string>> = {
  standing: 'Standing',
  guard: 'Guard',
  passing: 'Passing',
  pins: 'Pins',
  back: 'Back',
  legs: 'Leg entanglements',
  finishing: 'Finishing',
  escaping: 'Escaping',
  strategy: 'Strategy',
  conduct: 'Conduct',
};

/** Which of the two athletes a principle is for: the holder of the position, the other one, or either. */
export const placeRoles = ['holder', 'other', 'either'] as const;
export type PlaceRole = (typeof placeRoles)[number];

/** taught: what this coach teaches; also-good: fine too; other-school: how others do it, kept beside it. */
export const stances = ['taught', 'also-good', 'other-school'] as const;
export type Stance = (typeof stances)[number];
export const stanceNames: Readonly<Record<Stance, string>> = {
  taught: 'I teach this',
  'also-good': 'fine too',
  'other-school': 'another school',
};

/** One way of doing it, and when. */
export interface Variant {
  /** The condition; empty for always. */
  when: string;
  do: string;
  stance: Stance;
  /** Parts of the body that this way spares, of what the principle asks otherwise. */
  spares: BodyPart[];
}

/** What something asks of whoever does it and of the one it is done with. */
export interface Asks {
  doer: Load[];
  partner: Load[];
}
export const nothingAsked = (): Asks => ({ doer: [], partner: [] });

export const bookAttires = ['jacket', 'no-jacket', 'either'] as const;
export type BookAttire = (typeof bookAttires)[number];

/** An entry of the coach's book. */
export interface BookPrinciple {
  id: string;
  name: string;
  area: BookArea;
  /** What one says on the mat; at most `mostCueWords` words. */
  cue: string;
  /** What good looks like. */
  good: string;
  why: string;
  /** Where it can fail. None: anywhere in a bout. */
  where: { position: PositionCode; role: PlaceRole }[];
  /** "lifted while passing": it is counted by chances of this kind, not by minutes. Empty: by minutes. */
  chances: string;
  /** 1 first … 5 last. */
  level: number;
  /** Ids of principles it rests on; without a circle. */
  prerequisites: string[];
  caution: CautionClass;
  /** What it asks of whoever does it, and of the one it is done to. */
  loads: Asks;
  attire: BookAttire;
  /** Techniques by any of their names ("heel hook"), for what is restricted and what they ask. */
  techniques: string[];
  variants: Variant[];
  errors: string[];
  drillIds: string[];
  clipIds: string[];
}

export const drillPartners = ['alone', 'helping', 'resisting'] as const;
export type DrillPartner = (typeof drillPartners)[number];
export const partnerNames: Readonly<Record<DrillPartner, string>> = {
  alone: 'alone',
  helping: 'with a helping partner',
  resisting: 'with a resisting partner',
};

export interface BookDrill {
  id: string;
  name: string;
  how: string;
  partner: DrillPartner;
  /** Empty: none. */
  equipment: string;
  minutes: number;
  caution: CautionClass;
  loads: Asks;
  attire: BookAttire;
}

export const mostCueWords = 12;
export const wordsIn = (text: string): number => text.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length;
