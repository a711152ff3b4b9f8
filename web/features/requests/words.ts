import { draftSteps, type DraftStep, type Request, type RequestKind, type RequestState } from '@lean-mentor/contract';
import { ruleSheetNames, ruleSheetWords } from '@lean-mentor/core/scoring';

export const kindWords: Record<RequestKind, string> = {
  match: 'Match',
  'hard-sparring': 'Hard sparring',
  'light-sparring': 'Light sparring',
  positional: 'Positional round',
};
export const attireWords: Record<Request['attire'], string> = { jacket: 'jacket', 'no-jacket': 'no jacket' };

const options = <V extends string>(words: Record<V, string>): { value: V; words: string }[] =>
  (Object.entries(words) as [V, string][]).map(([value, text]) => ({ value, words: text }));

export const kindOptions = options(kindWords);
export const attireOptions = options({ jacket: 'Jacket', 'no-jacket': 'No jacket' });
export const ruleSheetOptions = ruleSheetNames.map((value) => ({ value, words: ruleSheetWords(value) }));
export const levelWords = { lower: 'lower belt', same: 'same belt', higher: 'higher belt', unknown: 'belt not known' } as const;
export const sizeWords = { smaller: 'smaller', same: 'same size', larger: 'larger', unknown: 'size not known' } as const;
export const ageWords = { younger: 'younger', same: 'same age', older: 'older', unknown: 'age not known' } as const;
export const levelOptions = options({ lower: 'Lower belt', same: 'Same', higher: 'Higher', unknown: 'Not sure' });
export const sizeOptions = options({ smaller: 'Smaller', same: 'Same', larger: 'Larger', unknown: 'Not sure' });
export const ageOptions = options({ younger: 'Younger', same: 'Same', older: 'Older', unknown: 'Not sure' });

/** How the steps of sending are called, in their order. */
export const stepWords: Record<DraftStep, string> = {
  footage: 'The video',
  who: 'Who is who',
  what: 'What it was',
  question: 'What you want to know',
  hurts: 'What hurts',
  consent: 'Your partner’s yes',
  check: 'Check and send',
};
export const stepAfter = (step: DraftStep, by: 1 | -1): DraftStep | undefined => draftSteps[draftSteps.indexOf(step) + by];

/** What a request waits for, to its client. */
export const stateWords: Record<Exclude<RequestState, 'draft'>, string> = {
  guardian: 'Waits for your guardian’s yes',
  uploading: 'On its way: the coach gets it with the last byte',
  waiting: 'With your coach',
  'need-first': 'Your coach needs something first',
  sent: 'Answered',
  withdrawn: 'Taken back',
};

/** The partner beside the client, as far as it was said. */
export function partnerWords({
  partnerLevel,
  partnerSize,
  partnerAge,
}: Pick<Request, 'partnerLevel' | 'partnerSize' | 'partnerAge'>): string {
  const intake = [
    partnerLevel !== 'unknown' && levelWords[partnerLevel],
    partnerSize !== 'unknown' && sizeWords[partnerSize],
    partnerAge !== 'unknown' && ageWords[partnerAge],
  ].filter(Boolean);
  return intake.join(', ');
}
