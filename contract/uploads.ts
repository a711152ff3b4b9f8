import { z } from 'zod';
import { operation } from './operation.ts';

const upload = { room: 'uploads', access: ['client', 'guardian'], stream: 'application/offset+octet-stream' } as const;
const uploadParams = z.object({ uploadId: z.string().regex(/^[a-f0-9]{32}$/) });

export const beginUpload = operation({
  ...upload,
  name: 'beginUpload',
  method: 'post',
  path: '/api/uploads',
  summary: 'tus 1.0: announce a file. Metadata names the footage that the request was answered with.',
});
export const continueUpload = operation({
  ...upload,
  name: 'continueUpload',
  method: 'patch',
  path: '/api/uploads/:uploadId',
  summary: 'tus 1.0: bytes from an offset on.',
  params: uploadParams,
});
export const askUploadOffset = operation({
  ...upload,
  name: 'askUploadOffset',
  method: 'head',
  path: '/api/uploads/:uploadId',
  summary: 'tus 1.0: how many bytes have arrived.',
  params: uploadParams,
});
export const askUploadAbilities = operation({
  ...upload,
  name: 'askUploadAbilities',
  method: 'options',
  path: '/api/uploads',
  summary: 'tus 1.0: what the server can do.',
});
