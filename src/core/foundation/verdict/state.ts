/** The words a verdict is given in, on every stage. Each has one meaning, one shape and one colour wherever it shows. */
export type State =
  | 'to do'
  | 'part read'
  | 'no target'
  | 'not proven'
  | 'short'
  | 'tight'
  | 'in window'
  | 'within'
  | 'below'
  | 'loose'
  | 'over'
  | 'hone'
  | 'next size'
  | 'out'
  | 'proud';
