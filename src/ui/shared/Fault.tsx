interface Props {
  children: string | null | undefined;
  className?: string;
}

/** What went wrong, told once it did; nothing until then. */
export function Fault({ children, className = '' }: Props) {
  return (
    children && (
      <p role="alert" className={`font-bold text-over ${className}`}>
        {children}
      </p>
    )
  );
}
