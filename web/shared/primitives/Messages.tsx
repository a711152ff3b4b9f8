import { X } from 'lucide-react';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { toast, useSonner, type ToastT } from 'sonner';

/** How long a message stays, in ms, where it does not say so itself. */
const usualMs = 6000;

const messages = createContext<readonly ToastT[]>([]);

/** Gathers what any part of the page says (`toast`). It stands around all pages: what is said on leaving one is read on the next. */
export function MessagesProvider({ children }: { children: ReactNode }) {
  return <messages.Provider value={useSonner().toasts}>{children}</messages.Provider>;
}

/** The last message, in the line of the page that is kept for it: it lies over nothing that can be pressed. */
export function MessageLine({ className = '' }: { className?: string }) {
  const all = useContext(messages);
  const last = all[0];
  const [held, setHeld] = useState(false);
  useEffect(() => {
    if (!last || held) return;
    const leaving = setTimeout(() => all.forEach(({ id }) => toast.dismiss(id)), last.duration ?? usualMs);
    return () => clearTimeout(leaving);
  }, [all, last, held]);
  const words = typeof last?.title === 'function' ? last.title() : last?.title;
  const action = last?.action;
  return (
    <div
      role="status"
      data-message
      className={`flex min-w-0 items-center gap-2 ${className}`}
      // Who reads it, or is about to press what it offers, keeps it.
      onMouseEnter={() => setHeld(true)}
      onMouseLeave={() => setHeld(false)}
    >
      {last && (
        <>
          <p
            title={typeof words === 'string' ? words : undefined}
            className={`line-clamp-2 min-w-0 border-l-2 pl-2 text-small leading-tight font-semibold ${last.type === 'error' || last.type === 'warning' ? 'border-brick text-brick' : 'border-pine text-pine'}`}
          >
            {words}
          </p>
          {action && typeof action === 'object' && 'label' in action && (
            <button
              type="button"
              className="linked shrink-0 font-semibold"
              onClick={(event) => (action.onClick(event), toast.dismiss(last.id))}
            >
              {action.label}
            </button>
          )}
          <button
            type="button"
            aria-label="Close the message"
            className="flex size-6 shrink-0 items-center justify-center hover:bg-linen"
            onClick={() => all.forEach(({ id }) => toast.dismiss(id))}
          >
            <X size={14} />
          </button>
        </>
      )}
    </div>
  );
}
