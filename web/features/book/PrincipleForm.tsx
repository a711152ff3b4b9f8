import { areaNames, mostCueWords, wordsIn, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { useListClipsQuery } from './api.ts';
import { useSaveBookPrincipleMutation } from './entriesApi.ts';
import { filled, lineClass, Lines, Row, SelectRow, Text } from '../../shared/forms/index.ts';
import { CareFields } from './CareFields.tsx';
import { PickNames } from './PickNames.tsx';
import { FormFoot } from './FormFoot.tsx';
import { useKeptDraft } from './useKeptDraft.ts';
import { VariantRows } from './VariantRows.tsx';
import { WhereRows } from './WhereRows.tsx';

interface PrincipleFormProps {
  principle: BookPrinciple;
  principles: readonly BookPrinciple[];
  drills: readonly BookDrill[];
  onDone: () => void;
}

const levelNames = { 1: 'first belt', 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth' } as const;

/** Everything of a principle, to be written. Kept while one writes; the book changes when it is saved. */
export function PrincipleForm({ principle, principles, drills, onDone }: PrincipleFormProps) {
  const [draft, change, drop] = useKeptDraft(principle);
  const [save, saving] = useSaveBookPrincipleMutation();
  const { data: clips } = useListClipsQuery();
  const cueWords = wordsIn(draft.cue);
  const missing =
    draft.name.trim() === ''
      ? 'Give it a name.'
      : cueWords > mostCueWords
        ? `A cue has at most ${mostCueWords} words; this one has ${cueWords}.`
        : null;
  const keep = async (): Promise<void> => {
    const variants = draft.variants.filter((one) => one.do.trim());
    const answer = await save({
      principleId: draft.id,
      ...draft,
      variants,
      errors: filled(draft.errors),
      techniques: filled(draft.techniques),
    });
    if (answer.error) return;
    drop();
    onDone();
  };
  return (
    <form
      aria-label={`Edit ${principle.name || 'a new principle'}`}
      className="flex flex-col gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        if (!missing) void keep();
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
      <Row label="Cue" hint={`what you say on the mat: ${cueWords} of ${mostCueWords} words`}>
        <input
          value={draft.cue}
          maxLength={300}
          aria-invalid={cueWords > mostCueWords}
          onChange={({ target }) => change({ cue: target.value })}
          className={`${lineClass} text-read`}
        />
      </Row>
      <div className="grid grid-cols-2 gap-4">
        <SelectRow label="Area" value={draft.area} names={areaNames} onChange={(area) => change({ area })} />
        <SelectRow
          label="Level"
          value={String(draft.level) as '1'}
          names={levelNames as unknown as Record<'1', string>}
          onChange={(level) => change({ level: Number(level) })}
        />
      </div>
      <Text label="What good looks like" value={draft.good} onChange={(good) => change({ good })} />
      <Text label="Why" value={draft.why} onChange={(why) => change({ why })} />
      <VariantRows variants={draft.variants} onChange={(variants) => change({ variants })} />
      <WhereRows where={draft.where} onChange={(where) => change({ where })} />
      <Row label="Chances" hint="“lifted while passing”: then good moments are counted against missed ones, not against minutes">
        <input value={draft.chances} maxLength={120} onChange={({ target }) => change({ chances: target.value })} className={lineClass} />
      </Row>
      <Lines label="Common errors" lines={draft.errors} onChange={(errors) => change({ errors })} />
      <PickNames
        label="Rests on"
        chosen={draft.prerequisites}
        options={principles.filter(({ id }) => id !== draft.id)}
        hint="a principle that comes first"
        onChange={(prerequisites) => change({ prerequisites })}
      />
      <PickNames
        label="Drills"
        chosen={draft.drillIds}
        options={drills}
        hint="a drill of the book"
        onChange={(drillIds) => change({ drillIds })}
      />
      <PickNames
        label="Clips"
        chosen={draft.clipIds}
        options={(clips?.clips ?? []).map(({ id, title }) => ({ id, name: title }))}
        hint="a clip of your own"
        onChange={(clipIds) => change({ clipIds })}
      />
      <Lines
        label="Techniques"
        lines={draft.techniques}
        hint="by any of their names, one a line: for what is restricted, and what they ask of the body"
        onChange={(techniques) => change({ techniques })}
      />
      <CareFields of={draft} onChange={change} />
      <FormFoot
        saving={saving}
        missing={missing}
        onLeave={() => {
          drop();
          onDone();
        }}
      />
    </form>
  );
}
