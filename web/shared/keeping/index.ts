export { bothKept, Keeper, type KeeperOf, type Keeping, type Saving } from './keeper.ts';
export { lastOwner, rememberOwner } from './lastOwner.ts';
export { savingWords } from './savingWords.ts';
export { browserShelf } from './shelf.ts';
export { ShelvedThing } from './shelvedThing.ts';
export { useKept } from './useKept.ts';
