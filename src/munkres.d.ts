declare module 'munkres-js' {
  /** Row and column of each pair in an assignment of the least sum. */
  export default function munkres(costs: number[][]): [number, number][];
}
