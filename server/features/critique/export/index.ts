import { critiqueFileOf, type Account, type Critique, type CritiqueExport } from '@lean-mentor/contract';
import { critiqueMarkdown } from '@lean-mentor/core/critique';
import type { House } from '../../../house/house.ts';
import { listCritiquesOfClient } from '../reading.ts';
import { critiqueDocx } from './critiqueDocx.ts';
import { critiquePdf } from './critiquePdf.ts';
import { critiqueZip, tiedWords, type FilmAt } from './critiqueZip.ts';
import { exportFacts, exportTitle, type ExportFacts } from './exportFacts.ts';

/** Every form a critique is taken out in; a new one is added here. */
const exporters: Readonly<
  Record<CritiqueExport, { type: string; make: (facts: ExportFacts, house: House, filmAt: FilmAt) => Promise<Buffer> | Buffer }>
> = {
  pdf: { type: 'application/pdf', make: critiquePdf },
  docx: { type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document', make: critiqueDocx },
  md: {
    type: 'text/markdown; charset=utf-8',
    make: (facts) =>
      Buffer.from(
        critiqueMarkdown(
          facts.critique.doc,
          facts.title,
          tiedWords(facts, () => null),
          facts.closing,
        ),
      ),
  },
  json: {
    type: 'application/json',
    make: ({ critique, fileName }) => Buffer.from(`${JSON.stringify(critiqueFileOf(critique, fileName), null, 2)}\n`),
  },
  zip: { type: 'application/zip', make: (facts, house, filmAt) => critiqueZip(house, facts, filmAt) },
};

/** What the file of a form is. */
export const mediaTypeOf = (as: CritiqueExport): string => exporters[as].type;

/** What a critique taken out is called. */
export const exportName = (critique: Critique, as: CritiqueExport): string =>
  `${exportTitle(critique)
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')}.${as}`;

/** The bytes of a sent critique in one of its forms, for an account that may see it. */
export const makeExported = async (
  house: House,
  account: Account,
  critiqueId: string,
  as: CritiqueExport,
  filmAt: FilmAt,
): Promise<Buffer> => exporters[as].make(await exportFacts(house, account, critiqueId), house, filmAt);

/** Every sent critique of a client, made when it is asked for, without the films of what is spoken: as a ZIP it holds its voices. */
export const exportedCritiques = async (
  house: House,
  account: Account,
  clientId: string,
): Promise<{ fileName: string; make: (as: CritiqueExport) => Promise<Buffer> }[]> =>
  (await listCritiquesOfClient(house, clientId)).map(({ id, sentAt }) => ({
    fileName: `${sentAt.slice(0, 10)} ${id.slice(0, 8)}`,
    make: (as) => makeExported(house, account, id, as, () => Promise.resolve(null)),
  }));
