import { createBrowserRouter, Navigate } from 'react-router';
import { useAccount } from '../features/access/index.ts';
import { critiqueApi } from '../features/critique/api.ts';
import { deskApi } from '../features/desk/index.ts';
import { DeskTimeWatch } from '../features/deskTime/index.tsx';
import { ClientShell } from './ClientShell.tsx';
import { CoachShell } from './CoachShell.tsx';
import { MissingPage, PageFault } from './PageFault.tsx';
import { SignedIn } from './SignedIn.tsx';
import type { Store } from './store.ts';

/** A critique has one address for everyone; the shell around it is the reader's. */
function SharedShell() {
  const account = useAccount();
  return account?.role === 'coach' || account?.role === 'assistant' ? <CoachShell /> : <ClientShell />;
}

const Home = () => {
  const account = useAccount();
  return <Navigate replace to={account?.role === 'coach' || account?.role === 'assistant' ? '/today' : '/mine'} />;
};

/** All addresses. What a page needs first is fetched while its code is. */
export const makeRouter = (store: Store) =>
  createBrowserRouter([
    // For somebody without a sign-in.
    {
      path: '/shared/:token',
      errorElement: <PageFault />,
      hydrateFallbackElement: <div role="status" aria-label="Loading" />,
      lazy: async () => ({ Component: (await import('../features/critique/index.ts')).SharedPage }),
    },
    // Before somebody is in.
    ...[
      { path: '/join/:token', page: async () => (await import('../features/joining/JoinPage.tsx')).JoinPage },
      { path: '/forgotten', page: async () => (await import('../features/joining/ForgottenPage.tsx')).ForgottenPage },
      {
        path: '/stop-letters/:accountId/:signature',
        page: async () => (await import('../features/joining/StopLettersPage.tsx')).StopLettersPage,
      },
      { path: '/forgotten/:token', page: async () => (await import('../features/joining/ForgottenPage.tsx')).NewPasswordPage },
    ].map(({ path, page }) => ({
      path,
      errorElement: <PageFault />,
      hydrateFallbackElement: <div role="status" aria-label="Loading" />,
      lazy: async () => ({ Component: await page() }),
    })),
    // Opens without a network too.
    {
      path: '/kept',
      errorElement: <PageFault />,
      hydrateFallbackElement: <div role="status" aria-label="Loading" />,
      lazy: async () => ({ Component: (await import('../features/kept/KeptPage.tsx')).KeptPage }),
    },
    // On the mat there may be no signal.
    {
      element: <SignedIn as={['client', 'guardian']} orKept />,
      errorElement: <PageFault />,
      hydrateFallbackElement: <div role="status" aria-label="Loading" />,
      children: [
        {
          element: <ClientShell />,
          children: [
            { path: '/work', lazy: async () => ({ Component: (await import('../features/work/MyWorkPage.tsx')).MyWorkPage }) },
            {
              path: '/work/:clientId/:workId',
              lazy: async () => ({ Component: (await import('../features/work/DoWorkPage.tsx')).DoWorkPage }),
            },
            {
              path: '/training/:clientId',
              lazy: async () => ({ Component: (await import('../features/work/TrainingPage.tsx')).TrainingPage }),
            },
          ],
        },
      ],
    },
    {
      element: <SignedIn />,
      errorElement: <PageFault />,
      hydrateFallbackElement: <div role="status" aria-label="Loading" />,
      children: [
        { path: '/', element: <Home /> },
        {
          element: (
            <>
              <DeskTimeWatch />
              <SignedIn as={['coach', 'assistant']} />
            </>
          ),
          children: [
            {
              element: <CoachShell />,
              children: [
                { path: '/today', lazy: async () => ({ Component: (await import('../features/queue/index.ts')).TodayPage }) },
                { path: '/clients', lazy: async () => ({ Component: (await import('../features/clients/index.ts')).ClientsPage }) },
                {
                  path: '/clients/:clientId',
                  lazy: async () => ({ Component: (await import('../features/clients/index.ts')).ClientPage }),
                },
                {
                  path: '/clients/:clientId/work',
                  lazy: async () => ({ Component: (await import('../features/work/ClientWorkPage.tsx')).ClientWorkPage }),
                },
                ...['give', ':workId'].map((end) => ({
                  path: `/clients/:clientId/work/${end}`,
                  lazy: async () => ({ Component: (await import('../features/work/GiveWorkPage.tsx')).GiveWorkPage }),
                })),
                {
                  path: '/clients/:clientId/compare',
                  lazy: async () => ({ Component: (await import('../features/followup/ComparePage.tsx')).ComparePage }),
                },
                { path: '/week', lazy: async () => ({ Component: (await import('../features/work/WeekPage.tsx')).WeekPage }) },
                {
                  path: '/practice',
                  lazy: async () => ({ Component: (await import('../features/practice/PracticePage.tsx')).PracticePage }),
                  children: [
                    { index: true, element: <Navigate replace to="hours" /> },
                    { path: 'hours', lazy: async () => ({ Component: (await import('../features/practice/HoursPart.tsx')).HoursPart }) },
                    { path: 'plans', lazy: async () => ({ Component: (await import('../features/practice/PlansPart.tsx')).PlansPart }) },
                    { path: 'money', lazy: async () => ({ Component: (await import('../features/money/MoneyPart.tsx')).MoneyPart }) },
                    {
                      path: 'kept',
                      lazy: async () => ({ Component: (await import('../features/rights/RetentionPart.tsx')).RetentionPart }),
                    },
                    {
                      path: 'promises',
                      lazy: async () => ({ Component: (await import('../features/practice/PromisesPart.tsx')).PromisesPart }),
                    },
                    {
                      path: 'workload',
                      lazy: async () => ({ Component: (await import('../features/practice/WorkloadPart.tsx')).WorkloadPart }),
                    },
                  ],
                },
                { path: '/book', lazy: async () => ({ Component: (await import('../features/book/BookPage.tsx')).BookPage }) },
                {
                  path: '/rule-sheets',
                  lazy: async () => ({ Component: (await import('../features/scoring/rules/RuleSheetsPage.tsx')).RuleSheetsPage }),
                },
                {
                  path: '/letters',
                  lazy: async () => ({ Component: (await import('../features/letters/LettersShell.tsx')).LettersShell }),
                  children: [
                    { index: true, lazy: async () => ({ Component: (await import('../features/letters/LettersPage.tsx')).LettersPage }) },
                    { path: 'words', lazy: async () => ({ Component: (await import('../features/letters/LetterWords.tsx')).LetterWords }) },
                  ],
                },
                {
                  path: '/requests/:requestId/wrap-up',
                  lazy: async () => ({ Component: (await import('../features/fixes/index.ts')).LadderPage }),
                },
                {
                  path: '/requests/:requestId/takes/:takeId',
                  lazy: async () => ({ Component: (await import('../features/desk/take/TakePage.tsx')).TakePage }),
                },
                {
                  element: <SignedIn as={['coach']} />,
                  children: [
                    { path: '/people', lazy: async () => ({ Component: (await import('../features/joining/PeoplePage.tsx')).PeoplePage }) },
                  ],
                },
                // The editor is large and loads by itself.
                {
                  path: '/requests/:requestId/critique',
                  lazy: async () => ({
                    Component: (await import('../features/critique/editor/CritiqueEditorPage.tsx')).CritiqueEditorPage,
                  }),
                },
              ],
            },
            // The desk brings the drawing canvas with it and takes the whole window.
            {
              path: '/requests/:requestId/desk',
              loader: ({ params }) => {
                void store.dispatch(
                  deskApi.endpoints.openDesk.initiate(params['requestId'] ?? '', { forceRefetch: true, subscribe: false }),
                );
                return null;
              },
              // Another video of the same request is on the same desk.
              shouldRevalidate: ({ currentParams, nextParams }) => currentParams['requestId'] !== nextParams['requestId'],
              lazy: async () => ({ Component: (await import('../features/desk/DeskPage.tsx')).DeskPage }),
            },
          ],
        },
        {
          element: <SignedIn as={['client', 'guardian']} />,
          children: [
            {
              element: <ClientShell />,
              children: [
                { path: '/mine', lazy: async () => ({ Component: (await import('../features/clients/index.ts')).MyCritiquesPage }) },
                {
                  path: '/progress',
                  lazy: async () => ({ Component: (await import('../features/followup/MyProgressPage.tsx')).MyProgressPage }),
                },
                { path: '/plan', lazy: async () => ({ Component: (await import('../features/money/OwnPlanPage.tsx')).OwnPlanPage }) },
                {
                  path: '/own-letters',
                  lazy: async () => ({ Component: (await import('../features/letters/OwnLettersPage.tsx')).OwnLettersPage }),
                },
                {
                  path: '/pay/:paymentId',
                  lazy: async () => ({ Component: (await import('../features/money/StandInPage.tsx')).StandInPage }),
                },
                { path: '/send', lazy: async () => ({ Component: (await import('../features/requests/index.ts')).SendPage }) },
                { path: '/send/:draftId', lazy: async () => ({ Component: (await import('../features/requests/index.ts')).DraftPage }) },
                {
                  path: '/requests/:requestId',
                  lazy: async () => ({ Component: (await import('../features/requests/index.ts')).RequestPage }),
                },
              ],
            },
          ],
        },
        {
          element: <SharedShell />,
          children: [
            {
              path: '/requests/:requestId/footage',
              lazy: async () => ({ Component: (await import('../features/bouts/index.ts')).BoutsPage }),
            },
            {
              path: '/kept-of/:clientId',
              lazy: async () => ({ Component: (await import('../features/rights/RightsPage.tsx')).RightsPage }),
            },
            { path: '/account', lazy: async () => ({ Component: (await import('../features/joining/AccountPage.tsx')).AccountPage }) },
            { path: '/c/:code', lazy: async () => ({ Component: (await import('../features/critique/index.ts')).ShortLinkPage }) },
            {
              path: '/critiques/:critiqueId',
              loader: ({ params }) => {
                void store.dispatch(critiqueApi.endpoints.getCritique.initiate(params['critiqueId'] ?? '', { subscribe: false }));
                return null;
              },
              lazy: async () => ({ Component: (await import('../features/critique/index.ts')).CritiquePage }),
            },
          ],
        },
        { path: '*', element: <MissingPage /> },
      ],
    },
  ]);
