import { ruleSheetNames, ruleSheetWords, type RuleSheetName } from '@lean-mentor/core/scoring';
import { useScored, type BoutScored } from './useScore.ts';
import { optionsOf, Select } from '../../../shared/primitives/index.ts';

/** By which sheet the bout is scored; another one scores it again at once. */
export function SheetChooser({ bout }: { bout: BoutScored }) {
  const { own, choose } = useScored();
  const { choice, sheet, here } = bout;
  // Of each family the newest version is offered, and the one that is in use.
  const newest = own.filter(
    ({ familyId, retired, version }) => !retired && own.every((other) => other.familyId !== familyId || other.version <= version),
  );
  const offered = [...newest, ...own.filter(({ id }) => id === choice.sheetId && !newest.some((one) => one.id === id))];
  const shipped = ruleSheetNames.find((name) => !choice.sheetId && ruleSheetWords(name) === sheet.name);
  return (
    <Select
      label="Rule sheet"
      value={choice.sheetId ?? shipped ?? ''}
      options={[
        ...optionsOf<string>(ruleSheetNames, (name) => ruleSheetWords(name as RuleSheetName)),
        ...offered.map(({ id, sheet: { name }, version }) => ({ value: id, words: `${name ?? 'Own sheet'}, version ${version}` })),
      ]}
      onChange={(value) =>
        choose(
          here.bout.id,
          own.some(({ id }) => id === value)
            ? { ruleSheet: choice.ruleSheet, sheetId: value }
            : { ruleSheet: value as RuleSheetName, sheetId: null },
        )
      }
      className="max-w-44 rounded-sm border border-seam bg-linen px-1.5 py-0.5 text-small"
    />
  );
}
