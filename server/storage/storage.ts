import type { Readable } from 'node:stream';
import type { DataStore } from '@tus/server';

/** Thrown for a key under which nothing is kept. */
export class NotStored extends Error {
  constructor(key: string) {
    super(`Nothing is kept under ${key}.`);
  }
}

/** A file on this machine that tools can read by its path, until it is released. */
export interface LocalFile {
  path: string;
  release: () => Promise<void>;
}

/**
 * Where the bytes of footage are kept: objects under keys such as `footage/<id>/review.mp4` (see keys.ts). Written whole or
 * not at all. Local disk is the default; any S3-compatible store serves several machines.
 */
export interface FootageStorage {
  /** Where unfinished uploads grow (tus). */
  readonly uploads: DataStore;
  /** Takes over a finished upload as a footage's original; answers the key under which it is from now on. Done twice it is done once. */
  adoptUpload(uploadId: string, footageId: string): Promise<string>;
  /** The key under which a finished upload is once it was taken over. */
  adoptedKey(uploadId: string, footageId: string): string;
  /** Removes an unfinished upload; what is not there is no fault. */
  removeUpload(uploadId: string): Promise<void>;
  /** Takes over a local file, which is gone afterwards. */
  putFile(key: string, path: string): Promise<void>;
  putBytes(key: string, bytes: Buffer | string): Promise<void>;
  /** Rejects with NotStored. */
  read(key: string): Promise<Buffer>;
  /** Size in bytes, or null where nothing is kept. */
  size(key: string): Promise<number | null>;
  /** Bytes `from` to `to`, both inclusive, as a stream. Rejects with NotStored. */
  open(key: string, from: number, to: number): Promise<Readable>;
  /** The object as a local file. Rejects with NotStored. */
  local(key: string): Promise<LocalFile>;
  /** Removes an object, or everything under a key that ends in "/"; what is not there is no fault. */
  remove(keyOrPrefix: string): Promise<void>;
}
