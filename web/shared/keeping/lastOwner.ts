/** Who was signed in here last: without a network nobody else's things are shown. */
const ownerKey = 'lean.kept.owner';
export const rememberOwner = (accountId: string): void => localStorage.setItem(ownerKey, accountId);
export const lastOwner = (): string | null => localStorage.getItem(ownerKey);
