import { notesFormat, type Account, type FileNote, type NotesFile, type Request } from '@lean-mentor/contract';
import { blankNote, type DeskChange } from '@lean-mentor/core/desk';
import { clampFrame, frameAtSeconds, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { knownFrameTable } from '../footage/index.ts';
import { findRequest } from '../requests/index.ts';
import { findDeskDocument } from './deskItems.ts';
import { saveDeskChanges } from './service.ts';

async function requestWithTables(house: House, requestId: string): Promise<{ request: Request; tables: Map<string, FrameTable> }> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  const pairs = await Promise.all(request.footages.map(async ({ id }) => [id, await knownFrameTable(house, id)] as const));
  return { request, tables: new Map(pairs.flatMap(([id, table]) => (table ? [[id, table] as const] : []))) };
}

/** All notes of a request as a file has them, in the order of its footage and of time. */
export async function exportNotes(house: House, requestId: string): Promise<NotesFile> {
  const { request, tables } = await requestWithTables(house, requestId);
  const { notes, principles } = await findDeskDocument(house, requestId);
  const place = new Map(request.footages.map(({ id, fileName }, i) => [id, { i, fileName }]));
  const rows = Object.values(notes).sort(
    (a, b) => (place.get(a.footageId)?.i ?? 0) - (place.get(b.footageId)?.i ?? 0) || a.fromFrame - b.fromFrame,
  );
  return {
    format: notesFormat,
    notes: rows.map(({ footageId, fromFrame, toFrame, kind, layer, athlete, seen, severity, visible, principleId, what, instead }) => {
      const table = tables.get(footageId);
      return {
        footage: place.get(footageId)?.fileName ?? '',
        frame: fromFrame,
        ...(table && { seconds: Math.round(secondsOfFrame(table, clampFrame(table, fromFrame)) * 1000) / 1000 }),
        toFrame,
        kind,
        layer,
        athlete,
        seen,
        severity,
        visible,
        what,
        instead,
        principle: principleId ? (principles[principleId]?.name ?? null) : null,
      };
    }),
  };
}

const sameName = (a: string, b: string): boolean => a.trim().toLocaleLowerCase() === b.trim().toLocaleLowerCase();

/** Puts the notes of a file on the desk, all or none, as if they had been written there. */
export async function importNotes(house: House, account: Account, requestId: string, { notes }: NotesFile): Promise<{ added: number }> {
  const { request, tables } = await requestWithTables(house, requestId);
  const { principles } = await findDeskDocument(house, requestId);
  const faults: string[] = [];
  const changes = notes.flatMap((given: FileNote, i): DeskChange[] => {
    const fault = (words: string): [] => (faults.push(`Note ${i + 1}: ${words}`), []);
    const footage = request.footages.find(({ fileName }) => sameName(fileName, given.footage));
    if (!footage)
      return fault(
        `there is no footage “${given.footage}” in this request; there is ${request.footages.map(({ fileName }) => `“${fileName}”`).join(', ')}.`,
      );
    const table = tables.get(footage.id);
    if (!table) return fault(`“${given.footage}” is not ready yet.`);
    const fromFrame = given.frame ?? frameAtSeconds(table, given.seconds!);
    const frames = table.times.length;
    if (fromFrame >= frames || (given.seconds ?? 0) > table.endSeconds)
      return fault(`“${given.footage}” has ${frames} frames in ${table.endSeconds.toFixed(1)} s; it would stand after its end.`);
    if (given.toFrame !== null && (given.toFrame <= fromFrame || given.toFrame > frames))
      return fault(`its range from frame ${fromFrame} to ${given.toFrame} is none.`);
    const principle = given.principle === null ? null : Object.values(principles).find(({ name }) => sameName(name, given.principle!));
    if (principle === undefined) return fault(`there is no principle “${given.principle}” in the book. Add it there, or leave it out.`);
    const { kind, layer, athlete, seen, severity, visible, what, instead, toFrame } = given;
    const id = house.newId();
    const note = blankNote({
      id,
      footageId: footage.id,
      fromFrame,
      toFrame,
      kind,
      layer,
      athlete,
      seen,
      severity,
      visible,
      what,
      instead,
      principleId: principle?.id ?? null,
    });
    return [{ changeId: house.newId(), entity: 'note', id, before: null, after: note }];
  });
  if (faults.length > 0) throw new ContractError('not-valid', { message: faults.slice(0, 6).join(' ') });
  await saveDeskChanges(house, account, requestId, { changes, since: null }, { allOrNone: true });
  return { added: changes.length };
}
