import { describe, expect, it } from 'vitest';
import { broaderOf, techniques } from '../techniques/index.ts';
import { legalityOf } from './legality.ts';
import { ruleSheets, type RuleSheet, type RuleSheetName } from './ruleSheet.ts';

/** technique by some name | sheet | age (– not known) | level (– not known) | verdict */
const cases = `
heel hook | points-jacket | 30 | 5 | forbidden
twisting leg lock, inside | points-jacket | 30 | 5 | forbidden
inverted heel hook | points-no-jacket | 30 | 5 | forbidden
outside heel hook | late-points-no-jacket | 30 | 5 | allowed
outside heel hook | late-points-no-jacket | 17 | 5 | forbidden
outside heel hook | late-points-no-jacket | – | 5 | unknown
z lock | points-jacket | 30 | 5 | forbidden
z lock | late-points-no-jacket | 30 | 2 | allowed
knee reap | points-jacket | 40 | 5 | forbidden
reap | late-points-no-jacket | 30 | 3 | allowed
game over | late-points-no-jacket | 16 | 3 | forbidden
armbar | points-jacket | 30 | 1 | allowed
juji gatame | points-jacket | 9 | 1 | allowed
armlock from guard | points-no-jacket | 15 | 1 | allowed
spinning armbar | open-mat | – | – | allowed
kimura | points-jacket | 30 | 1 | allowed
double wrist lock | points-jacket | 12 | 1 | allowed
bent arm lock | finish-only | 30 | 1 | allowed
key lock | points-jacket | 30 | 1 | allowed
omoplata | points-jacket | 30 | 1 | allowed
wrist lock | points-jacket | 30 | 1 | forbidden
wrist lock | points-jacket | 30 | 2 | allowed
wrist lock | points-jacket | 15 | 4 | forbidden
wrist lock | points-jacket | 16 | 4 | allowed
wrist lock | points-jacket | 30 | – | unknown
straight ankle lock | points-jacket | 30 | 1 | allowed
ankle lock | points-jacket | 15 | 5 | forbidden
achilles lock | points-no-jacket | 16 | 1 | allowed
belly-down ankle lock | points-jacket | 15 | 3 | forbidden
belly-down ankle lock | points-jacket | 22 | 3 | allowed
straight foot lock | points-jacket | – | 3 | unknown
knee bar | points-jacket | 30 | 3 | forbidden
leg bar | points-jacket | 30 | 4 | allowed
knee bar | points-no-jacket | 15 | 5 | forbidden
toe hold | points-jacket | 30 | 3 | forbidden
figure-four foot lock | points-jacket | 30 | 4 | allowed
toe hold | points-jacket | 15 | 4 | forbidden
calf slicer | points-jacket | 30 | 3 | forbidden
calf slicer | points-jacket | 30 | 4 | allowed
biceps slicer | points-no-jacket | 30 | 2 | forbidden
slicers | points-jacket | 15 | 5 | forbidden
leg lock | points-jacket | 15 | 5 | unknown
leg lock | points-jacket | 30 | 5 | allowed
groin stretch | points-jacket | 15 | 5 | unknown
banana split | points-jacket | 30 | 2 | allowed
electric chair | points-jacket | – | 2 | unknown
neck crank | points-jacket | 30 | 5 | forbidden
can opener | points-jacket | 30 | 5 | forbidden
twister | points-no-jacket | 30 | 5 | forbidden
face crank | late-points-no-jacket | 45 | 5 | forbidden
japanese necktie | open-mat | 30 | 5 | forbidden
scarf hold choke | points-jacket | 12 | 2 | unknown
headlock choke | points-jacket | 30 | 2 | allowed
guillotine | points-jacket | 12 | 1 | forbidden
guillotine | points-jacket | 13 | 1 | allowed
arm-in guillotine | points-jacket | 12 | 1 | forbidden
high-elbow guillotine | points-no-jacket | 30 | 1 | allowed
ten-finger guillotine | points-jacket | – | 1 | unknown
rear naked choke | points-jacket | 30 | 1 | allowed
rnc | points-no-jacket | 10 | 1 | allowed
triangle | points-jacket | – | – | allowed
mounted triangle | points-jacket | 30 | 1 | allowed
arm triangle | points-jacket | 30 | 1 | allowed
kata gatame | points-no-jacket | 30 | 1 | allowed
darce | points-jacket | 12 | 1 | unknown
darce | points-jacket | 30 | 1 | allowed
anaconda | points-no-jacket | 14 | 1 | allowed
peruvian necktie | points-no-jacket | 14 | 1 | unknown
von flue choke | points-jacket | 30 | 1 | allowed
north-south choke | points-jacket | 30 | 1 | allowed
buggy choke | points-no-jacket | 30 | 1 | allowed
gogoplata | points-jacket | 15 | 3 | unknown
smother | points-jacket | 15 | 3 | unknown
smother | points-jacket | 30 | 3 | allowed
cross collar choke | points-jacket | 30 | 1 | allowed
cross collar choke | points-no-jacket | 30 | 5 | forbidden
bow and arrow choke | late-points-no-jacket | 30 | 5 | forbidden
clock choke | points-jacket | 14 | 2 | allowed
ezekiel | points-no-jacket | 30 | 2 | forbidden
ezekiel | points-jacket | 30 | 2 | allowed
ezekiel | points-jacket | 12 | 2 | unknown
spider guard | points-no-jacket | 30 | 2 | forbidden
spider guard | points-jacket | 30 | 2 | allowed
lasso | points-jacket | 12 | 1 | allowed
de la riva | points-no-jacket | 30 | 2 | allowed
worm guard | points-no-jacket | 30 | 4 | forbidden
inverted guard | points-jacket | 14 | 1 | allowed
slam | open-mat | 30 | 5 | forbidden
lifted and thrown down from a hold | points-jacket | 30 | 5 | forbidden
scissor takedown | points-no-jacket | 30 | 5 | forbidden
flying scissors | open-mat | 25 | 5 | forbidden
jumping guard | points-jacket | 30 | 1 | forbidden
jumping to closed guard | points-jacket | 30 | 2 | allowed
jumping guard | points-jacket | 15 | 2 | forbidden
guard pull | points-jacket | 12 | 1 | allowed
suplex | points-jacket | 30 | 2 | unknown
back arch throw | points-jacket | 30 | 3 | allowed
back arch throw | points-jacket | 15 | 5 | unknown
valley drop | points-jacket | 15 | 3 | unknown
flying attack | points-jacket | 30 | 2 | unknown
imanari roll | points-no-jacket | 30 | 3 | unknown
imanari roll | points-no-jacket | 30 | 4 | allowed
double leg | points-jacket | 10 | 1 | allowed
knee slice | points-jacket | – | – | allowed
berimbolo | points-jacket | 14 | 1 | allowed
something nobody knows | points-jacket | 30 | 5 | unknown
`;

describe('legality by any name', () => {
  it.each(
    cases
      .trim()
      .split('\n')
      .map((line) => line.split('|').map((cell) => cell.trim()) as [string, RuleSheetName, string, string, string]),
  )('%s, %s, at %s years, level %s: %s', (technique, sheet, age, level, verdict) => {
    const known = (cell: string): number | null => (cell === '–' ? null : Number(cell));
    expect(legalityOf(ruleSheets[sheet], technique, { age: known(age), level: known(level) }).verdict).toBe(verdict);
  });

  const own = (restrictions: RuleSheet['restrictions']): RuleSheet => ({ ...ruleSheets['open-mat'], name: 'Ours', restrictions });

  it('reads what a sheet forbids by a class, for everything of that class and nothing else', () => {
    const sheet = own([{ technique: 'Knee and heel', underAge: 18 }]);
    for (const one of techniques)
      if (one.usual === null && broaderOf(one).every(({ usual }) => usual === null))
        expect(legalityOf(sheet, one.name, { age: 15, level: 5 }).verdict, one.name).toBe(
          one.caution === 'knee-and-heel' ? 'forbidden' : 'allowed',
        );
  });

  it('gives every name of an entry the same answer', () => {
    for (const one of techniques)
      for (const alias of one.aliases) {
        const who = { age: 14, level: 2 };
        expect(legalityOf(ruleSheets['points-jacket'], alias, who)).toEqual(legalityOf(ruleSheets['points-jacket'], one.name, who));
      }
  });

  it('goes by the sheet before what is usual, and says which of the two it is', () => {
    const who = { age: 30, level: 3 };
    expect(legalityOf(own([]), 'toe hold', who).words).toContain(
      '“Ours” says nothing about toe hold, which is usually forbidden below the fourth level.',
    );
    expect(legalityOf(own([{ technique: 'leg lock', belowLevel: 2 }]), 'toe hold', who).verdict).toBe('allowed');
    expect(legalityOf(own([{ technique: 'own invention' }]), 'Own Invention', who).verdict).toBe('forbidden');
  });
});
