import type { ReactNode } from 'react';

interface Props {
  value: boolean;
  onChange: (isOn: boolean) => void;
  disabled?: boolean;
  className?: string;
  children: ReactNode;
}

/** A box to tick, with its words. */
export function Tick({ value, onChange, disabled = false, className = '', children }: Props) {
  return (
    <label className={`flex min-h-11 min-w-11 items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        className="size-5 shrink-0 accent-blue"
        checked={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{children}</span>
    </label>
  );
}
