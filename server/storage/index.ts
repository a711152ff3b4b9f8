export * from './keys.ts';
export { openStorage } from './openStorage.ts';
export { s3Storage } from './s3Storage.ts';
export { NotStored, type FootageStorage, type LocalFile } from './storage.ts';
