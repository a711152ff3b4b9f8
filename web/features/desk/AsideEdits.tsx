import type { DeskChange } from '@lean-mentor/core/desk';
import { Popover } from 'radix-ui';
import { useDispatch } from 'react-redux';
import { Button } from '../../shared/primitives/index.ts';
import { asideLetGo } from './deskSlice.ts';
import { letAsideGo } from './deskStore.ts';
import { useDeskPart } from './useDesk.ts';

/** The words a person wrote in an edit, to be saved by hand; empty where there are none. */
function wordsOf({ after }: DeskChange): string {
  const { what, words, name, why, instead } = (after ?? {}) as Record<string, unknown>;
  const told = Array.isArray(instead)
    ? instead.map((one: { when: string; do: string }) => [one.when, one.do].filter(Boolean).join(': '))
    : [];
  return [what, words, name, why, ...told].filter((text): text is string => typeof text === 'string' && text !== '').join('\n');
}

/** Edits that the server will never take: what each was, why, and its words to copy. Nothing where there are none. */
export function AsideEdits() {
  const aside = useDeskPart((desk) => desk.aside);
  const dispatch = useDispatch();
  if (aside.length === 0) return null;
  return (
    <Popover.Root>
      <Popover.Trigger className="shrink-0 border-l-4 border-brick pl-2 text-small font-semibold text-brick hover:underline">
        {aside.length === 1 ? '1 edit was not taken' : `${aside.length} edits were not taken`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-20 max-h-96 w-96 overflow-y-auto border border-ink bg-linen p-4 text-desk shadow-lg"
        >
          <p className="pb-2 text-small text-reed">These are kept in this browser until you let them go. All else is saved.</p>
          <ul className="divide-y divide-seam">
            {aside.map(({ changeId, change, why }) => {
              const words = wordsOf(change);
              return (
                <li key={changeId} className="flex flex-col gap-1 py-2">
                  <p className="first-letter:uppercase">
                    <span className="font-semibold">{change.entity}</span>{' '}
                    {change.after === null ? 'taken away' : change.before === null ? 'made' : 'changed'}: {why}
                  </p>
                  {words && <p className="border-l-2 border-seam pl-2 whitespace-pre-line text-reed">{words}</p>}
                  <span className="flex gap-2">
                    {words && (
                      <Button look="plain" onClick={() => void navigator.clipboard?.writeText(words)}>
                        Copy its words
                      </Button>
                    )}
                    <Button
                      look="quiet"
                      onClick={() => {
                        dispatch(asideLetGo(changeId));
                        void letAsideGo(changeId).catch(() => undefined);
                      }}
                    >
                      Let it go
                    </Button>
                  </span>
                </li>
              );
            })}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
