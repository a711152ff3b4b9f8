import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyDeskChange, type DeskChange } from './deskChange.ts';
import { emptyDesk, itemsOf, type DeskDocument } from './deskDocument.ts';
import { mergeDeskChange, sameJson } from './mergeDeskChange.ts';

let made = 0;
const newId = (): string => `id-${(made += 1)}`;
const note = { id: 'n', what: 'The elbow leaves.', severity: 2, instead: [{ when: '', do: 'Keep it in.' }] };
const merge = (change: object, present: object | null, removed: object | null = null, by: string | null = 'Abel') =>
  mergeDeskChange({ changeId: 'c', entity: 'note', id: 'n', ...change } as DeskChange, {
    present: present as never,
    removed: removed as never,
    by: 'Marit',
    lastBy: () => by,
    newId,
  });

describe('a change that meets another', () => {
  it('of another field is taken as it is', () => {
    const [patch, ...rest] = merge({ before: { severity: 2 }, after: { severity: 3 } }, { ...note, what: 'Said otherwise.' });
    expect(patch).toMatchObject({ before: { severity: 2 }, after: { severity: 3 } });
    expect(rest).toEqual([]);
  });

  it('of the same field stands, and the other’s is set aside with both names', () => {
    const [patch, conflict] = merge({ before: { what: note.what }, after: { what: 'Mine.' } }, { ...note, what: 'Theirs.' });
    expect(patch).toMatchObject({ before: { what: 'Theirs.' }, after: { what: 'Mine.' } });
    expect(conflict).toMatchObject({
      entity: 'conflict',
      after: { of: 'note', thingId: 'n', field: 'what', stands: 'Mine.', aside: 'Theirs.', standsBy: 'Marit', asideBy: 'Abel' },
    });
  });

  it('to the same value is no conflict', () => {
    expect(merge({ before: { what: note.what }, after: { what: 'Same.' } }, { ...note, what: 'Same.' })).toHaveLength(1);
  });

  it('that takes away what the other changed leaves it there and says so', () => {
    const [conflict, ...rest] = merge({ before: note, after: null }, { ...note, severity: 3 });
    expect(conflict).toMatchObject({ entity: 'conflict', after: { field: null, asideBy: 'Marit', standsBy: 'Abel' } });
    expect(rest).toEqual([]);
  });

  it('of what the other took away brings it back with the change in it', () => {
    const [back, conflict] = merge({ before: { what: note.what }, after: { what: 'Mine.' } }, null, note);
    expect(back).toMatchObject({ before: null, after: { ...note, what: 'Mine.' } });
    expect(conflict).toMatchObject({ after: { field: null, standsBy: 'Marit', asideBy: 'Abel' } });
  });

  it('of what never was there, or twice taken away, is nothing', () => {
    expect(merge({ before: { what: 'x' }, after: { what: 'y' } }, null)).toEqual([]);
    expect(merge({ before: note, after: null }, null, note)).toEqual([]);
  });

  it('that makes again what is there keeps it whole', () => {
    expect(merge({ before: null, after: note }, note)).toMatchObject([{ before: { what: note.what } }]);
  });

  it('of one person in another tab is no conflict: the later wish counts', () => {
    expect(merge({ before: { what: note.what }, after: { what: 'Later.' } }, { ...note, what: 'Before.' }, null, null)).toMatchObject([
      { after: { what: 'Later.' } },
    ]);
    expect(merge({ before: note, after: null }, { ...note, severity: 3 }, null, null)).toMatchObject([{ entity: 'note', after: null }]);
    expect(merge({ before: { what: note.what }, after: { what: 'Back.' } }, null, note, null)).toMatchObject([
      { entity: 'note', after: { what: 'Back.' } },
    ]);
  });

  it('settles a conflict without making one', () => {
    const settle = mergeDeskChange({ changeId: 'c', entity: 'conflict', id: 'k', before: { id: 'other' }, after: null } as never, {
      present: { id: 'k' },
      removed: null,
      by: 'a',
      lastBy: () => 'b',
      newId,
    });
    expect(settle).toMatchObject([{ entity: 'conflict', after: null }]);
  });
});

describe('two people who edit at once', () => {
  const fields = ['what', 'severity', 'kind'] as const;
  type Edit = readonly [who: 0 | 1, thing: string, act: number, field: number, value: number];
  const edits = fc.array(fc.tuple(fc.constantFrom<0 | 1>(0, 1), fc.constantFrom('a', 'b', 'c'), fc.nat(5), fc.nat(2), fc.nat(9)), {
    maxLength: 60,
  });

  /** Each person edits a copy; the server takes both lists in some order and tells both what came of it. */
  function meet(wanted: readonly Edit[]) {
    const removed = new Map<string, object>();
    const start = ['a', 'b', 'c'].reduce(
      (d, id) =>
        applyDeskChange(d, { changeId: id, entity: 'note', id, before: null, after: { id, what: '0', severity: 0, kind: 'k' } } as never),
      emptyDesk(),
    );
    const copies: [DeskDocument, DeskDocument] = [start, start];
    const queues: [DeskChange[], DeskChange[]] = [[], []];
    for (const [who, id, act, field, value] of wanted) {
      const present = copies[who].notes[id] as unknown as Record<string, unknown> | undefined;
      if (!present) continue;
      const name = fields[field]!;
      const change = (
        act === 0
          ? { changeId: newId(), entity: 'note', id, before: present, after: null }
          : { changeId: newId(), entity: 'note', id, before: { [name]: present[name] }, after: { [name]: `${who}-${value}` } }
      ) as DeskChange;
      copies[who] = applyDeskChange(copies[who], change);
      queues[who].push(change);
    }
    let server = start;
    for (const [who, queue] of queues.entries())
      for (const change of queue) {
        const things = itemsOf(server, change.entity) as Record<string, object>;
        const known = things[change.id] ?? null;
        const effects = mergeDeskChange(change, {
          present: known as never,
          removed: (removed.get(change.id) ?? null) as never,
          by: String(who),
          lastBy: () => String(1 - who),
          newId,
        });
        for (const effect of effects) {
          if (effect.after === null && effect.entity === 'note') removed.set(effect.id, known!);
          server = applyDeskChange(server, effect);
        }
      }
    return { server, queues };
  }

  it('lose nothing: the last value of every field either stands or lies in a conflict (seed 13)', () => {
    fc.assert(
      fc.property(edits, (wanted) => {
        const { server, queues } = meet(wanted);
        const shown = [...Object.values(server.notes), ...Object.values(server.conflicts)].map((thing) => JSON.stringify(thing)).join(' ');
        for (const queue of queues) {
          const last = new Map<string, unknown>();
          for (const change of queue) {
            if (change.after === null) for (const field of fields) last.delete(`${change.id}.${field}`);
            else for (const [field, value] of Object.entries(change.after)) last.set(`${change.id}.${field}`, value);
          }
          for (const value of last.values()) expect(shown).toContain(String(value));
        }
      }),
      { seed: 13, numRuns: 200 },
    );
  });
});

describe('the same JSON', () => {
  it('is told by content, in any order of keys, and null is not the same as absent', () => {
    expect(sameJson({ a: [1, { b: null }], c: undefined }, { a: [1, { b: null }] })).toBe(true);
    expect(sameJson({ a: null }, {})).toBe(false);
    expect(sameJson([1, 2], { 0: 1, 1: 2 })).toBe(false);
    expect(sameJson('1', 1)).toBe(false);
  });
});
