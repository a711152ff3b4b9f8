import { NavLink } from 'react-router';
import { useListOwnLettersQuery } from './api.ts';

/** The way to one's letters, with how many were not read yet. */
export function OwnLettersLink() {
  const { data } = useListOwnLettersQuery();
  const unread = data?.letters.filter(({ readAt }) => readAt === null).length ?? 0;
  return (
    <NavLink to="/own-letters" className="flex min-h-11 min-w-11 shrink-0 items-center gap-1 text-reed hover:text-ink hover:underline">
      Letters
      {unread > 0 && (
        <span className="font-semibold text-pine">
          {unread}
          <span className="sr-only"> new</span>
        </span>
      )}
    </NavLink>
  );
}
