import { partnerLevels, partnerSizes, plannedRounds, type CountedBy, type RoundStart } from '@lean-mentor/core/work';
import { loadsOf, partWords } from '@lean-mentor/core/care';
import { cautionWords } from '@lean-mentor/core/care';
import { Link } from 'react-router';
import { Button, Choice } from '../../shared/primitives/index.ts';
import type { Act, Doing } from './doing.ts';
import { StartDrawing } from './StartDrawing.tsx';
import { lengthWords, levelWords, sizeWords, startWords } from './words.ts';

const counters: readonly { value: CountedBy; words: string; hint: string }[] = [
  { value: 'third', words: 'Somebody else', hint: 'presses each time' },
  { value: 'between', words: 'We do', hint: 'at each new start' },
  { value: 'memory', words: 'Nobody', hint: 'from memory, at the end' },
];

/** What the partner's place in a start loads of them, in words. */
const partnerLoads = ({ position, clientHolds }: RoundStart): string =>
  loadsOf({ position, holds: !(clientHolds ?? false) }, 'general')
    .map(partWords)
    .join(', ');

/** Before it begins: with whom, who counts, and the one button. */
export function SetWork({ one, other, press }: { one: Doing; other: Doing | null; press: (what: Act) => void }) {
  const { terms, partner, by } = one;
  const advised = terms.kind === 'round' && plannedRounds(terms).some(({ when }) => when === 'after');
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-6 py-6">
      <header>
        <h1 className="text-title">{terms.name}</h1>
        <p className="text-reed">
          {terms.kind === 'round' && `${startWords(terms.test.start)}; `}
          {lengthWords(terms)}
        </p>
      </header>
      {other && other.workId !== one.workId && (
        <p className="border-l-2 border-brass pl-3">
          You are in the middle of{' '}
          <Link className="linked inline-flex min-h-11 items-center" to={`/work/${other.clientId}/${other.workId}`}>
            {other.terms.name}
          </Link>
          . Beginning this drops it.
        </p>
      )}
      {terms.kind === 'round' && (
        <>
          <StartDrawing start={terms.test.start} />
          <Choice
            label="Your partner is"
            value={partner.level}
            options={partnerLevels.map((value) => ({ value, words: levelWords[value] }))}
            onChange={(level) => press({ do: 'who', partner: { ...partner, level } })}
          />
          <Choice
            label="and"
            value={partner.size}
            options={partnerSizes.map((value) => ({ value, words: sizeWords[value] }))}
            onChange={(size) => press({ do: 'who', partner: { ...partner, size } })}
          />
          <Choice label="Who counts?" value={by} options={counters} onChange={(value) => press({ do: 'by', by: value })} />
        </>
      )}
      {advised && (
        <p className="text-desk text-reed">First as you do it now. In the rest you read one thing to do, then the rounds after it.</p>
      )}
      <p className="border-l-4 border-brick pl-3 text-desk">
        {cautionWords[terms.caution]}
        {terms.kind === 'round' && ` Ask your partner first what hurts: their place loads ${partnerLoads(terms.test.start)}.`}
      </p>
      <div className="sticky bottom-16 -mx-5 bg-straw px-5 py-2">
        <Button large className="min-h-16 w-full text-title" onClick={() => press({ do: 'start', at: Date.now() })}>
          Start in 10 s
        </Button>
      </div>
      <div className="flex flex-wrap gap-x-4">
        <Button look="quiet" large onClick={() => press({ do: 'afterwards' })}>
          It is done already: only enter it
        </Button>
        <Link className="linked inline-flex min-h-12 items-center" to="/work">
          Not now
        </Link>
      </div>
    </main>
  );
}
