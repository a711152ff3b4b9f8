export { finishLeftUploads, finishUpload } from './arriving.ts';
