import { NavLink, Outlet } from 'react-router';
import { useAccount, useSignOutMutation } from '../features/access/index.ts';
import { useLeftovers } from '../features/desk/index.ts';
import { useFootageWatch } from '../features/footage/index.ts';
import { MessageLine, Wordmark } from '../shared/primitives/index.ts';

const rooms = [
  { to: '/today', words: 'Today' },
  { to: '/clients', words: 'Clients' },
  { to: '/week', words: 'Week' },
  { to: '/practice', words: 'Practice' },
  { to: '/book', words: 'Book' },
  { to: '/rule-sheets', words: 'Rule sheets' },
  { to: '/letters', words: 'Letters' },
];

/** The coach's face: one line above, the page below. */
export function CoachShell() {
  const account = useAccount();
  const [signOut] = useSignOutMutation();
  useFootageWatch();
  useLeftovers();
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1280px] flex-col px-8 print:block print:min-h-0">
      <header className="not-printed flex h-14 items-center gap-8 border-b border-seam">
        <Wordmark />
        <nav aria-label="Rooms" className="flex gap-6">
          {rooms.map(({ to, words }) => (
            <NavLink
              key={to}
              to={to}
              className="flex h-14 items-center border-b-2 border-transparent font-semibold text-reed hover:text-ink aria-[current=page]:border-pine aria-[current=page]:text-ink"
            >
              {words}
            </NavLink>
          ))}
        </nav>
        <MessageLine className="grow justify-end" />
        <NavLink to="/account" className="shrink-0 text-reed hover:text-ink hover:underline">
          {account?.name}
        </NavLink>
        <button className="linked shrink-0" onClick={() => void signOut()}>
          Sign out
        </button>
      </header>
      <Outlet />
    </div>
  );
}
