export { SendFootagePage } from './SendFootagePage.tsx';
export { UploadLine } from './UploadLine.tsx';
export { uploadsSlice } from './uploadsSlice.ts';
