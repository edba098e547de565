import field from '../components/field.module.css';

interface Props {
  label: string;
  /** How many bars the piece has. */
  whole: number;
  value: string;
  onChange: (value: string) => void;
}

/** One bar of the piece, counted from the first in the file. */
export function BarField({ label, whole, value, onChange }: Props) {
  return (
    <label>
      {label}
      <input
        className={field.field}
        type="number"
        min={1}
        max={whole}
        value={value}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
    </label>
  );
}
