export { ClientLimits } from './ClientLimits.tsx';
export { RequestLimits } from './RequestLimits.tsx';
