interface Props<T> {
  /** The question. */
  ask: string;
  options: { value: T; figure: string; note: string }[];
  onPick: (value: T) => void;
}

/** What may have been meant, to be picked: shown under a field whose entry can be taken in more than one way. */
export function AmbiguityPicker<T>({ ask, options, onPick }: Props<T>) {
  return (
    <div>
      <p className="font-bold text-short">{ask}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {options.map(({ value, figure, note }) => (
          <button
            key={`${figure} ${note}`}
            type="button"
            onClick={() => onPick(value)}
            className="figures min-h-11 rounded border-[1.5px] border-blue px-3 font-bold text-blue"
          >
            {figure} {note && <span className="font-sans text-sm font-normal">{note}</span>}
          </button>
        ))}
      </div>
    </div>
  );
}
