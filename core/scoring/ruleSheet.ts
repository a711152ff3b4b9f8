/** Names of the rule sheets that ship (domain §3); never a claim about any organiser's rules. */
export const ruleSheetNames = ['points-jacket', 'points-no-jacket', 'late-points-no-jacket', 'finish-only', 'open-mat'] as const;
export type RuleSheetName = (typeof ruleSheetNames)[number];

const words: Record<RuleSheetName, string> = {
  'points-jacket': 'Points, jacket',
  'points-no-jacket': 'Points, no jacket',
  'late-points-no-jacket': 'Points in the second half, no jacket',
  'finish-only': 'Finish only',
  'open-mat': 'No score kept',
};

/** How a rule sheet is called where people read it. */
export const ruleSheetWords = (name: RuleSheetName): string => words[name];
