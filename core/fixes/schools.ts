import { carriedShare, decidingShare } from './chainCosts.ts';

/** What a fix is ranked by: cost, frequency, recurrence, goal, groundwork (docs/domain.md §6). */
export const rankParts = ['C', 'F', 'R', 'G', 'B'] as const;
export type RankPart = (typeof rankParts)[number];
export type RankParts = Record<RankPart, number>;

/** A way of choosing: what each part weighs, how much of a harm goes back to its causes, what a missed chance counts. */
export interface School {
  name: string;
  weights: RankParts;
  share: number;
  missedChance: number;
  /** What it believes, in a sentence. */
  words: string;
}

const of = (C: number, F: number, R: number, G: number, B: number): RankParts => ({ C, F, R, G, B });

/** The schools that ship; the coach may set weights of their own. */
export const schools = {
  balanced: { name: 'Balanced', weights: of(0.35, 0.2, 0.2, 0.15, 0.1), share: carriedShare, missedChance: 1, words: 'A bit of each.' },
  'deciding-moment': {
    name: 'Deciding moment',
    weights: of(0.6, 0.1, 0.1, 0.1, 0.1),
    share: decidingShare,
    missedChance: 1,
    words: 'Fix the first link of the chain that decided it.',
  },
  'habit-breaker': {
    name: 'Habit breaker',
    weights: of(0.2, 0.35, 0.3, 0.05, 0.1),
    share: carriedShare,
    missedChance: 1,
    words: 'What happens most, and keeps happening.',
  },
  'groundwork-first': {
    name: 'Groundwork first',
    weights: of(0.2, 0.15, 0.15, 0.05, 0.45),
    share: carriedShare,
    missedChance: 1,
    words: 'Base, posture and frames before anything built on them.',
  },
  'build-the-game': {
    name: 'Build the game',
    weights: of(0.2, 0.1, 0.1, 0.5, 0.1),
    share: carriedShare,
    missedChance: 1.5,
    words: 'Grow what they do well; missed chances count half as much again.',
  },
} as const satisfies Record<string, School>;
export type SchoolName = keyof typeof schools;
export const schoolNames = Object.keys(schools) as [SchoolName, ...SchoolName[]];

/** A school by its name as a person may write it: "Deciding moment", "deciding-moment". Undefined when there is none. */
export const schoolNamed = (words: string): SchoolName | undefined =>
  schoolNames.find(
    (name) =>
      name ===
      words
        .trim()
        .toLowerCase()
        .replace(/[\s_]+/g, '-'),
  );
