import { assertNever } from '../never/index.ts';
import type { BoutHappening } from './boutEvent.ts';
import { sideNames, type Names } from './placeWords.ts';

const lowered = (name: string | undefined): string | undefined => name && name.charAt(0).toLowerCase() + name.slice(1);
const byWhat = ({ name, technique }: { name?: string; technique: string }): string => {
  const called = lowered(name) ?? technique;
  return called === '' ? '' : `: ${called}`;
};

/** An event in a few words: "Partner’s takedown: failed". */
export function eventWords(event: BoutHappening, names: Names = sideNames): string {
  switch (event.kind) {
    case 'attempt':
      return `${names[event.athlete]}’s ${lowered(event.name) ?? event.technique.replaceAll('-', ' ')}: ${event.outcome}${event.close ? ', close' : ''}`;
    case 'guard-pull':
      return `${names[event.athlete]} pulls guard${event.gripped ? '; the other had gripped' : ''}`;
    case 'stoppage':
      return 'The clock stops';
    case 'restart':
      return 'The clock goes on';
    case 'penalty':
      return `Penalty for the ${names[event.athlete].toLowerCase()}`;
    case 'finish':
      return `${names[event.athlete]} finishes${byWhat(event)}`;
    case 'catch-and-release':
      return `${names[event.athlete]} catches and lets go${byWhat(event)}`;
    default:
      return assertNever(event);
  }
}
