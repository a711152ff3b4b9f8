export { BoutsPage } from './BoutsPage.tsx';
