export { Fetched } from './Fetched.tsx';
