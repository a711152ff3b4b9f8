import { boutFields, type BoutFile, type OwnRuleSheet } from '@lean-mentor/contract';
import { presetWords, type TimedBout } from '@lean-mentor/core/scoring';
import { faultWords } from '../../../shared/wire/index.ts';
import { useEditBoutsMutation } from '../../footage/index.ts';
import { useGetPositionWorthQuery } from '../../scoring/index.ts';
import { useScene } from '../DeskScene.ts';
import { useScored, type BoutScored, type SheetChoice } from './useScore.ts';

/**
 * Takes over what a bout file says beside its coding: rules, length, what a finish does, and who met. Answers what could not be taken over,
 * in words; empty where all was.
 */
export function useBroughtBout(bout: BoutScored): (read: { file: BoutFile; bout: TimedBout }) => Promise<string> {
  const { adopt, choose, own } = useScored();
  const { footage } = useScene();
  const { data: worth } = useGetPositionWorthQuery();
  const [editBouts] = useEditBoutsMutation();
  const { here, timed, choice } = bout;
  return async ({ file, bout: brought }) => {
    const left: string[] = [];
    const rules = rulesOf(file, own);
    if (rules) choose(here.bout.id, rules);
    else left.push('Its rules are none of yours, so the bout keeps its own.');
    // One bout seen by other values than the rest could be compared with none of them.
    if (file.valuePreset && worth && file.valuePreset !== worth.preset)
      left.push(`It was told by “${presetWords[file.valuePreset]}”; here it is seen by what positions are worth in this practice.`);
    const { clientWords, partnerWords } = here.bout;
    const fields = {
      ...(rules ?? choice),
      lengthSeconds: brought.clockSeconds == null ? here.bout.lengthSeconds : Math.min(3600, Math.max(10, brought.clockSeconds)),
      afterFinish: brought.afterFinish === timed.afterFinish ? here.bout.afterFinish : (brought.afterFinish ?? null),
      clientWords: clientWords || (file.client.name ?? '').slice(0, 120),
      partnerWords: partnerWords || (file.partner.name ?? '').slice(0, 120),
    };
    const edit = { id: here.bout.id, base: here.bout.version, splitFrom: null, after: { ...boutFields.parse(here.bout), ...fields } };
    const { error } = await editBouts({ footageId: footage.id, edits: [edit] });
    if (error) left.push(faultWords(error));
    else adopt(here.bout.id, fields);
    return left.length > 0 ? ` ${left.join(' ')}` : '';
  };
}

/** The sheet a file names, or the coach's own of the same name as one that is written out; null where there is none. */
function rulesOf({ ruleSheet }: BoutFile, own: readonly OwnRuleSheet[]): SheetChoice | null {
  if (typeof ruleSheet === 'string') return { ruleSheet, sheetId: null };
  const sheet = own.find((one) => !one.retired && one.sheet.name === ruleSheet.name);
  return sheet ? { ruleSheet: null, sheetId: sheet.id } : null;
}
