import { useEffect } from 'react';
import { NavLink, Outlet } from 'react-router';
import { toast } from 'sonner';
import { useAccount, useSignOutMutation } from '../features/access/index.ts';
import { useFootageWatch } from '../features/footage/index.ts';
import { checkKept, forgetKept, goneWords, useKeptFilms } from '../features/kept/index.ts';
import { OwnLettersLink } from '../features/letters/index.ts';
import { forgetWork, useOutbox, useWorkOwner } from '../features/work/index.ts';
import { MessageLine, Wordmark } from '../shared/primitives/index.ts';

const rooms = [
  { to: '/mine', words: 'My critiques' },
  { to: '/send', words: 'Send footage' },
  { to: '/work', words: 'My work' },
  { to: '/progress', words: 'My progress' },
];

/** The client's face: for the phone in one hand, the ways at the bottom under the thumb. */
export function ClientShell() {
  const account = useAccount();
  const [signOut] = useSignOutMutation();
  const kept = useKeptFilms(account?.id ?? null);
  useFootageWatch();
  // What was done on the mat goes out from whichever page is open.
  useOutbox(useWorkOwner().owner);
  useEffect(() => {
    if (account) void checkKept(account.id).then((titles) => titles.length > 0 && toast(goneWords(titles)));
  }, [account]);
  // What is kept here is theirs alone, and whoever comes next is not them.
  const leave = (): void => {
    forgetWork(account?.id ?? '');
    void forgetKept(account?.id ?? '').then(() => signOut());
  };
  const ways = kept && kept.length > 0 ? [...rooms, { to: '/kept', words: 'On this phone' }] : rooms;
  return (
    <div className="thumbs mx-auto flex min-h-dvh max-w-[1080px] flex-col text-read print:block print:min-h-0">
      <header className="not-printed flex h-14 items-center justify-between gap-4 border-b border-seam px-5">
        <Wordmark />
        {account && (
          <span className="flex min-w-0 items-center gap-3 text-desk sm:gap-4">
            <NavLink to="/account" className="flex min-h-11 min-w-11 items-center text-reed hover:text-ink hover:underline">
              <span className="truncate">{account.name}</span>
            </NavLink>
            <OwnLettersLink />
            <button className="linked min-h-11 shrink-0" onClick={leave}>
              Sign out
            </button>
          </span>
        )}
      </header>
      <div className="grow px-5 pb-24 print:pb-0">
        <Outlet />
      </div>
      <nav aria-label="Ways" data-ways className="not-printed fixed inset-x-0 bottom-0 border-t border-seam bg-linen">
        <MessageLine className="mx-auto max-w-[1080px] px-5 not-empty:py-2" />
        <div className="mx-auto flex max-w-[1080px]">
          {ways.map(({ to, words }) => (
            <NavLink
              key={to}
              to={to}
              className="-mt-px flex h-16 grow basis-0 items-center justify-center px-1 text-center leading-tight border-t-2 border-transparent font-semibold text-reed aria-[current=page]:border-pine aria-[current=page]:text-ink"
            >
              {words}
            </NavLink>
          ))}
        </div>
      </nav>
    </div>
  );
}
