import type { TodayRow } from '@lean-mentor/contract';
import { handOverParts, type HandOverPart } from '@lean-mentor/core/queue';
import { addDays, format } from 'date-fns';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button, FaultNote, Field, namedOptions, optionsOf, PopBox, Select, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGiveOverMutation, useListHandOversQuery } from './api.ts';
import { partWords } from './words.ts';

/** Gives a request, or a part of it, into another hand. Nothing where there is no other hand. */
export function GiveOver({ row }: { row: TodayRow }) {
  const { data } = useListHandOversQuery();
  const [open, setOpen] = useState(false);
  if (!data || data.hands.length === 0) return null;
  const out = data.handOvers.filter(({ requestId }) => requestId === row.id);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="linked ml-2 text-small" aria-label={`Hand over ${row.clientName}’s request`}>
        {out.length === 0 ? 'Hand over …' : `With ${[...new Set(out.map(({ to }) => to.name.split(' ')[0]))].join(', ')}`}
      </Popover.Trigger>
      <PopBox>
        <GiveForm row={row} hands={data.hands} onDone={() => setOpen(false)} />
      </PopBox>
    </Popover.Root>
  );
}

function GiveForm({ row, hands, onDone }: { row: TodayRow; hands: { id: string; name: string }[]; onDone: () => void }) {
  const [give, { isLoading, error }] = useGiveOverMutation();
  const bouts = row.footages.flatMap((footage) => footage.bouts);
  const [toId, setTo] = useState(hands[0]!.id);
  const [part, setPart] = useState<HandOverPart>('code');
  const [boutId, setBout] = useState('');
  const [dueOn, setDue] = useState(() => format(addDays(new Date(), 1), 'yyyy-MM-dd'));
  const [words, setWords] = useState('');
  const send = async (): Promise<void> => {
    const { data } = await give({ requestId: row.id, toId, part, boutId: part === 'code' && boutId ? boutId : null, dueOn, words });
    if (!data) return;
    toast(`Handed to ${hands.find(({ id }) => id === toId)!.name}. It stands on their Today.`);
    onDone();
  };
  return (
    <form
      aria-label="Hand over"
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <Field label="To">
          {(field) => <Select {...field} value={toId} options={namedOptions(hands)} onChange={setTo} className={smallInputClass} />}
        </Field>
        <Field label="Until">
          {(field) => (
            <input {...field} type="date" required value={dueOn} onChange={(e) => setDue(e.target.value)} className={smallInputClass} />
          )}
        </Field>
        <Field label="What">
          {(field) => (
            <Select
              {...field}
              value={part}
              options={optionsOf(handOverParts, (one) => partWords[one])}
              onChange={setPart}
              className={smallInputClass}
            />
          )}
        </Field>
        {part === 'code' && bouts.length > 1 && (
          <WhichBout many={bouts.length} idOf={(i) => bouts[i]!.id} value={boutId} onChange={setBout} />
        )}
      </div>
      <Field label="A word (may stay empty)">
        {(field) => (
          <textarea
            {...field}
            rows={2}
            maxLength={400}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            className={smallInputClass}
          />
        )}
      </Field>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button type="submit" busy={isLoading} className="self-start">
        Hand it over
      </Button>
    </form>
  );
}

interface WhichBoutProps {
  many: number;
  idOf: (i: number) => string;
  value: string;
  onChange: (boutId: string) => void;
}

function WhichBout({ many, idOf, value, onChange }: WhichBoutProps) {
  return (
    <Field label="Which">
      {(field) => (
        <Select
          {...field}
          value={value}
          options={[
            { value: '', words: 'every bout' },
            ...Array.from({ length: many }, (_, i) => ({ value: idOf(i), words: `bout ${i + 1}` })),
          ]}
          onChange={onChange}
          className={smallInputClass}
        />
      )}
    </Field>
  );
}
