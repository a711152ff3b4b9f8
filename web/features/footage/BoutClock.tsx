import type { Bout } from '@lean-mentor/contract';
import { boutAtFrame, clockText, secondsOfFrame } from '@lean-mentor/core/footage';
import { useGetFrameTableQuery } from './api.ts';

/** The clock of the bout at a frame of a footage, m:ss; nothing until the frames' times are known. */
export function BoutClock({ footage, atFrame }: { footage: { id: string; bouts: readonly Bout[] } | undefined; atFrame: number }) {
  const { data: table } = useGetFrameTableQuery(footage?.id ?? '', { skip: !footage });
  if (!table) return null;
  const from = secondsOfFrame(table, boutAtFrame(footage?.bouts ?? [], atFrame)?.fromFrame ?? 0);
  return <span className="time">{clockText(secondsOfFrame(table, atFrame) - from)}</span>;
}
