import type { ReactNode } from 'react';
import { Button, FaultNote } from '../primitives/index.ts';
import { faultWords } from '../wire/index.ts';

interface FormEndProps {
  /** What went wrong when it was sent last. */
  error: unknown;
  busy: boolean;
  /** What the button that sends it says. */
  says: string;
  onLeave: () => void;
  /** Further buttons, between sending and leaving. */
  children?: ReactNode;
}

/** The end of a form that was opened within a page: what went wrong, sending it, leaving it. */
export const FormEnd = ({ error, busy, says, onLeave, children }: FormEndProps) => (
  <>
    {error !== undefined && <FaultNote>{faultWords(error)}</FaultNote>}
    <div className="flex gap-2">
      <Button type="submit" busy={busy}>
        {says}
      </Button>
      {children}
      <Button look="quiet" onClick={onLeave}>
        Leave it
      </Button>
    </div>
  </>
);
