import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  DeleteObjectsCommand,
  GetObjectCommand,
  HeadObjectCommand,
  ListObjectsV2Command,
  PutObjectCommand,
  S3Client,
  S3ServiceException,
} from '@aws-sdk/client-s3';
import { S3Store } from '@tus/s3-store';
import type { S3Settings } from '../config/config.ts';
import { forgetUpload } from './forgetUpload.ts';
import { NotStored, type FootageStorage } from './storage.ts';

/** Size of one part of a multi-part upload, in bytes. */
const partSize = 8 * 1024 * 1024;

const isMissing = (error: unknown): boolean => error instanceof S3ServiceException && error.$metadata.httpStatusCode === 404;

/** Objects in a bucket of an S3-compatible store. A finished upload stays where it grew: nothing is copied. */
export function s3Storage(settings: S3Settings, keepUploadsMs: number): FootageStorage {
  const { bucket: Bucket, accessKeyId, secretAccessKey, ...where } = settings;
  const clientConfig = {
    ...where,
    credentials: { accessKeyId, secretAccessKey },
    forcePathStyle: true,
    // Stores other than the first do not all know the newer checksums.
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  } as const;
  const client = new S3Client(clientConfig);
  const get = async (Key: string, Range?: string): Promise<Readable> => {
    try {
      const { Body } = await client.send(new GetObjectCommand({ Bucket, Key, ...(Range && { Range }) }));
      return Body as Readable;
    } catch (error) {
      throw isMissing(error) ? new NotStored(Key) : error;
    }
  };
  const put = (Key: string, Body: Readable | Buffer | string, ContentLength: number) =>
    client.send(new PutObjectCommand({ Bucket, Key, Body, ContentLength }));
  const removeKeys = (...keys: string[]) =>
    client.send(new DeleteObjectsCommand({ Bucket, Delete: { Objects: keys.map((Key) => ({ Key })), Quiet: true } }));
  const uploads = new S3Store({
    partSize,
    expirationPeriodInMilliseconds: keepUploadsMs,
    useTags: false,
    s3ClientConfig: { ...clientConfig, bucket: Bucket },
  });
  return {
    uploads,
    async adoptUpload(uploadId) {
      await removeKeys(`${uploadId}.info`);
      return uploadId;
    },
    adoptedKey: (uploadId) => uploadId,
    async removeUpload(uploadId) {
      await forgetUpload(uploads, uploadId);
      // What came after the last whole part lies beside it.
      await removeKeys(`${uploadId}.part`);
    },
    async putFile(key, path) {
      await put(key, createReadStream(path), (await stat(path)).size);
      await rm(path);
    },
    async putBytes(key, bytes) {
      await put(key, bytes, Buffer.byteLength(bytes));
    },
    async read(key) {
      return Buffer.concat(await (await get(key)).toArray());
    },
    async size(key) {
      try {
        return (await client.send(new HeadObjectCommand({ Bucket, Key: key }))).ContentLength ?? 0;
      } catch (error) {
        if (isMissing(error)) return null;
        throw error;
      }
    },
    open: (key, from, to) => get(key, `bytes=${from}-${to}`),
    async local(key) {
      const body = await get(key);
      const folder = await mkdtemp(join(tmpdir(), 'lean-object-'));
      const path = join(folder, randomUUID());
      const release = (): Promise<void> => rm(folder, { recursive: true, force: true });
      try {
        await pipeline(body, createWriteStream(path));
      } catch (error) {
        await release();
        throw error;
      }
      return { path, release };
    },
    async remove(key) {
      if (!key.endsWith('/')) {
        await removeKeys(key);
        return;
      }
      for (;;) {
        const { Contents = [] } = await client.send(new ListObjectsV2Command({ Bucket, Prefix: key, MaxKeys: 500 }));
        if (Contents.length === 0) return;
        await removeKeys(...Contents.map(({ Key }) => Key!));
      }
    },
  };
}
