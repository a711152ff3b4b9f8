import { outcomes, type Bout, type Request } from '@lean-mentor/contract';
import { clockText, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { afterFinishes, boutUsage, ruleSheetNames, ruleSheetWords, type AfterFinish } from '@lean-mentor/core/scoring';
import { Trash2 } from 'lucide-react';
import { Button, Field, inputClass, optionsOf, Select } from '../../shared/primitives/index.ts';

interface BoutFormProps {
  bout: Bout;
  request: Request;
  table: FrameTable;
  onChange: (fields: Partial<Bout>) => void;
  onStartHere: (() => void) | undefined;
  onEndHere: (() => void) | undefined;
  onRemove: () => void;
}

export const outcomeWords: Record<(typeof outcomes)[number], string> = { won: 'Won', lost: 'Lost', level: 'Level' };
const afterFinishWords: Record<AfterFinish, string> = { ends: 'It is over', restarts: 'They start again' };
const small = `${inputClass} py-1 text-desk`;

/** One bout: where it begins and ends, how long it was meant to be, who met, by which rules, and how it ended. */
export function BoutForm({ bout, request, table, onChange, onStartHere, onEndHere, onRemove }: BoutFormProps) {
  const at = (frame: number): string => clockText(frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame), true);
  const usual = boutUsage(request, { boutSeconds: null }).afterFinish;
  return (
    <section aria-label={`Bout ${bout.order}`} className="flex flex-col gap-3 border-y border-seam py-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="grow text-read font-semibold">
          Bout {bout.order}, <span className="time">{at(bout.fromFrame)}</span> to <span className="time">{at(bout.toFrame)}</span>
        </h2>
        <Button look="plain" disabled={!onStartHere} onClick={onStartHere}>
          Starts here
        </Button>
        <Button look="plain" disabled={!onEndHere} onClick={onEndHere}>
          Ends here
        </Button>
        <Button look="quiet" aria-label={`Take bout ${bout.order} away`} title="Take this bout away" onClick={onRemove}>
          <Trash2 size={16} />
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Field label="The client">
          {(field) => (
            <input
              {...field}
              maxLength={120}
              value={bout.clientWords}
              placeholder={request.whoClient}
              onChange={(e) => onChange({ clientWords: e.target.value })}
              className={small}
            />
          )}
        </Field>
        <Field label="The partner">
          {(field) => (
            <input
              {...field}
              maxLength={120}
              value={bout.partnerWords}
              placeholder={request.whoPartner}
              onChange={(e) => onChange({ partnerWords: e.target.value })}
              className={small}
            />
          )}
        </Field>
        <Field label="Rules">
          {(field) => (
            <Select
              {...field}
              value={bout.ruleSheet ?? ''}
              options={[
                { value: '', words: `${ruleSheetWords(request.ruleSheet)} (as sent)` },
                ...optionsOf(ruleSheetNames, ruleSheetWords),
              ]}
              onChange={(name) => onChange({ ruleSheet: name || null })}
              className={small}
            />
          )}
        </Field>
        <Field label="After a finish">
          {(field) => (
            <Select
              {...field}
              value={bout.afterFinish ?? ''}
              options={[
                { value: '', words: `${afterFinishWords[usual]} (as usual)` },
                ...optionsOf(afterFinishes, (after) => afterFinishWords[after]),
              ]}
              onChange={(after) => onChange({ afterFinish: after || null })}
              className={small}
            />
          )}
        </Field>
        <Field label="Meant to last, in minutes">
          {(field) => (
            <input
              {...field}
              type="number"
              min={0.5}
              max={60}
              step={0.5}
              value={bout.lengthSeconds === null ? '' : bout.lengthSeconds / 60}
              placeholder={request.lengthMinutes ? String(request.lengthMinutes) : ''}
              onChange={(e) => onChange({ lengthSeconds: lengthOf(e.target.value) })}
              className={small}
            />
          )}
        </Field>
        <Field label="How it ended">
          {(field) => (
            <Select
              {...field}
              value={bout.outcome ?? ''}
              options={[{ value: '', words: 'Not said' }, ...optionsOf(outcomes, (outcome) => outcomeWords[outcome])]}
              onChange={(outcome) => onChange({ outcome: outcome || null })}
              className={small}
            />
          )}
        </Field>
        <Field label="By what">
          {(field) => (
            <input
              {...field}
              maxLength={120}
              value={bout.outcomeWords}
              placeholder="by 4 to 2"
              onChange={(e) => onChange({ outcomeWords: e.target.value })}
              className={small}
            />
          )}
        </Field>
      </div>
    </section>
  );
}

/** Minutes as written, in seconds within what a bout may last; null where nothing is. */
const lengthOf = (text: string): number | null => {
  const seconds = Number(text) * 60;
  return text === '' || !Number.isFinite(seconds) ? null : Math.min(3600, Math.max(10, seconds));
};
