/** A fresh UUID. */
export const newId = (): string => crypto.randomUUID();
