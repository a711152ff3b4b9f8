import { partnerNames, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { CareNotes } from './CareNotes.tsx';

/** A drill as a page. */
export function DrillView({
  drill,
  principles,
  onOpen,
}: {
  drill: BookDrill;
  principles: readonly BookPrinciple[];
  onOpen: (principleId: string) => void;
}) {
  const naming = principles.filter(({ drillIds }) => drillIds.includes(drill.id));
  return (
    <div className="flex max-w-[40rem] flex-col gap-5">
      <p className="text-reed">
        {drill.minutes} minutes, {partnerNames[drill.partner]}
        {drill.equipment && drill.equipment !== 'none' && `, ${drill.equipment}`}
      </p>
      <p className="text-read text-pretty whitespace-pre-line">{drill.how}</p>
      <CareNotes of={{ ...drill, techniques: [], words: `${drill.name}. ${drill.how}` }} />
      <section>
        <h3 className="text-small font-semibold text-reed">For</h3>
        {naming.length === 0 && <p className="text-reed">No principle names it.</p>}
        <ul>
          {naming.map(({ id, name }) => (
            <li key={id}>
              <button type="button" className="linked" onClick={() => onOpen(id)}>
                {name}
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
