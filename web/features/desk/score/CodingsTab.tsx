import { eventsCsv, readBoutFile, spansCsv, writeBoutFile } from '@lean-mentor/contract';
import { codedBout, codingsOf, type Coding } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { coderAgreement, coderCheck } from '@lean-mentor/core/scoring';
import { toast } from 'sonner';
import { FileButton } from '../../../shared/primitives/index.ts';
import { useGetPositionWorthQuery } from '../../scoring/index.ts';
import { useAccount } from '../../access/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useScene, useContents } from '../DeskScene.ts';
import { download } from '../../../shared/download.ts';
import { EventList } from './EventList.tsx';
import { ThreatList } from './ThreatList.tsx';
import { useBroughtBout } from './useBroughtBout.ts';
import { parsedBout } from './parsedBout.ts';
import type { BoutScored } from './useScore.ts';

const stateWords: Record<Coding['state'], string> = { draft: 'being coded', offered: 'offered to the coach', accepted: 'the bout’s' };

/** Who coded the bout, how far they agree, what is worth a second look, and the bout as a file. */
export function CodingsTab({ bout }: { bout: BoutScored }) {
  const coding = useControls('coding');
  const { subject } = useScene();
  const { here, timed, frameAt } = bout;
  const { data: worth } = useGetPositionWorthQuery();
  const adopt = useBroughtBout(bout);
  const name = `${subject.client.name} ${here.bout.order}`;
  const save = (): void => {
    const file = writeBoutFile(timed, {
      ruleSheet: bout.choice.sheetId ? bout.sheet : (bout.choice.ruleSheet ?? subject.request.ruleSheet),
      ...(worth && { valuePreset: worth.preset }),
      client: { name: subject.client.name, level: subject.client.level },
      partner: { name: here.bout.partnerWords || subject.request.whoPartner },
    });
    download(new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' }), `${name}.bout.json`);
  };
  const saveCsv = (of: 'spans' | 'events'): void =>
    download(new Blob([of === 'spans' ? spansCsv(timed) : eventsCsv(timed)], { type: 'text/csv' }), `${name}.${of}.csv`);
  const bring = async (file: File): Promise<void> => {
    const parsed = parsedBout(await file.text(), file.name, timed, bout.sheet);
    if ('fault' in parsed) return void toast.error(parsed.fault);
    const read = readBoutFile(parsed.json);
    if ('faults' in read) return void toast.error(read.faults.slice(0, 3).join(' '), { duration: 12_000 });
    coding.bring(here.bout.id, {
      spans: read.bout.spans.map(({ from, to, ...span }) => ({
        ...span,
        fromFrame: frameAt(from),
        toFrame: frameAt(to),
      })),
      events: read.bout.events.map(({ at, ...happening }) => ({ ...happening, atFrame: frameAt(at) })),
      threats: (read.bout.threats ?? []).map(({ from, to, lockedAt, ...threat }) => ({
        ...threat,
        ...{ fromFrame: frameAt(from), toFrame: frameAt(to) },
        ...(lockedAt !== undefined && { lockedFrame: frameAt(lockedAt) }),
      })),
    });
    // Lines of spans or events say nothing else of a bout.
    const left = /\.csv$/i.test(file.name) ? '' : await adopt(read);
    toast(`${file.name} is this bout’s coding now. Ctrl Z takes it back.${left}`, { duration: 12_000 });
  };
  return (
    <div className="flex flex-col gap-3 text-small">
      <CodingList bout={bout} />
      <EventList bout={bout} />
      <ThreatList bout={bout} />
      <SecondLook bout={bout} />
      <div className="flex gap-4">
        <button type="button" className="font-semibold text-pine hover:underline" onClick={save}>
          Save the bout as a file
        </button>
        <button type="button" className="hover:underline" onClick={() => saveCsv('spans')}>
          Spans as CSV
        </button>
        <button type="button" className="hover:underline" onClick={() => saveCsv('events')}>
          Events as CSV
        </button>
        <FileButton words="Bring a bout file" accept=".json,.csv,application/json,text/csv" onFile={(file) => void bring(file)} />
      </div>
    </div>
  );
}

/** Each coding of the bout, and how far it agrees with the one that is shown. */
function CodingList({ bout }: { bout: BoutScored }) {
  const coding = useControls('coding');
  const { document } = useContents();
  const account = useAccount();
  const { here, timed, since } = bout;
  const codings = codingsOf(document, here.bout.id);
  const spansOf = (of: Coding) =>
    codedBout(document, here.bout, of).spans.map(({ position, holder, fromFrame, toFrame }) => ({
      position,
      holder,
      from: since(fromFrame),
      to: since(toFrame),
    }));
  return (
    <ul aria-label="Codings" className="divide-y divide-seam border-y border-seam">
      {codings.length === 0 && (
        <li className="py-1 text-reed">Coded when it was brought here. The first edit makes a coding of your own from it.</li>
      )}
      {codings.map((of) => {
        const { agreed, kappa } = coderAgreement(timed.spans, spansOf(of));
        return (
          <li key={of.id} className="flex items-baseline gap-3 py-1">
            <span className="font-semibold">{of.coderName}</span>
            <span className="text-reed">{stateWords[of.state]}</span>
            {of.id !== here.coded.coding?.id && (
              <span>
                agrees {Math.round(agreed * 100)} % of the time{kappa !== null && `, κ ${kappa.toFixed(2)}`}
              </span>
            )}
            <span className="ml-auto flex gap-3">
              {account?.role === 'coach' && of.state !== 'accepted' && (
                <button type="button" className="font-semibold text-pine hover:underline" onClick={() => coding.accept(of.id)}>
                  Take this one
                </button>
              )}
              {of.coderId === account?.id && of.state === 'draft' && account.role === 'assistant' && (
                <button type="button" className="font-semibold text-pine hover:underline" onClick={() => coding.offer(of.id)}>
                  Offer it to the coach
                </button>
              )}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** What the coder's check finds. */
function SecondLook({ bout: { timed, frameAt } }: { bout: BoutScored }) {
  const { go } = useScene();
  const doubts = coderCheck(timed);
  return (
    <section aria-label="Worth a second look">
      {doubts.length === 0 ? (
        <p className="text-reed">Nothing in it looks like a slip.</p>
      ) : (
        <ul>
          {doubts.map(({ at, words }) => (
            <li key={`${at} ${words}`} className="flex gap-2">
              <button type="button" className="time linked" onClick={() => go(frameAt(at), null)}>
                {clockText(at)}
              </button>
              {words}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
