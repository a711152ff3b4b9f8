export { ClientLimits } from './ClientLimits.tsx';
