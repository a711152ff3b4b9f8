import { NavLink, Outlet } from 'react-router';
import { useAccount } from '../access/index.ts';

const parts = [
  { to: '/practice/hours', words: 'Hours', coachOnly: false },
  { to: '/practice/plans', words: 'Plans', coachOnly: false },
  { to: '/practice/money', words: 'Money', coachOnly: true },
  { to: '/practice/promises', words: 'Promises', coachOnly: false },
  { to: '/practice/workload', words: 'Workload', coachOnly: true },
  { to: '/practice/kept', words: 'What is kept', coachOnly: true },
];

/** How the practice works: its hours, plans, money, what came of its promises, and how much more it can take. */
export function PracticePage() {
  const isCoach = useAccount()?.role === 'coach';
  return (
    <main className="grid grid-cols-[9rem_minmax(0,1fr)] gap-12 py-8">
      <nav aria-label="Practice" className="flex flex-col gap-1">
        <h1 className="mb-3 text-title">Practice</h1>
        {parts
          .filter(({ coachOnly }) => isCoach || !coachOnly)
          .map(({ to, words }) => (
            <NavLink
              key={to}
              to={to}
              className="border-l-2 border-transparent py-1 pl-3 font-semibold text-reed hover:text-ink aria-[current=page]:border-pine aria-[current=page]:text-ink"
            >
              {words}
            </NavLink>
          ))}
      </nav>
      <div className="min-w-0">
        <Outlet />
      </div>
    </main>
  );
}
