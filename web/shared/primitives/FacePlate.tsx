/** A client's initials on the colour of their belt, first to fifth. */
export function FacePlate({ name, level }: { name: string; level: number }) {
  const initials = name
    .split(/\s+/)
    .map((part) => part[0])
    .slice(0, 2)
    .join('');
  const belts = ['', 'bg-belt-1 text-soot', 'bg-belt-2 text-chalk', 'bg-belt-3 text-chalk', 'bg-belt-4 text-chalk', 'bg-belt-5 text-chalk'];
  return (
    <span
      aria-hidden
      className={`inline-flex h-9 w-11 shrink-0 items-center justify-center border border-seam font-head text-small font-bold ${belts[level] ?? belts[1]}`}
    >
      {initials}
    </span>
  );
}
