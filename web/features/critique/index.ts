export { CritiquePage } from './read/CritiquePage.tsx';
export { RightMoments } from './read/RightMoments.tsx';
export { OpenQuestions } from './OpenQuestions.tsx';
export { ShortLinkPage } from './read/ShortLinkPage.tsx';
export { SharedPage } from './read/SharedPage.tsx';
