export { useAccount, useGetSessionQuery, useSignOutMutation } from './api.ts';
export { AgreeAsGuardian } from './AgreeAsGuardian.tsx';
export { SignInPage } from './SignInPage.tsx';
