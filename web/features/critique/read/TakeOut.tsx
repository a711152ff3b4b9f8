import { critiqueExports, getChapters, type Critique, type CritiqueExport } from '@lean-mentor/contract';
import { Download } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { addressOf } from '../../../shared/wire/index.ts';
import { useTakeOut } from './useTakeOut.ts';

const names: Readonly<Record<CritiqueExport, string>> = {
  pdf: 'PDF, to print or keep',
  docx: 'Word document',
  md: 'Markdown',
  json: 'Data (JSON)',
  zip: 'Folder with stills and clips (ZIP)',
};
/** What is being made, and who is before it. */
const makingWords = (as: CritiqueExport, place: number | null): string =>
  place !== null && place > 1 ? `${names[as]}: ${place - 1} before it in the line …` : `${names[as]}: being made …`;

const item = 'cursor-pointer px-3 py-2 outline-none data-[highlighted]:bg-straw';

/** The critique to keep: on paper, in its open forms, and its footage’s chapters. */
export function TakeOut({ critique }: { critique: Critique }) {
  const { taking, take } = useTakeOut(critique.id);
  return (
    <>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className="not-printed linked inline-flex items-center gap-1.5">
          <Download size={14} aria-hidden /> Take it out
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="start" className="z-20 flex flex-col border border-ink bg-linen py-1 text-desk shadow-lg">
            <DropdownMenu.Item className={item} onSelect={() => window.print()}>
              Print this page
            </DropdownMenu.Item>
            {critiqueExports.map((as) => (
              <DropdownMenu.Item key={as} className={item} onSelect={() => take(as)}>
                {names[as]}
              </DropdownMenu.Item>
            ))}
            {critique.footages
              .filter(({ state, earlier }) => state === 'ready' && !earlier)
              .map(({ id }, i, all) => (
                <DropdownMenu.Item key={id} asChild className={item}>
                  <a
                    href={addressOf(getChapters, { critiqueId: critique.id, footageId: id })}
                    download={`chapters${all.length > 1 ? `-${i + 1}` : ''}.vtt`}
                  >
                    Chapters of the footage{all.length > 1 ? ` ${i + 1}` : ''} (WebVTT)
                  </a>
                </DropdownMenu.Item>
              ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {taking && (
        <span role="status" className={`not-printed text-small ${taking.state === 'failed' ? 'text-brick' : 'text-reed'}`}>
          {taking.state === 'failed' ? taking.words : makingWords(taking.as, taking.place)}
        </span>
      )}
    </>
  );
}
