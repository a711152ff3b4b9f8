import type { ComponentProps } from 'react';

const belts = ['White', 'Blue', 'Purple', 'Brown', 'Black'] as const;

/** A client's level, 1 to 5, by its belt. */
export function BeltSelect(props: ComponentProps<'select'>) {
  return (
    <select {...props}>
      {belts.map((words, i) => (
        <option key={words} value={i + 1}>
          {words}
        </option>
      ))}
    </select>
  );
}
