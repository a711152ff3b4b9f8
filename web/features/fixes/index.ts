export { LadderPage } from './LadderPage.tsx';
