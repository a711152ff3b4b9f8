import { personFile, type Account, type PersonFile } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { addAbortSignal, PassThrough, Readable } from 'node:stream';
import { finished, pipeline } from 'node:stream/promises';
import type { Response } from 'express';
import yazl from 'yazl';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { answerVoiceKey, reviewCopyKey, takeVoiceKey } from '../../storage/index.ts';
import { exportedCritiques } from '../critique/index.ts';
import { findColumns, findNamed, findRows, type NamedClient } from './repository.ts';
import { personSchema } from './personSchema.ts';

/** A file of the ZIP whose bytes are made or read when its turn comes, so that little of it is in memory at once. */
interface Entry {
  path: string;
  size?: number;
  open: () => Promise<Readable>;
  /** What stands for it where it cannot be made. */
  instead?: Entry;
}

const text = (path: string, words: string): Entry => ({ path, open: () => Promise.resolve(Readable.from([Buffer.from(words)])) });

/** A name that every file system takes. */
const safe = (name: string): string => name.replace(/[^\p{L}\p{N}._ -]+/gu, '_').slice(-120) || 'file';

async function stored(house: House, path: string, keys: readonly (string | null)[]): Promise<Entry | null> {
  for (const key of keys) {
    const size = key === null ? null : await house.storage.size(key);
    if (key === null || size === null || size === 0) continue;
    return { path, size, open: () => house.storage.open(key, 0, size - 1) };
  }
  return null;
}

const columnText = (row: object, name: string): string | null => {
  const value = (row as Record<string, unknown>)[name];
  return typeof value === 'string' ? value : null;
};

/** Every video, as it was sent; the copy for viewing where the original is gone. */
async function* videos(house: House, { tables }: PersonFile): AsyncGenerator<Entry> {
  for (const row of tables['footages']?.rows ?? []) {
    const id = columnText(row, 'id')!;
    const name = safe(columnText(row, 'file_name') ?? 'video.mp4');
    const entry = await stored(house, `footage/${id}/${name}`, [columnText(row, 'original_key'), reviewCopyKey(id)]);
    if (entry) yield entry;
  }
}

/** What was spoken for them, as sound: takes, and answers to their questions. */
async function* voices(house: House, { tables }: PersonFile): AsyncGenerator<Entry> {
  for (const row of tables['takes']?.rows ?? []) {
    const id = columnText(row, 'id')!;
    const entry = await stored(house, `voices/${id}.m4a`, [takeVoiceKey(columnText(row, 'request_id')!, id, 'recorded')]);
    if (entry) yield entry;
  }
  for (const row of tables['questions']?.rows ?? []) {
    const id = columnText(row, 'id')!;
    const entry = await stored(house, `voices/answers/${id}.m4a`, [answerVoiceKey(columnText(row, 'critique_id')!, id)]);
    if (entry) yield entry;
  }
}

const readme = (name: string, takenAt: Date): string => `All that is kept of ${name}, taken on ${format(takenAt, 'd MMMM yyyy, H:mm')}.

data/person.json         every record, table by table; data/person.schema.json is its JSON Schema (draft 2020-12)
footage/<id>/            the videos, as they were sent
critiques/*.zip          every critique as a folder of its own: critique.html opens in any browser without a network,
                         with its stills, clips and voices; as *.json alone where its clips cannot be cut
voices/                  what was spoken, as sound

Not in here: passwords and what opens a way in, the search index, and the list of single key strokes that the notes were
made of; all of it is made from what is here or opens nothing for you.
`;

/** Everything about a client, in the order in which it is sent. */
async function* everything(house: House, account: Account, client: NamedClient): AsyncGenerator<Entry> {
  const takenAt = house.now();
  const tables = await findRows(house, client);
  const person = personFile.parse(
    JSON.parse(JSON.stringify({ format: 'lean-mentor/person@1', takenAt: takenAt.toISOString(), name: client.name, tables })),
  );
  yield text('README.txt', readme(client.name, takenAt));
  yield text('data/person.json', `${JSON.stringify(person, null, 2)}\n`);
  yield text('data/person.schema.json', `${JSON.stringify(personSchema(tables, await findColumns(house)), null, 2)}\n`);
  for (const { fileName, make } of await exportedCritiques(house, account, client.id)) {
    const entry = (form: 'zip' | 'json'): Entry => ({
      path: `critiques/${fileName}.${form}`,
      open: async () => Readable.from([await make(form)]),
    });
    yield { ...entry('zip'), instead: entry('json') };
  }
  yield* voices(house, person);
  yield* videos(house, person);
}

/** Who is taking everything along just now: one at a time of each. */
const taking = new Set<string>();

/** Sends everything about a client as one ZIP, made while it is sent: nothing is kept twice, however much footage there is. */
export async function takeAll(house: House, account: Account, clientId: string, res: Response): Promise<void> {
  const client = await findNamed(house, clientId);
  if (!client) throw new ContractError('not-found');
  if (taking.has(account.id)) throw new ContractError('busy');
  taking.add(account.id);
  const [zip, stop] = [new yazl.ZipFile(), new AbortController()];
  const out = new PassThrough();
  zip.outputStream.pipe(out);
  res.attachment(`${safe(client.name)} ${format(house.now(), 'yyyy-MM-dd')}.zip`).type('application/zip');
  const sent = pipeline(out, res).finally(() => stop.abort());
  try {
    await Promise.all([
      sent,
      addEach(house, zip, everything(house, account, client), stop.signal).catch((error: Error) => out.destroy(error)),
    ]);
  } catch (error) {
    // Whoever closes the page in the middle has stopped it; of anything else, a ZIP that breaks off is the only sign that is left.
    house.log.warn({ err: error }, 'a ZIP of everything was not sent to its end');
    res.destroy();
  } finally {
    taking.delete(account.id);
  }
}

/** An entry whose bytes can be had, opened; what cannot is noted in `missing`, and the others go on. */
async function opened(house: House, entry: Entry, missing: string[]): Promise<{ entry: Entry; stream: Readable } | null> {
  try {
    return { entry, stream: await entry.open() };
  } catch (error) {
    // Without its path: what somebody called their file is theirs, and logs outlive them.
    house.log.warn({ err: error }, 'a part of a ZIP of everything could not be had');
    if (entry.instead) return opened(house, entry.instead, missing);
    missing.push(entry.path);
    return null;
  }
}

/** Adds entries one after another, each opened when the one before it has been read to its end; last what could not be had. */
async function addEach(house: House, zip: yazl.ZipFile, entries: AsyncGenerator<Entry>, signal: AbortSignal): Promise<void> {
  // The entry that cannot be read to its end says so itself.
  zip.on('error', () => undefined);
  const missing: string[] = [];
  const add = async (wanted: Entry): Promise<void> => {
    signal.throwIfAborted();
    const found = await opened(house, wanted, missing);
    if (!found) return;
    const { path, size } = found.entry;
    const stream = addAbortSignal(signal, found.stream);
    // Pictures, sound and video do not get smaller.
    zip.addReadStream(stream, path, { compress: path.startsWith('data/'), ...(size !== undefined && { size }), mtime: house.now() });
    await finished(stream);
  };
  for await (const entry of entries) await add(entry);
  if (missing.length > 0) await add(text('missing.txt', `These could not be read just now; ask again later.\n\n${missing.join('\n')}\n`));
  zip.end();
}
