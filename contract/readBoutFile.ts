import {
  ageGroups,
  isRuleSheetName,
  positionFamily,
  ruleSheetFaults,
  ruleSheets,
  type AfterFinish,
  type Athletic,
  type RuleSheet,
  type TimedBout,
  type TimedEvent,
  type TimedSpan,
  type TimedThreat,
  type ValuePreset,
} from '@lean-mentor/core/scoring';
import type { z } from 'zod';
import { schemaFault } from './schemaFault.ts';
import { boutFile, boutFileEvent, boutFileSpan, boutFileThreat, type BoutFile, type InlineRuleSheet } from './boutFile.ts';

/** A bout file that can be computed with, or every fault in it, each with its place. */
export type ReadBout = { file: BoutFile; bout: TimedBout; sheet: RuleSheet; valuePreset: ValuePreset } | { faults: string[] };

/** Two instants this close, in seconds, are one: files are written with a few decimals. */
const slack = 0.0005;

/** 44 → "44.0", 41.25 → "41.25": at least one decimal, so that it reads as a time. */
const text = (seconds: number): string => (Number.isInteger(seconds) ? seconds.toFixed(1) : String(Math.round(seconds * 1000) / 1000));

function schemaFaults(json: unknown, issues: readonly z.core.$ZodIssue[]): string[] {
  const named = (json as { ruleSheet?: unknown } | null)?.ruleSheet;
  if (typeof named !== 'string' || isRuleSheetName(named)) return issues.flatMap((issue) => schemaFault(json, issue));
  return [
    ...issues.filter(({ path }) => path[0] !== 'ruleSheet').flatMap((issue) => schemaFault(json, issue)),
    `ruleSheet "${named}" is not known; one of ${Object.keys(ruleSheets).join(', ')}, or a sheet written out.`,
  ];
}

/** A sheet as a file gives it: by name, or inline with the rest as on "points-jacket". */
export function sheetOf(given: BoutFile['ruleSheet']): RuleSheet {
  if (typeof given === 'string') return ruleSheets[given];
  const base = ruleSheets['points-jacket'];
  const { points, near, ...rest } = given satisfies InlineRuleSheet;
  const stated = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined));
  return {
    ...base,
    name: 'Inline sheet',
    ...stated,
    points: { ...base.points, ...points },
    near: { ...base.near, ...near },
  } as RuleSheet;
}

/** What of a file is looked at beyond its schema; where a span or an event is not even one, null stands in its place. */
interface Parts {
  spans: (BoutFile['spans'][number] | null)[];
  events: (BoutFile['events'][number] | null)[];
  frameTimes: number[] | undefined;
  lengthSeconds: number;
  afterFinish: AfterFinish;
  threats: (BoutFile['threats'][number] | null)[];
}

function partsOf(json: unknown): Parts {
  const { spans, events, threats, frameTimes, lengthSeconds, afterFinish } = (json ?? {}) as Record<string, unknown>;
  const each = <S extends z.ZodType>(schema: S, list: unknown): (z.output<S> | null)[] =>
    Array.isArray(list) ? list.map((one) => schema.safeParse(one).data ?? null) : [];
  return {
    spans: each(boutFileSpan, spans),
    events: each(boutFileEvent, events),
    frameTimes: boutFile.shape.frameTimes.safeParse(frameTimes).data,
    threats: each(boutFileThreat, threats),
    lengthSeconds: boutFile.shape.lengthSeconds.safeParse(lengthSeconds).data ?? Infinity,
    afterFinish: boutFile.shape.afterFinish.safeParse(afterFinish).data ?? 'ends',
  };
}

type Time = { ok: true; seconds: number } | { ok: false; fault: string };

/** Turns seconds or frames of a file into seconds since the bout's start. */
function timesOf({ frameTimes, spans, lengthSeconds }: Parts) {
  const start = frameTimes?.[spans[0]?.fromFrame ?? 0] ?? 0;
  const count = frameTimes?.length ?? 0;
  // The frame after the last begins where the last one ends.
  const end = count > 1 ? 2 * frameTimes![count - 1]! - frameTimes![count - 2]! : start + lengthSeconds;
  return (place: string, name: string, of: Record<string, unknown>): Time => {
    const [seconds, frame] = [of[`${name}Seconds`], of[`${name}Frame`]] as [number | undefined, number | undefined];
    if (seconds !== undefined && frame !== undefined)
      return { ok: false, fault: `${place} gives both ${name}Seconds and ${name}Frame; give one.` };
    if (seconds !== undefined) return { ok: true, seconds };
    if (frame === undefined) return { ok: false, fault: `${place}.${name}Seconds is missing.` };
    if (!frameTimes) return { ok: false, fault: `${place}.${name}Frame ${frame} needs the file’s frameTimes.` };
    if (frame > count) return { ok: false, fault: `${place}.${name}Frame ${frame} is beyond the last of ${count} frames.` };
    return { ok: true, seconds: (frame === count ? end : frameTimes[frame]!) - start };
  };
}

function holderFault(place: string, { position, holder }: { position: BoutFile['spans'][number]['position']; holder: unknown }): string[] {
  const neutral = positionFamily(position) === 'neutral';
  if (neutral && holder !== null) return [`${place}.holder is ${JSON.stringify(holder)}, but ${position} has no holder.`];
  return !neutral && holder === null ? [`${place}.holder is null, but ${position} needs one: "client" or "partner".`] : [];
}

/** Spans in seconds; faults where they are empty, leave a gap, overlap or run past the end. */
function readSpans({ spans }: Parts, timeOf: ReturnType<typeof timesOf>, end: number, faults: string[]): TimedSpan[] {
  const read: TimedSpan[] = [];
  let expected: number | null = 0;
  spans.forEach((span, i) => {
    const place = `spans[${i}]`;
    if (!span) {
      expected = null;
      return;
    }
    faults.push(...holderFault(place, span));
    const [from, to] = [timeOf(place, 'from', span), timeOf(place, 'to', span)];
    for (const time of [from, to]) if (!time.ok) faults.push(time.fault);
    if (!from.ok || !to.ok) {
      expected = null;
      return;
    }
    const name = (end: 'from' | 'to'): string =>
      span[`${end}Frame`] !== undefined
        ? `${place}.${end}Frame ${span[`${end}Frame`]} (${text(end === 'from' ? from.seconds : to.seconds)} s)`
        : `${place}.${end}Seconds ${text(end === 'from' ? from.seconds : to.seconds)}`;
    if (to.seconds < from.seconds) faults.push(`${name('to')} is before its start ${text(from.seconds)} s.`);
    else if (to.seconds === from.seconds) faults.push(`${name('to')} is its start as well: the span is empty.`);
    if (expected !== null && Math.abs(from.seconds - expected) > slack) {
      const before = i === 0 ? 'the bout’s start' : `spans[${i - 1}], which ends at ${text(expected)} s`;
      faults.push(
        from.seconds > expected
          ? `${name('from')} leaves a gap of ${text(from.seconds - expected)} s after ${before}.`
          : `${name('from')} overlaps ${before}.`,
      );
    }
    if (to.seconds > end + slack) faults.push(`${name('to')} is after the bout’s end at ${text(end)} s.`);
    read.push({
      position: span.position,
      holder: span.holder,
      ...(span.name && { name: span.name }),
      ...(span.posture && { posture: span.posture }),
      from: i === 0 ? from.seconds : (expected ?? from.seconds),
      to: to.seconds,
    });
    expected = to.seconds;
  });
  return read;
}

function readEvents({ events, afterFinish }: Parts, timeOf: ReturnType<typeof timesOf>, end: number, faults: string[]): TimedEvent[] {
  const read: { event: TimedEvent; place: string }[] = [];
  events.forEach((given, i) => {
    if (!given) return;
    const place = `events[${i}]`;
    const at = timeOf(place, 'at', given);
    if (!at.ok) return void faults.push(at.fault);
    if (at.seconds > end + slack) faults.push(`${place}.atSeconds ${text(at.seconds)} is after the bout’s end at ${text(end)} s.`);
    if (at.seconds < 0) faults.push(`${place}.atFrame is before the bout’s start.`);
    if (given.kind === 'restart' && given.position !== undefined)
      faults.push(...holderFault(place, { position: given.position, holder: given.holder ?? null }));
    const { atSeconds: _seconds, atFrame: _frame, ...happening } = given;
    read.push({ event: { ...happening, at: at.seconds } as TimedEvent, place });
  });
  let stopped: number | null = null;
  let tapped: number | null = null;
  for (const { event, place } of [...read].sort((a, b) => a.event.at - b.event.at)) {
    if (event.kind === 'stoppage' && stopped !== null) faults.push(`${place} stops a clock that stands since ${text(stopped)} s.`);
    if (event.kind === 'restart' && stopped === null && tapped === null)
      faults.push(`${place}: a restart at ${text(event.at)} s follows no stoppage.`);
    if (event.kind === 'stoppage') stopped = event.at;
    // After a tap a restart may say when they went on.
    if (event.kind === 'finish' && afterFinish === 'restarts') tapped = event.at;
    else if (event.kind !== 'attempt') tapped = null;
    if (event.kind === 'restart') stopped = null;
  }
  return read.map(({ event }) => event);
}

function readThreats({ threats }: Parts, end: number, faults: string[]): TimedThreat[] {
  return threats.flatMap((threat, i): TimedThreat[] => {
    if (!threat) return [];
    const { athlete, name, fromSeconds: from, lockedAtSeconds: lockedAt, toSeconds: to, ended, tradedFor } = threat;
    const place = `threats[${i}]`;
    if (to < from) faults.push(`${place}.toSeconds ${text(to)} is before its start ${text(from)} s.`);
    if (to > end + slack) faults.push(`${place}.toSeconds ${text(to)} is after the bout’s end at ${text(end)} s.`);
    if (lockedAt !== undefined && (lockedAt < from || lockedAt > to))
      faults.push(`${place}.lockedAtSeconds ${text(lockedAt)} is not between ${text(from)} and ${text(to)} s.`);
    const read = { athlete, name, from, to, ended };
    return [{ ...read, ...(lockedAt !== undefined && { lockedAt }), ...(tradedFor !== undefined && { tradedFor }) }];
  });
}

/** Who somebody is, as far as a file says it; an age group that is not known is none. */
const personOf = ({ age = null, ageGroup, level = null }: BoutFile['client']): Athletic => ({
  age,
  ageGroup: ageGroups.find((one) => one === ageGroup) ?? null,
  level,
});

/** Seconds between stoppages and the restarts that follow them. */
function stoppedSeconds({ events }: Parts, timeOf: ReturnType<typeof timesOf>): number {
  let [stopped, sum] = [null as number | null, 0];
  const timed = events.flatMap((event) => {
    if (!event) return [];
    const at = timeOf('', 'at', event);
    return at.ok ? [{ kind: event.kind, at: at.seconds }] : [];
  });
  for (const { kind, at } of timed.sort((a, b) => a.at - b.at)) {
    if (kind === 'stoppage') stopped ??= at;
    if (kind !== 'restart' || stopped === null) continue;
    sum += at - stopped;
    stopped = null;
  }
  return sum;
}

/** Reads a bout file that was parsed from JSON. Nothing is half-read: any fault, and all that is answered is the list of them. */
export function readBoutFile(json: unknown): ReadBout {
  const parsed = boutFile.safeParse(json);
  const faults: string[] = parsed.success ? [] : schemaFaults(json, parsed.error.issues);
  const parts = partsOf(json);
  const { frameTimes = [] } = parts;
  const backwards = frameTimes.findIndex((time, i) => i > 0 && !(time > frameTimes[i - 1]!));
  if (backwards > 0) faults.push(`frameTimes[${backwards}] ${frameTimes[backwards]} is not later than the one before it.`);
  const timeOf = timesOf(parts);
  // The length may be given without the time the clock stood still.
  const longest = parts.lengthSeconds + stoppedSeconds(parts, timeOf);
  const spans = readSpans(parts, timeOf, longest, faults);
  const events = readEvents(parts, timeOf, longest, faults);
  const threats = readThreats(parts, longest, faults);
  if (!parsed.success) return { faults };
  const file = parsed.data;
  const sheet = sheetOf(file.ruleSheet);
  if (typeof file.ruleSheet !== 'string') faults.push(...ruleSheetFaults(sheet).map((fault) => `ruleSheet.${fault}`));
  if (faults.length > 0) return { faults };
  const last = spans.at(-1)?.to ?? 0;
  const over = last > file.lengthSeconds + slack;
  const bout: TimedBout = {
    lengthSeconds: over ? last : file.lengthSeconds,
    clockSeconds: file.clockSeconds ?? sheet.boutSeconds ?? (over ? file.lengthSeconds : null),
    afterFinish: file.afterFinish,
    spans,
    events,
    ...(threats.length > 0 && { threats }),
    people: { client: personOf(file.client), partner: personOf(file.partner) },
  };
  return { file, bout, sheet, valuePreset: file.valuePreset ?? 'balanced' };
}
