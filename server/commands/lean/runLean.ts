import {
  eventsCsv,
  readBoutFile,
  readProgressFile,
  readRankFile,
  readRetestFile,
  readScheduleFile,
  readTakeFile,
  spansCsv,
  type ReadRetest,
  type ReadSchedule,
} from '@lean-mentor/contract';
import { readFile } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { text as readAsText } from 'node:stream/consumers';
import { parseArgs } from 'node:util';
import type { FixSeries } from '@lean-mentor/core/followup';
import { progressAnswer, rankAnswer, retestsAnswer, type GoodRank } from './fixAnswers.ts';
import { scheduleAnswer } from './scheduleAnswer.ts';
import { takeAnswer, takeSeconds, type GoodTake } from './takeAnswer.ts';
import { leanAnswer, patternsAnswer, scoreAnswer, stakesAnswer, statsAnswer, type GoodBout } from './boutAnswers.ts';

const usage = `npm run -s lean -- COMMAND FILE …   ("-" reads standard input)

  score FILE                    who won and by what, every award and refusal with its reason (JSON)
  stakes FILE --at SECONDS      what the next score would do (JSON)
  lean FILE [--every SECONDS]   the lean of the bout over time (CSV)
  stats FILE …                  time by position, transitions, attempts of one or several bouts (JSON)
  patterns FILE …               what follows what, best evidence first (JSON)
  spans FILE, events FILE       spans or events (CSV)
  rank FILE [--school NAME]     which fixes matter most, with every part of their score (JSON)
  progress FILE                 whether a fix got better, or was it luck (JSON)
  retest FILE                   whether retests of one start got better over all of them, or was it luck (JSON)
  take FILE --at SECONDS        what a spoken critique shows at an instant, its cuts taken out (JSON)
  schedule FILE                 when each waiting request is begun and finished, and what each order policy leads to (JSON)

Files are lean-mentor/bout@1, rank@1, progress@1, retest@1, take@1 and schedule@1, see docs/formats. A faulty file ends with exit code 2.`;

/** Something the caller did wrong; said as it is, with exit code 2. */
class Refused extends Error {}

async function textOf(file: string, stdin: Readable): Promise<string> {
  if (file !== '-') return readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => refuse(`${file} cannot be read: ${error.code}.`));
  return readAsText(stdin);
}

function refuse(words: string): never {
  throw new Refused(words);
}

/** Reads all files before anything is computed: one fault, and nothing is. */
async function readAll<T extends object>(
  files: readonly string[],
  stdin: Readable,
  read: (json: unknown) => T | { faults: string[] },
): Promise<T[]> {
  const faults: string[] = [];
  const all: T[] = [];
  for (const file of files) {
    const text = await textOf(file, stdin);
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch (error) {
      faults.push(`${file}: not JSON: ${(error as Error).message}.`);
      continue;
    }
    const found = read(json);
    if ('faults' in found) faults.push(...found.faults.map((fault) => `${file}: ${fault}`));
    else all.push(found);
  }
  if (faults.length > 0) refuse(faults.join('\n'));
  return all;
}

function numberOf(option: string, value: string | undefined, least: number): number {
  const number = Number(value);
  if (value === undefined || value.trim() === '' || !Number.isFinite(number) || number < least)
    refuse(`${option} needs a number of seconds, ${least} or more${value === undefined ? '' : `; “${value}” is none`}.`);
  return number;
}

async function answer(args: string[], stdin: Readable): Promise<string> {
  const parsed = ((): ReturnType<typeof parse> => {
    try {
      return parse(args);
    } catch (error) {
      return refuse(`${(error as Error).message}\n\n${usage}`);
    }
  })();
  const [command, ...files] = parsed.positionals;
  if (!command || command === 'help') return usage;
  const single = async <T extends object>(read: (json: unknown) => T | { faults: string[] }): Promise<T> => {
    if (files.length !== 1) refuse(`${command} takes one file.\n\n${usage}`);
    return (await readAll(files, stdin, read))[0]!;
  };
  const readBout = readBoutFile as (json: unknown) => GoodBout | { faults: string[] };
  const one = (): Promise<GoodBout> => single(readBout);
  const several = (): Promise<GoodBout[]> =>
    files.length > 0 ? readAll(files, stdin, readBout) : refuse(`${command} takes at least one file.\n\n${usage}`);
  const json = (value: unknown): string => JSON.stringify(value, null, 2);
  switch (command) {
    case 'score':
      return json(scoreAnswer(await one()));
    case 'stakes': {
      const at = numberOf('--at', parsed.values.at, 0);
      const bout = await one();
      if (at > bout.bout.lengthSeconds) refuse(`--at ${at} s is after the bout’s end at ${bout.bout.lengthSeconds} s.`);
      return json(stakesAnswer(bout, at));
    }
    case 'lean':
      return leanAnswer(await one(), numberOf('--every', parsed.values.every ?? '1', 0.01));
    case 'stats':
      return json(statsAnswer(await several()));
    case 'patterns':
      return json(patternsAnswer(await several(), files));
    case 'spans':
      return spansCsv((await one()).bout);
    case 'events':
      return eventsCsv((await one()).bout);
    case 'rank':
      return json(rankAnswer(await single((file) => readRankFile(file, parsed.values.school) as GoodRank | { faults: string[] })));
    case 'progress':
      return json(progressAnswer(await single((file) => readProgressFile(file) as FixSeries | { faults: string[] })));
    case 'retest':
      return json(retestsAnswer(await single((file) => readRetestFile(file) as ReadRetest | { faults: string[] })));
    case 'take': {
      const at = numberOf('--at', parsed.values.at, 0);
      const take = await single((file) => readTakeFile(file) as GoodTake | { faults: string[] });
      if (at > takeSeconds(take)) refuse(`--at ${at} s is after the take’s end at ${takeSeconds(take)} s.`);
      return json(takeAnswer(take, at));
    }
    case 'schedule':
      return json(scheduleAnswer(await single((file) => readScheduleFile(file) as ReadSchedule | { faults: string[] })));
    default:
      return refuse(`There is no command “${command}”.\n\n${usage}`);
  }
}

const parse = (args: string[]) =>
  parseArgs({ args, allowPositionals: true, options: { at: { type: 'string' }, every: { type: 'string' }, school: { type: 'string' } } });

/** What a command wrote, and the exit code it ends with. */
export interface Ended {
  stdout: string;
  stderr: string;
  status: 0 | 2;
}

/** Runs a command line; `-` among the files is read from `stdin`. What the caller did wrong is told on stderr with exit code 2. */
export async function runLean(args: string[], stdin: Readable): Promise<Ended> {
  try {
    return { stdout: `${await answer(args, stdin)}\n`, stderr: '', status: 0 };
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return { stdout: '', stderr: `${error.message}\n`, status: 2 };
  }
}
