import { frameEventOf, type CodedEvent } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { athletes, eventWords, isNeutral, positionCodes, positionName } from '@lean-mentor/core/scoring';
import { X } from 'lucide-react';
import { IconButton, optionsOf, Select } from '../../../shared/primitives/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useFrame, useScene } from '../DeskScene.ts';
import type { BoutScored } from './useScore.ts';

/** What happened, to be corrected: who, close or not, gripped or not, when, or not at all. */
export function EventList({ bout }: { bout: BoutScored }) {
  const coding = useControls('coding');
  const { secondsAt, go } = useScene();
  const frame = useFrame();
  const { coded, bout: here } = bout.here;
  if (coded.events.length === 0) return null;
  const check = 'flex items-center gap-1 text-reed';
  return (
    <ul aria-label="Events" className="divide-y divide-seam border-y border-seam">
      {coded.events.map((event) => {
        const said = frameEventOf(event);
        return (
          <li key={event.id} className="flex items-center gap-3">
            <button type="button" className="time linked" onClick={() => go(event.atFrame, null)}>
              {clockText(secondsAt(event.atFrame) - secondsAt(here.fromFrame))}
            </button>
            <span className="grow">{said ? eventWords(said) : 'Not told fully'}</span>
            {event.kind === 'attempt' && (
              <label className={check}>
                <input
                  type="checkbox"
                  checked={event.close}
                  onChange={({ target }) => coding.changeEvent(event.id, { close: target.checked })}
                />
                close
              </label>
            )}
            {event.kind === 'guard-pull' && (
              <label className={check}>
                <input
                  type="checkbox"
                  checked={event.gripped}
                  onChange={({ target }) => coding.changeEvent(event.id, { gripped: target.checked })}
                />
                the other had gripped
              </label>
            )}
            {(event.kind === 'finish' || event.kind === 'catch-and-release' || event.kind === 'attempt') && (
              <input
                aria-label="By what"
                defaultValue={event.name ?? (event.kind === 'attempt' ? '' : (event.technique ?? ''))}
                placeholder="By what?"
                maxLength={60}
                key={event.name}
                onBlur={({ target: { value } }) =>
                  value.trim() !== '' && value.trim() !== event.name && coding.changeEvent(event.id, { name: value.trim() })
                }
                className="w-32 border-b border-seam bg-transparent px-1"
              />
            )}
            {event.kind === 'restart' && <RestartPosition event={event} />}
            {event.athlete && (
              <button
                type="button"
                className="text-reed hover:underline"
                onClick={() => coding.changeEvent(event.id, { athlete: event.athlete === 'client' ? 'partner' : 'client' })}
              >
                the other one
              </button>
            )}
            {event.atFrame !== frame && (
              <button type="button" className="text-reed hover:underline" onClick={() => coding.changeEvent(event.id, { atFrame: frame })}>
                here
              </button>
            )}
            <IconButton icon={X} words="It did not happen" onClick={() => coding.removeEvent(event.id)} />
          </li>
        );
      })}
    </ul>
  );
}

/** The position that a restart names: where one was coded through the stoppage, it goes on in this; a coded one stands. */
function RestartPosition({ event }: { event: CodedEvent }) {
  const coding = useControls('coding');
  const { position, holder } = event;
  const input = 'border-b border-seam bg-transparent';
  return (
    <span className="flex gap-2 text-reed">
      <Select
        label="Goes on in"
        className={input}
        value={position ?? ''}
        options={[{ value: '', words: 'as it is coded there' }, ...optionsOf(positionCodes, positionName)]}
        onChange={(value) => {
          const next = value || null;
          const held = next === null || isNeutral(next) ? null : (holder ?? 'client');
          coding.changeEvent(event.id, { position: next, holder: held });
        }}
      />
      {position !== null && !isNeutral(position) && (
        <Select
          label="Held by"
          className={input}
          value={holder ?? 'client'}
          options={optionsOf(athletes, (athlete) => `${athlete} holds`)}
          onChange={(athlete) => coding.changeEvent(event.id, { holder: athlete })}
        />
      )}
    </span>
  );
}
