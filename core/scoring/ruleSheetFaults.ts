import { scoredActions, type RuleSheet } from './ruleSheet.ts';

/** What contradicts itself in a rule sheet, in words; empty when it can be used. Each names the field. */
export function ruleSheetFaults(sheet: RuleSheet): string[] {
  const faults: string[] = [];
  const { points, near, penalties, tie, pointsCount } = sheet;
  const gives = scoredActions.some((action) => points[action] > 0);
  if (sheet.name.trim() === '') faults.push('name: the sheet needs a name.');
  if (!(sheet.holdSeconds >= 0 && sheet.holdSeconds <= 30))
    faults.push(`holdSeconds: ${sheet.holdSeconds} s is no time to hold; 0 to 30 s.`);
  if (sheet.boutSeconds !== null && !(sheet.boutSeconds >= 10 && sheet.boutSeconds <= 3600))
    faults.push(`boutSeconds: a bout of ${sheet.boutSeconds} s; 10 s to an hour.`);
  for (const action of scoredActions) if (!(points[action] >= 0)) faults.push(`points.${action}: ${points[action]} is less than nothing.`);
  if (pointsCount !== 'never' && !gives) faults.push('points: points count, but nothing gives any. Choose “never” or give some.');
  if (pointsCount === 'never' && sheet.guardPullCosts > 0)
    faults.push('guardPullCosts: pulling guard costs points on a sheet where points never count.');
  if (!(sheet.originSeconds >= 0 && sheet.originSeconds <= 60))
    faults.push(`originSeconds: ${sheet.originSeconds} s is no way through; 0 to 60 s.`);
  for (const [where, value] of Object.entries(sheet.takedownInto ?? {}))
    if (!(value >= 0)) faults.push(`takedownInto.${where}: ${value} is less than nothing.`);
  if (sheet.guardPullCosts < 0) faults.push(`guardPullCosts: ${sheet.guardPullCosts} would pay for pulling guard.`);
  if (near.notHeld + near.close + near.turtle > 0 && pointsCount !== 'never' && sheet.decides && !tie.includes('near-points'))
    faults.push('tie: near points are given, but never compared. Put them among the tie-breaks, or give none.');
  for (const [name, value] of Object.entries(near)) if (!(value >= 0)) faults.push(`near.${name}: ${value} is less than nothing.`);
  const loss = penalties.findIndex((step) => step.loss);
  if (loss >= 0 && loss < penalties.length - 1) faults.push(`penalties[${loss + 1}]: comes after the penalty that loses the bout.`);
  penalties.forEach((step, i) => {
    if (step.loss && step.points + step.near > 0) faults.push(`penalties[${i}]: a bout that is lost gives no points besides.`);
    if (step.points < 0 || step.near < 0) faults.push(`penalties[${i}]: gives less than nothing.`);
  });
  tie.forEach((by, i) => {
    if (tie.indexOf(by) < i) faults.push(`tie[${i}]: “${by}” is compared twice.`);
  });
  if (sheet.decides && pointsCount !== 'never' && !tie.includes('points')) faults.push('tie: points are given, but never compared.');
  if (!sheet.decides && tie.length > 0) faults.push('tie: the sheet decides nothing, so nothing can be compared.');
  sheet.restrictions.forEach(({ technique, belowLevel, underAge, ageGroups }, i) => {
    if (technique.trim() === '') faults.push(`restrictions[${i}].technique: name the technique.`);
    if (belowLevel !== undefined && !(belowLevel >= 2 && belowLevel <= 5))
      faults.push(`restrictions[${i}].belowLevel: ${belowLevel} forbids it to nobody or everybody; 2 to 5.`);
    if (underAge !== undefined && !(underAge >= 1 && underAge <= 99))
      faults.push(`restrictions[${i}].underAge: ${underAge} forbids it to nobody or everybody; 1 to 99 years.`);
    if (ageGroups?.length === 0) faults.push(`restrictions[${i}].ageGroups: names no age group, so it forbids nothing.`);
    const all = sheet.restrictions.findIndex(
      (other) =>
        other.technique === technique && other.belowLevel === undefined && other.underAge === undefined && other.ageGroups === undefined,
    );
    if (all >= 0 && all !== i) faults.push(`restrictions[${i}]: “${technique}” is forbidden to everybody already.`);
  });
  return faults;
}
