import { NavLink, Outlet } from 'react-router';

const parts = [
  { to: '/letters', words: 'Written', end: true },
  { to: '/letters/words', words: 'Their words', end: false },
];

/** What was written to whom, and how it is worded. */
export function LettersShell() {
  return (
    <main className="py-8">
      <div className="mb-4 flex items-baseline gap-8">
        <h1 className="text-title">Letters</h1>
        <nav aria-label="Letters" className="flex gap-6">
          {parts.map(({ to, words, end }) => (
            <NavLink
              key={to}
              to={to}
              end={end}
              className="border-b-2 border-transparent font-semibold text-reed hover:text-ink aria-[current=page]:border-pine aria-[current=page]:text-ink"
            >
              {words}
            </NavLink>
          ))}
        </nav>
      </div>
      <Outlet />
    </main>
  );
}
