import { format } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import {
  useBeginSecondFactorMutation,
  useConfirmSecondFactorMutation,
  useEndSecondFactorMutation,
  useGetSecondFactorQuery,
} from './api.ts';

/** A second step at the door: a code that a device shows. */
export function SecondStep() {
  const fetched = useGetSecondFactorQuery();
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  if (codes) return <LostDevice codes={codes} onKept={() => setCodes(null)} />;
  if (!fetched.data) return <Fetched of={fetched} rows={1} />;
  const { since, codesLeft } = fetched.data;
  return since === null ? <Begin onConfirmed={setCodes} /> : <End since={since} codesLeft={codesLeft} />;
}

const codeInput = { inputMode: 'numeric', autoComplete: 'one-time-code', maxLength: 20 } as const;

interface AskedProps {
  value: string;
  onChange: (value: string) => void;
}

const Present = ({ value, onChange }: AskedProps) => (
  <Field label="Your password, for this">
    {(field) => (
      <input
        {...field}
        type="password"
        autoComplete="current-password"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        className={inputClass}
      />
    )}
  </Field>
);
const Code = ({ value, onChange, label = 'The six digits it shows now' }: AskedProps & { label?: string }) => (
  <Field label={label}>
    {(field) => <input {...field} {...codeInput} value={value} onChange={(e) => onChange(e.target.value)} className={inputClass} />}
  </Field>
);

function Begin({ onConfirmed }: { onConfirmed: (codes: readonly string[]) => void }) {
  const [begin, begun] = useBeginSecondFactorMutation();
  const [confirm, confirmed] = useConfirmSecondFactorMutation();
  const [present, setPresent] = useState('');
  const [code, setCode] = useState('');
  const check = async (): Promise<void> => {
    const { data } = await confirm({ code });
    if (data) onConfirmed(data.codes);
  };
  if (!begun.data)
    return (
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void begin({ present });
        }}
      >
        <p className="text-reed">
          With it nobody comes in as you who has your password alone: a program on your phone shows six digits that change twice a minute.
        </p>
        <Present value={present} onChange={setPresent} />
        {begun.error && <FaultNote>{faultWords(begun.error)}</FaultNote>}
        <Button type="submit" look="plain" busy={begun.isLoading} className="self-start">
          Set it up
        </Button>
      </form>
    );
  const { secret, picture } = begun.data;
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void check();
      }}
    >
      <p>Scan this with the program that shows your codes, or write the letters into it.</p>
      <img
        src={`data:image/svg+xml;utf8,${encodeURIComponent(picture)}`}
        alt="The same letters, to be scanned"
        className="size-48 self-start"
      />
      <p className="time break-all" data-secret>
        {secret.match(/.{1,4}/g)?.join(' ')}
      </p>
      <Code value={code} onChange={setCode} />
      {confirmed.error && <FaultNote>{faultWords(confirmed.error)}</FaultNote>}
      <Button type="submit" busy={confirmed.isLoading} className="self-start">
        Ask for it from now on
      </Button>
    </form>
  );
}

/** The codes for a lost device: shown this once. */
function LostDevice({ codes, onKept }: { codes: readonly string[]; onKept: () => void }) {
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(codes.join('\n'));
    toast('Copied.');
  };
  return (
    <div className="flex flex-col gap-4">
      <p role="status">
        The second step is asked for from now on. If your device is lost, one of these lets you in, each once. Keep them where the device is
        not; they are not shown again.
      </p>
      <ul className="time grid max-w-72 grid-cols-2 gap-x-6 gap-y-1 border-y border-seam py-3 text-read">
        {codes.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
      <span className="flex gap-2">
        <Button look="plain" onClick={() => void copy()}>
          Copy them
        </Button>
        <Button onClick={onKept}>I have kept them</Button>
      </span>
    </div>
  );
}

function End({ since, codesLeft }: { since: string; codesLeft: number }) {
  const [end, { isLoading, error }] = useEndSecondFactorMutation();
  const [open, setOpen] = useState(false);
  const [present, setPresent] = useState('');
  const [code, setCode] = useState('');
  return (
    <div className="flex flex-col gap-4">
      <p>
        It is asked for since {format(since, 'd MMMM yyyy')}. Codes for a lost device: {codesLeft} left
        {codesLeft < 3 && '. End it and set it up again for new ones'}.
      </p>
      {open ? (
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void end({ present, code });
          }}
        >
          <Present value={present} onChange={setPresent} />
          <Code value={code} onChange={setCode} label="The six digits, or a code for a lost device" />
          {error && <FaultNote>{faultWords(error)}</FaultNote>}
          <Button type="submit" look="plain" busy={isLoading} className="self-start">
            Ask for it no more
          </Button>
        </form>
      ) : (
        <Button look="plain" className="self-start" onClick={() => setOpen(true)}>
          End it
        </Button>
      )}
    </div>
  );
}
