export { CritiquePage } from './CritiquePage.tsx';
export { WrapUpPage } from './WrapUpPage.tsx';
