/** What a column holds, in JSON Schema. */
const sorts: Readonly<Record<string, object>> = {
  uuid: { type: 'string', format: 'uuid' },
  datetime: { type: 'string', format: 'date-time' },
  date: { type: 'string', format: 'date' },
  tinyint: { type: ['integer', 'boolean'] },
  smallint: { type: 'integer' },
  int: { type: 'integer' },
  bigint: { type: ['integer', 'string'] },
  double: { type: 'number' },
  decimal: { type: ['number', 'string'] },
  // Anything: what a person said of their bout is not a list of columns.
  json: {},
};

interface Column {
  tableName: string;
  name: string;
  sort: string;
  nullable: boolean;
}

/** The JSON Schema of what was taken along: each table with the columns it has here and now. */
export function personSchema(
  tables: Readonly<Record<string, { words: string; rows: readonly object[] }>>,
  columns: readonly Column[],
): object {
  const schemaOf = ({ sort, nullable }: Column): object => {
    const plain = sorts[sort] ?? { type: 'string' };
    return nullable ? { anyOf: [plain, { type: 'null' }] } : plain;
  };
  const tableSchema = ([table, { words, rows }]: [string, { words: string; rows: readonly object[] }]): [string, object] => {
    const taken = new Set(rows.flatMap((row) => Object.keys(row)));
    const here = columns.filter(({ tableName, name }) => tableName === table && (rows.length === 0 || taken.has(name)));
    const row = { type: 'object', properties: Object.fromEntries(here.map((column) => [column.name, schemaOf(column)])) };
    return [table, { type: 'object', description: words, properties: { words: { type: 'string' }, rows: { type: 'array', items: row } } }];
  };
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'lean-mentor/person@1',
    type: 'object',
    required: ['format', 'takenAt', 'name', 'tables'],
    properties: {
      format: { const: 'lean-mentor/person@1' },
      takenAt: { type: 'string', format: 'date-time' },
      name: { type: 'string' },
      tables: { type: 'object', properties: Object.fromEntries(Object.entries(tables).map(tableSchema)) },
    },
  };
}
