import {
  bodyParts,
  burdens,
  cautionAsks,
  cautionClasses,
  type BodyPart,
  type Burden,
  type CautionClass,
  type Load,
} from '../care/index.ts';
import { positionCodes, type PositionCode } from '../positions/index.ts';
import type { Technique, TechniqueKind, UsualRule } from './technique.ts';

const listed = (cell: string): string[] =>
  cell
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean);

/** Letters, digits and single spaces in lower case: "De la Riva" and "de-la-riva" are one name. */
export const nameKey = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
const idOf = (name: string): string => nameKey(name).replaceAll(' ', '-');

/** "knee twisted pressed; hip bent"; "none" where it asks nothing although its caution class would. */
function loadsIn(cell: string, line: string): Load[] {
  return listed(cell).flatMap((one): Load[] => {
    if (one === 'none') return [];
    const [part, ...asked] = one.split(' ') as [BodyPart, ...Burden[]];
    const wrong = [part, ...asked].find((word, i) => !(i === 0 ? bodyParts : (burdens as readonly string[])).includes(word));
    if (wrong !== undefined || asked.length === 0) throw new Error(`“${line}”: “${one}” is no part of the body with what is asked of it.`);
    return [{ part, side: null, burdens: asked }];
  });
}

function usualIn(cell: string, line: string): UsualRule | null {
  if (cell === '') return null;
  const rule: UsualRule = { everybody: false, belowLevel: null, underAge: null };
  for (const word of cell.split(' ')) {
    const [, what, years] = /^([ub])(\d+)$/.exec(word) ?? [];
    if (word === 'all') rule.everybody = true;
    else if (what === 'u') rule.underAge = Number(years);
    else if (what === 'b') rule.belowLevel = Number(years);
    else throw new Error(`“${line}”: “${word}” keeps it from nobody that is known.`);
  }
  return rule;
}

/**
 * Reads one of the tables: a line for each entry, columns parted by bars. Where the last columns are empty they may be left out. What is
 * asked of the other one follows from the caution class where it is not said. Throws on a word that is not known.
 */
export function readTable(kind: TechniqueKind, table: string): Technique[] {
  return table
    .trim()
    .split('\n')
    .map((line): Technique => {
      const cells = line.split('|').map((cell) => cell.trim());
      const [name = '', aliases = '', parents = '', attire = '', caution = '', doer = '', partner = '', usual = '', under = ''] = cells;
      const unknown = listed(parents).find((code) => !(positionCodes as readonly string[]).includes(code));
      if (unknown) throw new Error(`“${line}”: “${unknown}” is no position.`);
      if (!(cautionClasses as readonly string[]).includes(caution)) throw new Error(`“${line}”: “${caution}” is no caution class.`);
      return {
        ...{ id: idOf(name), name, aliases: listed(aliases), kind, parents: listed(parents) as PositionCode[] },
        ...{ attire: attire === 'jacket' ? 'jacket' : 'either', caution: caution as CautionClass },
        loads: {
          doer: loadsIn(doer, line),
          partner: partner === '' ? cautionAsks(caution as CautionClass) : loadsIn(partner, line),
        },
        ...{ usual: usualIn(usual, line), under: under === '' ? null : idOf(under) },
      };
    });
}
