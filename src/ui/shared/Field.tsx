import { type ReactNode, useId } from 'react';

interface Props {
  label: string;
  /** Whether the label is heard and not seen: what it is stands in a table’s heading. */
  isUnseen?: boolean;
  hint?: ReactNode;
  error?: string | undefined;
  /** Something that is not wrong but should be seen, e.g. a length said back. */
  said?: ReactNode;
  children: (props: { id: string; 'aria-describedby': string; 'aria-invalid': boolean }) => ReactNode;
}

/** A labelled field with its hint, what was understood, and its error beside it. */
export function Field({ label, isUnseen = false, hint, error, said, children }: Props) {
  const id = useId();
  const help = `${id}-help`;
  return (
    <div>
      <label htmlFor={id} className={isUnseen ? 'sr-only' : 'mb-1 block font-bold'}>
        {label}
      </label>
      {children({ id, 'aria-describedby': help, 'aria-invalid': Boolean(error) })}
      <div id={help} className="mt-1 text-sm text-soft">
        {error ? <p className="font-bold text-over">{error}</p> : (said ?? hint)}
      </div>
    </div>
  );
}
