export { FormEnd } from './FormEnd.tsx';
