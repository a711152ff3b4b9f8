export { useListClipsQuery } from './api.ts';
export { ClipShelf } from './ClipShelf.tsx';
