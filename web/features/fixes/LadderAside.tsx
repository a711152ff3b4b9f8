import { fixesForLevel } from '@lean-mentor/core/fixes';
import { Fragment } from 'react';
import { Link, useNavigate } from 'react-router';
import { savingWords } from '../../shared/keeping/index.ts';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { AgreementNote } from './AgreementNote.tsx';
import type { LadderData } from './api.ts';
import type { LadderSubject } from './ladderSubject.ts';
import type { LadderControls } from './useLadder.ts';
import { AskedAbout } from './AskedAbout.tsx';
import { WarningList } from './WarningList.tsx';

const counts = ['No fix', 'One fix', 'Two fixes', 'Three fixes'];

interface LadderAsideProps {
  deciding: LadderControls;
  subject: LadderSubject;
  data: LadderData;
  /** What a principle, or a note without one, is called. */
  nameOf: (id: string) => string;
}

/** Beside the ladder: the answer to what was asked, what to mind, and the way on to the critique. */
export function LadderAside({ deciding, subject: { request, client }, data, nameOf }: LadderAsideProps) {
  const { choice, ladder, change } = deciding;
  return (
    <aside className="flex flex-col gap-6">
      <Field label={`Your answer to ${client.name.split(' ')[0]!}`} hint="One or two sentences. It comes first in the critique.">
        {(field) => (
          <textarea
            {...field}
            rows={3}
            maxLength={2000}
            value={choice.answer}
            onChange={({ target }) => change({ answer: target.value })}
            className={`${inputClass} field-sizing-content min-h-20`}
          />
        )}
      </Field>
      <AskedAbout deciding={deciding} guessed={data.guessedAsked} nameOf={nameOf} />
      <section aria-label="To mind">
        <h2 className="mb-1 text-desk">To mind</h2>
        <WarningList deciding={deciding} />
        <UnexplainedNote requestId={request.id} unexplained={data.unexplained} />
      </section>
      {ladder.differs && (
        <Field label={`Why not as ${deciding.school.name} says?`} hint="For you, to look back on.">
          {(field) => (
            <textarea
              {...field}
              rows={2}
              maxLength={600}
              value={choice.reason}
              onChange={({ target }) => change({ reason: target.value })}
              className={`${inputClass} field-sizing-content`}
            />
          )}
        </Field>
      )}
      {choice.order && (
        <button type="button" className="linked self-start text-small" onClick={() => change({ order: null, reason: '' })}>
          Back to the computed order
        </button>
      )}
      <WayOn
        deciding={deciding}
        level={client.level}
        critique={`/requests/${request.id}/critique`}
        work={`/clients/${client.id}/work/give?request=${request.id}`}
      />
      <section aria-label="Agreement">
        <AgreementNote agreement={data.agreement} nameOf={nameOf} />
      </section>
      {data.parkedBefore.length > 0 && <p className="text-small text-reed">Parked earlier: {data.parkedBefore.map(nameOf).join('; ')}.</p>}
    </aside>
  );
}

interface WayOnProps {
  deciding: LadderControls;
  level: number;
  critique: string;
  /** Where work is given for what was chosen. */
  work: string;
}

function WayOn({ deciding: { ladder, keeping }, level, critique, work }: WayOnProps) {
  const navigate = useNavigate();
  const usual = fixesForLevel(level);
  return (
    <div className="flex flex-col gap-2">
      {keeping.fault && <FaultNote>{faultWords(keeping.fault)}</FaultNote>}
      <Button large onClick={() => void navigate(critique)}>
        Write the critique
      </Button>
      {ladder.cut > 0 && (
        <Link to={work} className="linked self-start">
          Give work for it
        </Link>
      )}
      <p className="text-small text-reed" aria-live="polite">
        {counts[ladder.cut]}; at this level {counts[usual]!.toLowerCase()} {usual === 1 ? 'is' : 'are'} what a client carries away.{' '}
        {savingWords(keeping)}.
      </p>
    </div>
  );
}

/** What was conceded with no note before it: perhaps the note that is missing. */
function UnexplainedNote({ requestId, unexplained }: { requestId: string; unexplained: LadderData['unexplained'] }) {
  if (unexplained.length === 0) return null;
  return (
    <p className="mt-2 border-l border-seam pl-3 text-small text-reed">
      No note stands before {unexplained.length === 1 ? 'this' : 'these'}:{' '}
      {unexplained.map(({ footageId, atFrame, points, finish }, i) => (
        <Fragment key={`${footageId} ${atFrame} ${i}`}>
          {i > 0 && ', '}
          <Link to={`/requests/${requestId}/desk?footage=${footageId}&frame=${atFrame}`} className="linked">
            {finish ? 'a finish' : `${points} points`} conceded
          </Link>
        </Fragment>
      ))}
      .
    </p>
  );
}
