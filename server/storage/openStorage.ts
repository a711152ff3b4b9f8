import type { Config } from '../config/config.ts';
import { diskStorage } from './diskStorage.ts';
import { s3Storage } from './s3Storage.ts';
import type { FootageStorage } from './storage.ts';

/** An unfinished upload may rest this long, in ms. */
const keepUploadsMs = 14 * 24 * 3600 * 1000;

/** The storage that the configuration names: a bucket where one is set, else this machine's disk. */
export const openStorage = ({ s3, dataDir }: Config): FootageStorage =>
  s3 ? s3Storage(s3, keepUploadsMs) : diskStorage(dataDir, keepUploadsMs);
