export { CalendarLink } from './CalendarLink.tsx';
