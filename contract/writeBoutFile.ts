import type { RuleSheet, RuleSheetName, TimedBout, ValuePreset } from '@lean-mentor/core/scoring';
import type { BoutFile } from './boutFile.ts';

interface Known {
  ruleSheet: RuleSheetName | RuleSheet;
  valuePreset?: ValuePreset;
  client?: BoutFile['client'];
  partner?: BoutFile['partner'];
}

/** Seconds as files carry them: microseconds, finer than any frame. */
const written = (seconds: number): number => Math.round(seconds * 1e6) / 1e6;

/** A coded bout as a file that reads back as the same bout. */
export function writeBoutFile(
  { lengthSeconds, spans, events }: TimedBout,
  { ruleSheet, valuePreset, client = {}, partner = {} }: Known,
): BoutFile {
  return {
    format: 'lean-mentor/bout@1',
    lengthSeconds: written(lengthSeconds),
    ruleSheet: typeof ruleSheet === 'string' ? ruleSheet : structuredClone(ruleSheet as unknown as Exclude<BoutFile['ruleSheet'], string>),
    ...(valuePreset && { valuePreset }),
    client,
    partner,
    spans: spans.map(({ position, holder, from, to }) => ({ position, holder, fromSeconds: written(from), toSeconds: written(to) })),
    events: events.map(({ at, ...happening }) => ({ ...happening, atSeconds: written(at) })) as BoutFile['events'],
  };
}
