import { partnerNames, type BookDrill } from '@lean-mentor/core/book';
import { useSaveBookDrillMutation } from './entriesApi.ts';
import { lineClass, Row, SelectRow, Text } from '../../shared/forms/index.ts';
import { CareFields } from './CareFields.tsx';
import { FormFoot } from './FormFoot.tsx';
import { useKeptDraft } from './useKeptDraft.ts';

/** Everything of a drill, to be written. */
export function DrillForm({ drill, onDone }: { drill: BookDrill; onDone: () => void }) {
  const [draft, change, drop] = useKeptDraft(drill);
  const [save, saving] = useSaveBookDrillMutation();
  const keep = async (): Promise<void> => {
    const answer = await save({ drillId: draft.id, ...draft });
    if (answer.error) return;
    drop();
    onDone();
  };
  return (
    <form
      aria-label={`Edit ${drill.name || 'a new drill'}`}
      className="flex flex-col gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        if (draft.name.trim()) void keep();
      }}
    >
      <Row label="Name">
        <input
          value={draft.name}
          maxLength={120}
          autoFocus
          onChange={({ target }) => change({ name: target.value })}
          className={`${lineClass} font-head text-title`}
        />
      </Row>
      <Text label="How" value={draft.how} rows={5} onChange={(how) => change({ how })} />
      <div className="grid grid-cols-2 gap-4">
        <SelectRow label="Partner" value={draft.partner} names={partnerNames} onChange={(partner) => change({ partner })} />
        <Row label="Equipment">
          <input
            value={draft.equipment}
            maxLength={300}
            placeholder="none"
            onChange={({ target }) => change({ equipment: target.value })}
            className={lineClass}
          />
        </Row>
        <Row label="Minutes">
          <input
            type="number"
            min={0.5}
            max={120}
            step={0.5}
            value={draft.minutes}
            onChange={({ target }) => change({ minutes: Math.min(120, Math.max(0.5, Number(target.value) || 0.5)) })}
            className={lineClass}
          />
        </Row>
      </div>
      <CareFields of={draft} onChange={change} />
      <FormFoot
        saving={saving}
        missing={draft.name.trim() === '' ? 'Give it a name.' : null}
        onLeave={() => {
          drop();
          onDone();
        }}
      />
    </form>
  );
}
