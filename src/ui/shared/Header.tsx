import { Bar } from './Bar';
import { Link } from './Link';

const PLACES = [
  ['/', 'Builds'],
  ['/gap', 'Quick gap'],
  ['/charts', 'Charts'],
  ['/instruments', 'Tools'],
  ['/shop', 'Shop'],
] as const;

/** The bar outside a build: the rooms stand beside the mark. */
export const Header = () => (
  <Bar>
    <nav
      aria-label="Spatium"
      className="flex flex-1 flex-wrap gap-x-5 max-sm:order-last max-sm:basis-full max-sm:justify-between max-sm:gap-x-1"
    >
      {PLACES.map(([href, words]) => (
        <Link
          key={href}
          href={href}
          className="flex min-h-11 min-w-11 items-center justify-center font-medium underline-offset-4 hover:underline"
        >
          {words}
        </Link>
      ))}
    </nav>
  </Bar>
);
