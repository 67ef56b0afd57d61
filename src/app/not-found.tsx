import { buttonLook } from '@/ui/shared/Button';

/** Every page holds what this one needs ready: so it needs nothing that runs in the browser, not even our own link. */
export default function NotFound() {
  return (
    <main id="main" tabIndex={-1} className="mx-auto max-w-xl px-5 py-16">
      <h1>Nothing at this address</h1>
      <p className="my-4 text-lg text-soft">The build may be on another machine, or the address was cut short.</p>
      <a href="/" className={buttonLook('accent')}>
        All builds
      </a>
    </main>
  );
}
