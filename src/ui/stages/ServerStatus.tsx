import type { Link } from '../openBuild/send';

/** What a server that does answer is told to have said, and what to do about it. */
const WORDS: Record<Exclude<Link, 'up' | 'down'>, string> = {
  failing:
    'The server answers with an error of its own: whoever looks after it should see what it printed. Go on: readings are kept in this browser until then.',
  full: 'The disk of the server is full: make room there. Readings are kept in this browser until then.',
  out: 'Nobody is signed in here. Readings are kept in this browser until somebody is.',
  barred: 'Whoever is signed in may look here, and not enter: switch to somebody who may.',
  gone: 'The server has no such build any more. Look whether it still uses the same database.',
};

export const ServerStatus = ({ link }: { link: keyof typeof WORDS }) => <>{WORDS[link]}</>;
