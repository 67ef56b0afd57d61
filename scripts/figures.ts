/** Figures that a command prints: what was measured, what it came to, what was aimed at. */

interface Row {
  what: string;
  figure: string;
  aim: string;
  ok: boolean | null;
}

/** What stands at a share of numbers that are sorted; 0 for none. */
export const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

export class Figures {
  private readonly rows: Row[] = [];

  /** @param ok whether the aim is met; null where none is set */
  add(what: string, figure: string, aim = '', ok: boolean | null = null): void {
    this.rows.push({ what, figure, aim, ok });
  }

  /** Prints them; whether none was missed. */
  print(): boolean {
    const width = Math.max(...this.rows.map((r) => r.what.length));
    for (const { what, figure, aim, ok } of this.rows)
      console.log(
        `${what.padEnd(width)}  ${figure}${aim ? `   [${aim}${ok === null ? '' : ok ? ': met' : ': MISSED'}]` : ''}`,
      );
    return !this.rows.some((r) => r.ok === false);
  }
}

/**
 * A number as it was given on the command line.
 *
 * @throws RangeError where it is none that is wanted
 */
export function numberGiven(name: string, given: string, least: number, most: number): number {
  const number = Number(given);
  if (given.trim() === '' || !Number.isInteger(number) || number < least || number > most)
    throw new RangeError(`--${name} is ${given}: a whole number from ${least} to ${most} is wanted.`);
  return number;
}
