export { useListClipsQuery } from './api.ts';
export { BookWays, ClipCare, PrincipleCare } from './BookCare.tsx';
export { ClipShelf } from './ClipShelf.tsx';
export { useGetBookQuery } from './entriesApi.ts';
export { clipPoster } from './api.ts';
