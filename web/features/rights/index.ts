export { RightsLink } from './RightsLink.tsx';
