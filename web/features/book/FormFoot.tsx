import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';

interface FormFootProps {
  saving: { isLoading: boolean; error?: unknown };
  /** Why it cannot be kept yet; null when it can. */
  missing: string | null;
  onLeave: () => void;
}

/** The end of an entry's form: keep it, or leave the entry as it was; what stands in the way beside it. */
export const FormFoot = ({ saving, missing, onLeave }: FormFootProps) => (
  <>
    {saving.error !== undefined && <FaultNote>{faultWords(saving.error)}</FaultNote>}
    <div className="sticky bottom-0 flex items-center gap-3 border-t border-seam bg-straw py-3">
      <Button type="submit" busy={saving.isLoading} disabled={missing !== null}>
        Keep this in the book
      </Button>
      <Button look="quiet" onClick={onLeave}>
        Leave it as it was
      </Button>
      {missing && <span className="text-small">{missing}</span>}
    </div>
  </>
);
