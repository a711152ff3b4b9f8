import { createRequire } from 'node:module';
import { dirname, sep } from 'node:path';
import type * as pdfmakeTypes from 'pdfmake';

type Pdfmake = typeof pdfmakeTypes;
export type PdfDefinition = Parameters<Pdfmake['createPdf']>[0];
type Fonts = Parameters<Pdfmake['setFonts']>[0];

const require = createRequire(import.meta.url);

export const pdfColours = { ink: '#1E2320', reed: '#6B6F5F', brick: '#A8322A' };

/** A PDF, A4. Roboto is built in: its letters reach beyond western Europe. */
export async function makePdf(definition: PdfDefinition): Promise<Buffer> {
  const pdfmake = (await import('pdfmake')) as unknown as { default: Pdfmake };
  const fonts = require('pdfmake/fonts/Roboto.js') as Fonts;
  const fontFolder = dirname(require.resolve('pdfmake/fonts/Roboto.js')) + sep;
  pdfmake.default.setFonts(fonts);
  // Nothing is fetched and nothing is read but the letters: pictures come as data.
  (pdfmake.default as unknown as { setUrlAccessPolicy: (policy: () => boolean) => void }).setUrlAccessPolicy(() => false);
  (pdfmake.default as unknown as { setLocalAccessPolicy: (policy: (path: string) => boolean) => void }).setLocalAccessPolicy((path) =>
    path.startsWith(fontFolder),
  );
  return pdfmake.default.createPdf({ pageSize: 'A4', ...definition }).getBuffer();
}
