import { alarmWords, isPaired, limitText, proposedLimits, type Limit } from '@lean-mentor/core/care';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../primitives/index.ts';
import { LoadFields } from './LoadFields.tsx';

interface LimitListProps {
  /** Lines of what hurts, in their own words. */
  hurts: readonly string[];
  limits: readonly Limit[];
  /** Who looks at it; null: it is only read. */
  by: 'coach' | 'client' | null;
  /** For thumbs. */
  large?: boolean;
  onChange?: (limits: Limit[]) => void;
}

/** Of each line what is to be spared, as it was agreed, or as the words propose it until somebody looks. */
export function LimitList({ hurts, limits, by, large = false, onChange }: LimitListProps) {
  return (
    <ul className="flex flex-col gap-3">
      {hurts.map((words) => (
        <Line
          key={words}
          words={words}
          agreed={limits.filter((limit) => limit.words === words)}
          {...{ by, large }}
          onChange={(next) => onChange?.([...limits.filter((limit) => limit.words !== words), ...next])}
        />
      ))}
    </ul>
  );
}

const agreedWords = ({ byClient, byCoach }: Pick<Limit, 'byClient' | 'byCoach'>): string =>
  byClient && byCoach
    ? 'agreed by both'
    : byCoach
      ? 'looked at by the coach'
      : byClient
        ? 'said by the client'
        : 'read from the words, nobody has looked yet';

interface LineProps extends Pick<LimitListProps, 'by'> {
  words: string;
  agreed: readonly Limit[];
  large: boolean;
  onChange: (limits: Limit[]) => void;
}

const nothing = (words: string): Limit => ({
  ...{ id: `${words} none`, words, part: 'head', side: null, burdens: [], none: true },
  ...{ alarm: null, cleared: '', byClient: false, byCoach: false },
});

function Line({ words, agreed, by, large, onChange }: LineProps) {
  const [changing, setChanging] = useState(false);
  const shown = agreed.length > 0 ? agreed : proposedLimits(words);
  const real = shown.filter(({ none }) => !none);
  const keep = (next: Limit[]): void => onChange(next.length === 0 ? [nothing(words)] : next);
  const isAgreed = by !== null && shown.length > 0 && shown.every((one) => (by === 'coach' ? one.byCoach : one.byClient));
  return (
    <li className="flex flex-col gap-1 border-l-4 border-brick pl-3">
      <p className="font-semibold">{words}</p>
      {real.length === 0 ? (
        <p className="text-reed">
          {agreed.length > 0 ? 'Nothing to spare.' : 'No part of the body is read from this. Say it more closely if one is to be spared.'}
        </p>
      ) : (
        <ul className="flex flex-col gap-1">
          {real.map((limit) => (
            <li key={limit.id}>
              {changing && limit.alarm === null ? (
                <Changed limit={limit} large={large} all={real} keep={keep} />
              ) : (
                <span className={limit.alarm && limit.cleared === '' ? 'font-semibold text-brick' : ''}>{limitText(limit)}</span>
              )}
              {limit.alarm && (
                <Cleared limit={limit} by={by} keep={(one) => keep(real.map((other) => (other.id === one.id ? one : other)))} />
              )}
            </li>
          ))}
        </ul>
      )}
      {by && (
        <p className="flex flex-wrap items-center gap-x-4 text-small text-reed">
          <span>{shown.length > 0 ? agreedWords(shown[0]!) : ''}</span>
          {!isAgreed && (
            <button type="button" className={`linked ${large ? 'inline-flex min-h-11 items-center' : ''}`} onClick={() => keep([...real])}>
              {real.length === 0 ? 'Nothing to spare' : 'That is right'}
            </button>
          )}
          <button
            type="button"
            className={`linked ${large ? 'inline-flex min-h-11 items-center' : ''}`}
            onClick={() => setChanging(!changing)}
          >
            {changing ? 'Done' : 'Say it more closely'}
          </button>
          {changing && (
            <button
              type="button"
              className={`linked inline-flex items-center gap-1 ${large ? 'min-h-11' : ''}`}
              onClick={() => keep([...real, { ...nothing(words), id: crypto.randomUUID(), part: 'knee', none: false }])}
            >
              <Plus size={14} aria-hidden /> One more part
            </button>
          )}
        </p>
      )}
    </li>
  );
}

function Changed({ limit, large, all, keep }: { limit: Limit; large: boolean; all: readonly Limit[]; keep: (limits: Limit[]) => void }) {
  return (
    <div className="flex flex-col items-start gap-1">
      <LoadFields
        load={limit}
        large={large}
        onChange={(load) =>
          keep(all.map((one) => (one.id === limit.id ? { ...one, ...load, side: isPaired(load.part) ? load.side : null } : one)))
        }
      />
      <button
        type="button"
        className={`linked text-small ${large ? 'inline-flex min-h-11 items-center' : ''}`}
        onClick={() => keep(all.filter((one) => one.id !== limit.id))}
      >
        This need not be spared
      </button>
    </div>
  );
}

/** What a clinician said of what nobody else may judge. */
function Cleared({ limit, by, keep }: { limit: Limit; by: LimitListProps['by']; keep: (limit: Limit) => void }) {
  const [said, setSaid] = useState('');
  if (limit.cleared) return <p className="text-small text-reed">A clinician was asked: {limit.cleared}</p>;
  if (by !== 'coach') return null;
  return (
    <div className="mt-1 flex gap-2">
      <input
        aria-label={`What the clinician said: ${alarmWords(limit.alarm!)}`}
        placeholder="What the clinician said, and when"
        value={said}
        maxLength={300}
        onChange={({ target }) => setSaid(target.value)}
        className="min-w-0 grow rounded-sm border border-seam bg-linen px-2 py-1"
      />
      <Button look="plain" disabled={said.trim() === ''} onClick={() => keep({ ...limit, cleared: said.trim() })}>
        Keep it
      </Button>
    </div>
  );
}
