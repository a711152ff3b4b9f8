import { lineClass, Row } from '../../shared/forms/index.ts';

interface NumberRowProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  disabled?: boolean;
  onChange: (value: number) => void;
}

/** A number with its limits; what is typed beyond them is said by the server, so that nothing jumps under the hand. */
export const NumberRow = ({ label, onChange, ...input }: NumberRowProps) => (
  <Row label={label}>
    <input
      type="number"
      {...input}
      onChange={({ target }) => !Number.isNaN(target.valueAsNumber) && onChange(target.valueAsNumber)}
      className={lineClass}
    />
  </Row>
);
