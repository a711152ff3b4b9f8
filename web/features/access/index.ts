export { useAccount, useGetSessionQuery, useSignOutMutation } from './api.ts';
export { SignInPage } from './SignInPage.tsx';
