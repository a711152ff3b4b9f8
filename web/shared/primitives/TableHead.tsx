/** The head of a quiet table: what each column says. */
export function TableHead({ columns }: { columns: readonly string[] }) {
  return (
    <thead className="text-small text-reed">
      <tr>
        {columns.map((words) => (
          <th key={words} scope="col" className="py-1 pr-4 font-normal">
            {words}
          </th>
        ))}
      </tr>
    </thead>
  );
}
