import { intake, type Draft, type DraftStep } from '@lean-mentor/contract';
import type { StepProps } from './StepProps.ts';

const stepOf: Record<string, DraftStep> = {
  whoClient: 'who',
  whoPartner: 'who',
  kind: 'what',
  attire: 'what',
  ruleSheet: 'what',
  lengthMinutes: 'what',
  question: 'question',
  partnerConsent: 'consent',
};
const missingWords: Record<string, string> = {
  whoClient: 'Say which one you are.',
  whoPartner: 'Say which one your partner is.',
  kind: 'Say what it was.',
  attire: 'Say whether jackets were worn.',
  ruleSheet: 'Choose the rules it went by.',
  lengthMinutes: 'A round is half a minute to an hour long.',
  question: 'Write what you want to know.',
  partnerConsent: 'Ask your partner for their yes.',
};

/** What a draft lacks before it can be sent: in words, and the step at which it is said. */
export function missingOf(draft: Draft, written: StepProps['written']['intake']): { step: DraftStep; words: string }[] {
  const fields = new Set(intake.safeParse(written).error?.issues.map((issue) => String(issue.path[0])));
  return [
    ...(draft.footages.length === 0 ? [{ step: 'footage' as const, words: 'Choose the video.' }] : []),
    ...[...fields].map((field) => ({
      step: stepOf[field] ?? ('what' as const),
      words: missingWords[field] ?? `${field} is not complete.`,
    })),
  ];
}
