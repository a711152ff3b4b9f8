import type { Critique } from '@lean-mentor/contract';
import { blockText, type CritiqueDoc } from '@lean-mentor/core/critique';
import { diffWords } from 'diff';
import { format } from 'date-fns';
import { useState } from 'react';
import { useGetCritiqueVersionQuery } from '../api.ts';

const textOf = (doc: CritiqueDoc): string => doc.content.map(blockText).filter(Boolean).join('\n\n');

/** That there was an earlier version, and on demand what is different in this one, word by word. */
export function WhatChanged({ critique }: { critique: Critique }) {
  const [open, setOpen] = useState(false);
  const before = critique.versions.filter(({ version }) => version < critique.version).at(-1);
  if (!before) return null;
  return (
    <div className="not-printed flex flex-col gap-2 border-l-2 border-brass pl-3 text-desk">
      <p>
        This is version {critique.version}, of {format(critique.sentAt, 'd MMMM, H:mm')}.{' '}
        <button type="button" className="linked" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Hide what changed' : 'What changed'}
        </button>
      </p>
      {open && <Changes critique={critique} version={before.version} />}
    </div>
  );
}

function Changes({ critique, version }: { critique: Critique; version: number }) {
  const { data } = useGetCritiqueVersionQuery({ critiqueId: critique.id, version });
  if (!data) return <p className="text-reed">Looking …</p>;
  const parts = diffWords(textOf(data.doc), textOf(critique.doc));
  if (parts.every(({ added, removed }) => !added && !removed)) return <p className="text-reed">No word changed; a moment or a clip did.</p>;
  return (
    <p className="max-h-80 overflow-y-auto text-read whitespace-pre-line">
      {parts.map(({ value, added, removed }, i) =>
        added ? (
          <ins key={i} className="bg-brass/25 no-underline">
            {value}
          </ins>
        ) : removed ? (
          <del key={i} className="text-reed">
            {value}
          </del>
        ) : (
          <span key={i}>{value.length > 240 ? `${value.slice(0, 100)} … ${value.slice(-100)}` : value}</span>
        ),
      )}
    </p>
  );
}
