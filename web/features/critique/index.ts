export { CritiquePage } from './read/CritiquePage.tsx';
export { OpenQuestions } from './OpenQuestions.tsx';
export { ShortLinkPage } from './read/ShortLinkPage.tsx';
export { SharedPage } from './read/SharedPage.tsx';
