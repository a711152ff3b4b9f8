import { Choice } from '../../../shared/primitives/index.ts';
import type { StepProps } from './StepProps.ts';

const options = [
  { value: 'agreed', words: 'They agree', hint: 'You asked, and they said yes.' },
  { value: 'not-asked', words: 'Not asked yet', hint: 'It waits here until you have.' },
] as const;

/** The yes of whoever else is on film; and what happens to a minor's footage. */
export function ConsentStep({ draft, written: { intake, change } }: StepProps) {
  const { guardianName } = draft.profile;
  return (
    <>
      <p>Your partner is on film too. Do they agree that your coach looks at it?</p>
      <Choice
        label="Your partner’s yes"
        value={intake.partnerConsent}
        options={options}
        onChange={(partnerConsent) => change({ partnerConsent })}
      />
      <p className="text-desk text-reed">
        They may take it back at any time, also after the critique. The footage, its copies and the stills are then removed for good; what
        was written stays.
      </p>
      {guardianName && (
        <p className="text-desk">
          {draft.clientName} is under age: {guardianName} sees all of this and says yes before anything reaches the coach. If your partner
          is under age as well, their guardian’s yes is needed too.
        </p>
      )}
    </>
  );
}
