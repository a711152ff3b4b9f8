import type { Footage, IntakeDraft } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { ruleSheetWords } from '@lean-mentor/core/scoring';
import type { ReactNode } from 'react';
import { countedOnMat } from './RoundCounted.tsx';
import { attireWords, kindWords, partnerWords } from './words.ts';

interface IntakeListProps {
  intake: IntakeDraft;
  footages: readonly Footage[];
  /** Makes a client's own mark a way to its moment. */
  onMark?: (footageId: string, atSeconds: number) => void;
}

const Row = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="grid grid-cols-[6.5rem_1fr] gap-3 py-2">
    <dt className="text-desk text-reed">{label}</dt>
    <dd className="min-w-0 break-words">{children}</dd>
  </div>
);

/** Everything a client said, as coach, guardian and client read it. */
export function IntakeList({ intake, footages, onMark }: IntakeListProps) {
  const what = [
    intake.kind && kindWords[intake.kind],
    intake.attire && attireWords[intake.attire],
    intake.ruleSheet && ruleSheetWords(intake.ruleSheet),
    intake.lengthMinutes && `${intake.lengthMinutes} min`,
  ].filter(Boolean);
  const partner = partnerWords({
    partnerLevel: intake.partnerLevel ?? 'unknown',
    partnerSize: intake.partnerSize ?? 'unknown',
    partnerAge: intake.partnerAge ?? 'unknown',
  });
  const hurts = [
    intake.hurtsToday && `Today: ${intake.hurtsToday}`,
    ...(intake.hurts ?? []),
    intake.partnerHurts && `Partner: ${intake.partnerHurts}`,
  ].filter(Boolean);
  const event = [intake.event, intake.eventOn].filter(Boolean).join(', ');
  return (
    <dl className="divide-y divide-seam border-y border-seam">
      <Row label="Asked">{intake.question ? `“${intake.question}”` : '–'}</Row>
      <Row label="Who is who">
        <span className="border-b-2 border-client">{intake.whoClient || '–'}</span> against{' '}
        <span className="border-b-2 border-dashed border-partner">{intake.whoPartner || '–'}</span>
      </Row>
      <Row label="What it was">{what.join(', ') || '–'}</Row>
      {intake.round && (
        <Row label="Out of their work">
          {intake.round.name}; counted {countedOnMat(intake.round)}
        </Row>
      )}
      {partner && <Row label="The partner">{partner}</Row>}
      {event && <Row label="When and where">{event}</Row>}
      {hurts.length > 0 && (
        <Row label="Hurts">
          <span className="border-l-4 border-brick pl-2">{hurts.join('; ')}</span>
        </Row>
      )}
      {(intake.clientMarks ?? []).map((mark) => {
        const place = footages.findIndex(({ id }) => id === mark.footageId) + 1;
        const clock = `${footages.length > 1 ? `${place}: ` : ''}${clockText(mark.atSeconds)}`;
        return (
          <Row key={mark.id} label="Own mark">
            {onMark ? (
              <button type="button" className="linked time" onClick={() => onMark(mark.footageId, mark.atSeconds)}>
                {clock}
              </button>
            ) : (
              <span className="time">{clock}</span>
            )}{' '}
            {mark.words}
          </Row>
        );
      })}
      <Row label="Footage">{footages.map(({ fileName }) => fileName).join(', ') || '–'}</Row>
    </dl>
  );
}
