/** A column's words; of one that holds amounts, at its right edge. */
type Column = string | { right: string };

/** The head of a quiet table: what each column says. */
export function TableHead({ columns }: { columns: readonly Column[] }) {
  return (
    <thead className="text-small text-reed">
      <tr>
        {columns.map((column) => {
          const [words, side] = typeof column === 'string' ? [column, ''] : [column.right, 'text-right'];
          return (
            <th key={words} scope="col" className={`py-1 pr-4 font-normal ${side}`}>
              {words}
            </th>
          );
        })}
      </tr>
    </thead>
  );
}
