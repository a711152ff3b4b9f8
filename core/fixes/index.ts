export { carriedShare, chainCosts, linkFaults, type Link } from './chainCosts.ts';
export { fixesForLevel, mostFixes } from './fixesForLevel.ts';
export { rankFixes, type RankedFix, type RankInput, type RankNote, type RankPrinciple } from './rankFixes.ts';
export { rankParts, schoolNamed, schoolNames, schools, type RankPart, type RankParts, type School, type SchoolName } from './schools.ts';
