import { Columns2 } from 'lucide-react';
import { useControls } from '../DeskControls.tsx';

/** Opens the tray; the number says how many frames lie in it. */
export function TrayButton() {
  const tray = useControls('tray');
  const count = tray.items.length;
  return (
    <button
      type="button"
      title={count === 0 ? 'Compare tray: put this frame in with C' : 'Open the compare tray'}
      aria-label={`Compare tray, ${count} in it`}
      onClick={() => (count === 0 ? tray.add() : tray.step({ do: 'open' }))}
      className="flex h-7 items-center gap-0.5 rounded-sm px-1 hover:bg-linen"
    >
      <Columns2 size={16} strokeWidth={1.8} />
      {count > 0 && <span className="time text-[0.7rem]">{count}</span>}
    </button>
  );
}
