import { useId, type ReactNode } from 'react';

const input =
  'w-full rounded-sm border border-seam bg-linen placeholder:text-reed hover:border-reed focus-visible:border-pine aria-invalid:border-brick';
export const inputClass = `${input} px-3 py-2 text-read`;
/** On the coach's pages, where many stand beside one another. */
export const smallInputClass = `${input} min-h-8 px-2 py-1 text-desk`;

interface FieldProps {
  label: string;
  hint?: string;
  fault?: string | undefined;
  /** Is given what ties the control to its label, hint and fault. */
  children: (control: { id: string; 'aria-describedby': string | undefined; 'aria-invalid': boolean }) => ReactNode;
}

/** A labelled control with its hint and what is wrong with it. */
export function Field({ label, hint, fault, children }: FieldProps) {
  const id = useId();
  const words = fault ?? hint;
  return (
    <div className="flex flex-col gap-1.5">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children({ id, 'aria-describedby': words ? `${id}-words` : undefined, 'aria-invalid': Boolean(fault) })}
      {words && (
        <p id={`${id}-words`} role={fault ? 'alert' : undefined} className={`text-small ${fault ? 'text-brick' : 'text-reed'}`}>
          {words}
        </p>
      )}
    </div>
  );
}
