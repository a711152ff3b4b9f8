import type { Training } from '@lean-mentor/contract';
import { Button } from '../../shared/primitives/index.ts';
import { breakWords, dayWords } from './words.ts';

type Break = Training['breaks'][number];
const whys = ['ill', 'injured', 'away'] as const;

interface BreaksProps {
  breaks: readonly Break[];
  today: string;
  onChange: (breaks: Break[]) => void;
}

/** Pauses: nothing is asked for, nothing counts as missed, and the weeks of the work wait as long. */
export function Breaks({ breaks, today, onChange }: BreaksProps) {
  const now = breaks.find(({ fromOn, untilOn }) => fromOn <= today && (untilOn === null || today < untilOn));
  return (
    <section aria-label="Pauses" className="flex flex-col gap-3 border-t border-ink pt-4">
      <h2 className="text-read">Pauses</h2>
      {now ? (
        <>
          <p>
            You are {breakWords[now.why]} since {dayWords(now.fromOn, today)}. Nothing is asked of you and nothing counts as missed.
          </p>
          <Button
            look="plain"
            large
            className="self-start"
            // One that began today never was.
            onClick={() => onChange(breaks.flatMap((one) => (one !== now ? one : one.fromOn < today ? { ...one, untilOn: today } : [])))}
          >
            I train again
          </Button>
        </>
      ) : (
        <>
          <p className="text-reed">Ill, injured or away: your work waits, and nothing counts as missed.</p>
          <div className="grid grid-cols-3 gap-2">
            {whys.map((why) => (
              <Button key={why} look="plain" large onClick={() => onChange([...breaks, { fromOn: today, untilOn: null, why }])}>
                I am {breakWords[why]}
              </Button>
            ))}
          </div>
        </>
      )}
    </section>
  );
}
