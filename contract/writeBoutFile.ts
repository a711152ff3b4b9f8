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
  { lengthSeconds, clockSeconds, afterFinish = 'ends', spans, events, threats = [] }: TimedBout,
  { ruleSheet, valuePreset, client = {}, partner = {} }: Known,
): BoutFile {
  return {
    format: 'lean-mentor/bout@1',
    lengthSeconds: written(lengthSeconds),
    ...(clockSeconds != null && { clockSeconds: written(clockSeconds) }),
    afterFinish,
    ruleSheet: typeof ruleSheet === 'string' ? ruleSheet : structuredClone(ruleSheet as unknown as Exclude<BoutFile['ruleSheet'], string>),
    ...(valuePreset && { valuePreset }),
    client,
    partner,
    spans: spans.map(({ position, holder, name, posture, from, to }) => ({
      position,
      holder,
      ...(name && { name }),
      ...(posture && { posture }),
      fromSeconds: written(from),
      toSeconds: written(to),
    })),
    events: events.map(({ at, ...happening }) => ({ ...happening, atSeconds: written(at) })) as BoutFile['events'],
    threats: threats.map(({ from, lockedAt, to, ...threat }) => ({
      ...threat,
      fromSeconds: written(from),
      ...(lockedAt !== undefined && { lockedAtSeconds: written(lockedAt) }),
      toSeconds: written(to),
    })),
  };
}
