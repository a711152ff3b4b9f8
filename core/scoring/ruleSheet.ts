/** Names of the rule sheets that ship (docs/domain.md §3); never a claim about any organiser's rules. */
export const ruleSheetNames = ['points-jacket', 'points-no-jacket', 'late-points-no-jacket', 'finish-only', 'open-mat'] as const;
export type RuleSheetName = (typeof ruleSheetNames)[number];

/** What points are given for. A reversal is worth nothing on the sheets that ship; a coach's own may give something. */
export const scoredActions = ['takedown', 'sweep', 'reversal', 'pass', 'knee-on-belly', 'mount', 'back-mount', 'back-control'] as const;
export type ScoredAction = (typeof scoredActions)[number];

/** What a sheet gives for coming up on top: a sweep, a near point, or nothing. */
export const comingUps = ['sweep', 'near', 'nothing'] as const;
export type ComingUp = (typeof comingUps)[number];

/** What a penalty of a certain place does: to the one who gets it `loss`, to the other `near` points and `points`. */
export interface PenaltyStep {
  near: number;
  points: number;
  loss: boolean;
}
export const tieBreaks = ['points', 'near-points', 'penalties'] as const;
export type TieBreak = (typeof tieBreaks)[number];

/** Who may not do a technique: everybody, those below a level (1 first … 5 last), or those younger than so many years. */
export interface Restriction {
  technique: string;
  belowLevel?: number | undefined;
  underAge?: number | undefined;
  /** In sheets that were written before ages were given in years. */
  ageGroups?: readonly AgeGroup[] | undefined;
}
export const ageGroups = ['child', 'teen', 'adult', 'master'] as const;
export type AgeGroup = (typeof ageGroups)[number];

export const ruleSheetAttires = ['jacket', 'no-jacket', 'either'] as const;

/** How a kind of contest is scored and what it forbids. Times are seconds of the bout clock. */
export interface RuleSheet {
  name: string;
  attire: (typeof ruleSheetAttires)[number];
  /** Null: not set by the sheet. */
  boutSeconds: number | null;
  holdSeconds: number;
  points: Record<ScoredAction, number>;
  /** Near points: for a scoring position reached and not held, for an attempt marked close, for a turtle that stopped a pass. */
  near: { notHeld: number; close: number; turtle: number };
  /** What pulling guard costs the one who pulls, in points, while points count. */
  guardPullCosts: number;
  /** A stay in scramble, fifty-fifty, leg entanglement, front headlock or both seated is a way through up to so many seconds. */
  originSeconds: number;
  /** What coming up on top pays out of a longer stay in fifty-fifty or a leg entanglement, and, however long, out of a double pull. */
  fiftyFifty: ComingUp;
  entanglement: ComingUp;
  doublePull: ComingUp;
  /** What a takedown pays by where it lands; null: what `points` says. */
  takedownInto: { guard: number; past: number } | null;
  /** In order; the last step repeats. */
  penalties: readonly PenaltyStep[];
  pointsCount: 'always' | 'second-half' | 'never';
  /** How a level score is decided, in order; the referee comes last. Empty with `decides` false. */
  tie: readonly TieBreak[];
  /** False: nobody wins; everything is counted only. */
  decides: boolean;
  restrictions: readonly Restriction[];
  notes: string;
}

export const sheetCaution = 'Organisers change their rules. Check the event’s own current rule book; the referee decides.';

/** Locks and throws that many events keep from beginners or the young; each sheet may be edited. */
const usualRestrictions: readonly Restriction[] = [
  { technique: 'slam' },
  { technique: 'scissor takedown' },
  { technique: 'neck crank' },
  { technique: 'twisting leg lock' },
  { technique: 'knee reap' },
  { technique: 'knee bar', belowLevel: 4 },
  { technique: 'knee bar', underAge: 16 },
  { technique: 'toe hold', belowLevel: 4 },
  { technique: 'toe hold', underAge: 16 },
  { technique: 'calf or biceps slicer', belowLevel: 4 },
  { technique: 'calf or biceps slicer', underAge: 16 },
  { technique: 'straight ankle lock', underAge: 16 },
  { technique: 'wrist lock', belowLevel: 2 },
  { technique: 'wrist lock', underAge: 16 },
  { technique: 'guillotine', underAge: 13 },
  { technique: 'jumping guard', belowLevel: 2 },
  { technique: 'jumping guard', underAge: 16 },
];
/** Forbidden to everybody where jackets are worn; elsewhere to the young. */
const leftToGrownUps: readonly string[] = ['twisting leg lock', 'knee reap'];

/** "Points, jacket": what any sheet does not state is as here (docs/domain.md §3). */
export const pointsJacket: RuleSheet = {
  name: 'Points, jacket',
  attire: 'jacket',
  boutSeconds: null,
  holdSeconds: 3,
  points: { takedown: 2, sweep: 2, reversal: 0, pass: 3, 'knee-on-belly': 2, mount: 4, 'back-mount': 4, 'back-control': 4 },
  near: { notHeld: 1, close: 1, turtle: 0 },
  guardPullCosts: 0,
  originSeconds: 10,
  fiftyFifty: 'sweep',
  entanglement: 'sweep',
  doublePull: 'near',
  takedownInto: null,
  penalties: [
    { near: 0, points: 0, loss: false },
    { near: 1, points: 0, loss: false },
    { near: 0, points: 2, loss: false },
    { near: 0, points: 0, loss: true },
  ],
  pointsCount: 'always',
  tie: ['points', 'near-points', 'penalties'],
  decides: true,
  restrictions: usualRestrictions,
  notes: sheetCaution,
};

/** The sheets that ship. */
export const ruleSheets: Readonly<Record<RuleSheetName, RuleSheet>> = {
  'points-jacket': pointsJacket,
  'points-no-jacket': { ...pointsJacket, name: 'Points, no jacket', attire: 'no-jacket' },
  'late-points-no-jacket': {
    ...pointsJacket,
    name: 'Late points, no jacket',
    attire: 'no-jacket',
    points: { ...pointsJacket.points, mount: 2, 'back-control': 3, 'back-mount': 3 },
    pointsCount: 'second-half',
    guardPullCosts: 1,
    restrictions: usualRestrictions.map((one) => (leftToGrownUps.includes(one.technique) ? { ...one, underAge: 18 } : one)),
  },
  'finish-only': { ...pointsJacket, name: 'Finish only', attire: 'either', pointsCount: 'never' },
  'open-mat': { ...pointsJacket, name: 'Open mat', attire: 'either', pointsCount: 'never', decides: false, tie: [] },
};

export const isRuleSheetName = (name: string): name is RuleSheetName => (ruleSheetNames as readonly string[]).includes(name);

/** How a rule sheet is called where people read it. */
export const ruleSheetWords = (name: RuleSheetName): string => ruleSheets[name].name;
