export { fixesForLevel, mostFixes } from './fixesForLevel.ts';
