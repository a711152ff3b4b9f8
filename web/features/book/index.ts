export { useListClipsQuery } from './api.ts';
export { ClipShelf } from './ClipShelf.tsx';
export { useGetBookQuery } from './entriesApi.ts';
export { clipPoster } from './api.ts';
