export { finishLeftUploads } from './arriving.ts';
