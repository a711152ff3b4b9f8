import type { Invoice } from '@lean-mentor/contract';
import type { Content, TableCell } from 'pdfmake';
import { makePdf, pdfColours } from '../../../media/pdf.ts';
import type { InvoiceRow } from './model.ts';

const { ink, reed } = pdfColours;

const quiet = (text: string): Content => ({ text, color: reed, fontSize: 8.5 });

/** Lines and their sum, amounts under one another. */
function linesTable({ lines, total, currency }: Invoice): Content {
  const money = (text: string, bold = false): TableCell => ({ text, alignment: 'right', bold, noWrap: true });
  const rows: TableCell[][] = [
    [quiet('For') as TableCell, { ...(quiet(currency) as object), alignment: 'right' } as TableCell],
    ...lines.map(({ words, amount }): TableCell[] => [words, money(amount)]),
    [{ text: 'Sum', bold: true }, money(total, true)],
  ];
  return {
    table: { headerRows: 1, widths: ['*', 'auto'], body: rows },
    layout: {
      hLineWidth: (i, node) => (i === 1 || i === node.table.body.length - 1 ? 0.7 : 0),
      vLineWidth: () => 0,
      hLineColor: () => ink,
      paddingLeft: () => 0,
      paddingRight: () => 0,
      paddingTop: () => 4,
      paddingBottom: () => 4,
    },
    margin: [0, 22, 0, 18],
  };
}

/** An invoice, or a cancellation, as PDF, A4. It says what stood when it was written; whether it was paid stands elsewhere. */
export function invoicePdf(invoice: Invoice, { seller, note }: Pick<InvoiceRow, 'seller' | 'note'>): Promise<Buffer> {
  const { number, recipient, issuedOn, dueOn, cancels } = invoice;
  const title = cancels === null ? `Invoice ${number}` : `Cancellation ${number}, of invoice ${cancels}`;
  return makePdf({
    info: { title, author: seller.split('\n')[0] ?? '' },
    pageMargins: [64, 64, 64, 56],
    defaultStyle: { font: 'Roboto', fontSize: 10.5, lineHeight: 1.2, color: ink },
    content: [
      { text: seller, alignment: 'right', fontSize: 9.5 },
      { stack: [quiet('To'), recipient], margin: [0, 28, 0, 28] },
      { text: title, fontSize: 18 },
      { text: `Issued ${issuedOn}${cancels === null ? `, due by ${dueOn}` : ''}`, color: reed, margin: [0, 4, 0, 0] },
      linesTable(invoice),
      ...(note ? [{ text: note, fontSize: 9.5 }] : []),
    ],
    footer: (page, pages) => ({
      text: `${title} · ${page} of ${pages}`,
      alignment: 'right',
      fontSize: 7.5,
      color: reed,
      margin: [0, 14, 64, 0],
    }),
  });
}
