import { Link } from '@/ui/shared/Link';
import { buttonLook } from '@/ui/shared/Button';
import { Header } from '@/ui/shared/Header';

export default function NotFound() {
  return (
    <>
      <Header />
      <main className="mx-auto max-w-xl px-5 py-16">
        <h1>Nothing at this address</h1>
        <p className="my-4 text-lg text-soft">The build may be on another machine, or the address was cut short.</p>
        <Link href="/" className={buttonLook('accent')}>
          To the shelf
        </Link>
      </main>
    </>
  );
}
