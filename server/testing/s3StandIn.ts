import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { S3Settings } from '../config/config.ts';

/** A small S3-compatible store on loopback, in memory: as much of the protocol as the official client and tus use. */
export interface S3StandIn {
  settings: S3Settings;
  objects: Map<string, Buffer>;
  /** Multi-part uploads that were neither completed nor given up. */
  openUploads: () => number;
  close: () => Promise<void>;
}

const bucket = 'footage';
type Parts = Map<number, Buffer>;

const xml = (res: ServerResponse, body: string, status = 200): void => {
  res.writeHead(status, { 'Content-Type': 'application/xml' }).end(`<?xml version="1.0" encoding="UTF-8"?>${body}`);
};
const missing = (res: ServerResponse, code: string): void =>
  xml(res, `<Error><Code>${code}</Code><Message>It is not there.</Message></Error>`, 404);
const etag = (bytes: Buffer): string => `"${bytes.length.toString(16)}-${bytes.subarray(0, 8).toString('hex')}"`;
const read = async (req: IncomingMessage): Promise<Buffer> => {
  const chunks: Buffer[] = [];
  for await (const chunk of req) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
};

/** One object, or the range of it that is asked for. */
function sendObject(req: IncomingMessage, res: ServerResponse, object: Buffer, words: Record<string, string> = {}): void {
  const range = /^bytes=(\d+)-(\d*)$/.exec(req.headers.range ?? '');
  const [from, to] = range
    ? [Number(range[1]), range[2] ? Math.min(Number(range[2]), object.length - 1) : object.length - 1]
    : [0, object.length - 1];
  const body = object.subarray(from, to + 1);
  res.writeHead(range ? 206 : 200, {
    ...words,
    ETag: etag(object),
    'Content-Length': body.length,
    ...(range && { 'Content-Range': `bytes ${from}-${to}/${object.length}` }),
  });
  res.end(req.method === 'HEAD' ? undefined : body);
}

export async function openS3StandIn(): Promise<S3StandIn> {
  const objects = new Map<string, Buffer>();
  /** What was said of an object beside its bytes. */
  const words = new Map<string, Record<string, string>>();
  const uploads = new Map<string, Parts>();

  /** What is asked of the bucket itself: a list, or the removal of several. */
  const ofBucket = async (req: IncomingMessage, res: ServerResponse, query: URLSearchParams): Promise<void> => {
    if (req.method === 'POST' && query.has('delete')) {
      const keys = [...(await read(req)).toString().matchAll(/<Key>(.*?)<\/Key>/g)].map((m) => m[1]!);
      for (const key of keys) objects.delete(key);
      return xml(res, '<DeleteResult/>');
    }
    const keys = [...objects.keys()].filter((key) => key.startsWith(query.get('prefix') ?? '')).sort();
    const some = keys.slice(0, Number(query.get('max-keys') ?? 1000));
    const contents = some.map((key) => `<Contents><Key>${key}</Key><Size>${objects.get(key)!.length}</Size></Contents>`).join('');
    xml(
      res,
      `<ListBucketResult><KeyCount>${some.length}</KeyCount><IsTruncated>${keys.length > some.length}</IsTruncated>${contents}</ListBucketResult>`,
    );
  };

  const ofUpload = async (req: IncomingMessage, res: ServerResponse, key: string, id: string, query: URLSearchParams): Promise<void> => {
    const parts = uploads.get(id);
    if (!parts) return missing(res, 'NoSuchUpload');
    if (req.method === 'PUT') {
      const bytes = await read(req);
      parts.set(Number(query.get('partNumber')), bytes);
      res.writeHead(200, { ETag: etag(bytes) }).end();
    } else if (req.method === 'GET') {
      const list = [...parts]
        .sort(([a], [b]) => a - b)
        .map(([n, bytes]) => `<Part><PartNumber>${n}</PartNumber><ETag>${etag(bytes)}</ETag><Size>${bytes.length}</Size></Part>`);
      xml(res, `<ListPartsResult><IsTruncated>false</IsTruncated>${list.join('')}</ListPartsResult>`);
    } else if (req.method === 'POST') {
      await read(req);
      objects.set(key, Buffer.concat([...parts].sort(([a], [b]) => a - b).map(([, bytes]) => bytes)));
      uploads.delete(id);
      xml(res, `<CompleteMultipartUploadResult><Key>${key}</Key></CompleteMultipartUploadResult>`);
    } else {
      uploads.delete(id);
      res.writeHead(204).end();
    }
  };

  const ofObject = async (req: IncomingMessage, res: ServerResponse, key: string): Promise<void> => {
    const object = objects.get(key);
    if (req.method === 'PUT') {
      const bytes = await read(req);
      objects.set(key, bytes);
      words.set(
        key,
        Object.fromEntries(Object.entries(req.headers).filter(([name]) => name.startsWith('x-amz-meta-'))) as Record<string, string>,
      );
      res.writeHead(200, { ETag: etag(bytes) }).end();
    } else if (req.method === 'DELETE') {
      objects.delete(key);
      res.writeHead(204).end();
    } else if (object) sendObject(req, res, object, words.get(key));
    else if (req.method === 'HEAD') res.writeHead(404).end();
    else missing(res, 'NoSuchKey');
  };

  const answer = async (req: IncomingMessage, res: ServerResponse): Promise<void> => {
    const { pathname, searchParams } = new URL(req.url!, 'http://store');
    const [, of, ...rest] = decodeURIComponent(pathname).split('/');
    const key = rest.join('/');
    if (of !== bucket) return missing(res, 'NoSuchBucket');
    if (key === '') return ofBucket(req, res, searchParams);
    if (req.method === 'POST' && searchParams.has('uploads')) {
      const id = randomUUID();
      uploads.set(id, new Map());
      return xml(res, `<InitiateMultipartUploadResult><Key>${key}</Key><UploadId>${id}</UploadId></InitiateMultipartUploadResult>`);
    }
    const id = searchParams.get('uploadId');
    return id ? ofUpload(req, res, key, id, searchParams) : ofObject(req, res, key);
  };

  const server = createServer((req, res) => void answer(req, res).catch(() => res.destroy()));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    settings: { endpoint: `http://127.0.0.1:${port}`, region: 'local', bucket, accessKeyId: 'key', secretAccessKey: 'secret' },
    objects,
    openUploads: () => uploads.size,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
