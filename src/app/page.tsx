import Form from 'next/form';
import { Link } from '@/ui/shared/Link';
import { SHELF_PAGE } from '@/store/shelfAsk';
import { freshenInBackground } from '@/server/background';
import { database } from '@/store/store';
import { buttonLook } from '@/ui/shared/Button';
import { Header } from '@/ui/shared/Header';
import { BeginTrial } from '@/ui/shelf/BeginTrial';
import { ImportFile } from '@/ui/shelf/ImportFile';
import { RestoreBuild } from '@/ui/shelf/RestoreBuild';
import { StillWorking } from '@/ui/shelf/StillWorking';
import { ShelfTable, shelfHref } from '@/ui/shelf/ShelfTable';
import { readShelfAsk } from '@/ui/shelf/urlParams';
import { shelf } from '@/store/shelf';

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const params = await searchParams;
  const ask = readShelfAsk(params);
  const { cards, total, all, behind } = await shelf(await database(), ask, freshenInBackground);
  const pages = Math.max(1, Math.ceil(total / SHELF_PAGE));
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-6xl px-6 py-6 max-md:px-4">
        <div className="mb-4 flex flex-wrap items-center gap-3">
          <h1 className="mr-auto">Builds</h1>
          <Link href="/archived" className={buttonLook()}>
            Archive
          </Link>
          <ImportFile />
          <Link href="/new" className={buttonLook('strong')}>
            New build
          </Link>
        </div>
        {typeof params.removed === 'string' && <RestoreBuild id={params.removed} />}
        {behind > 0 && <StillWorking behind={behind} />}
        {all === 0 ? (
          <Empty />
        ) : (
          <>
            <Form action="/" className="mb-3 flex flex-wrap gap-3" role="search">
              <input
                type="search"
                name="q"
                defaultValue={ask.query}
                placeholder="name, customer, engine, notes"
                aria-label="Search builds"
                className="field max-w-md"
              />
              <input type="hidden" name="sort" value={ask.sort} />
              <input type="hidden" name="dir" value={ask.descending ? 'down' : 'up'} />
              <button type="submit" className={buttonLook()}>
                Search
              </button>
              <p className="self-center text-soft" role="status">
                {ask.query ? `${total} of ${all} builds` : `${all} ${all === 1 ? 'build' : 'builds'}`}
              </p>
            </Form>
            {total === 0 ? (
              <p className="py-8 text-lg">
                No build has all of these words.{' '}
                <Link href="/" className="font-bold text-blue underline underline-offset-4">
                  Show all builds
                </Link>
              </p>
            ) : (
              <ShelfTable cards={cards} ask={ask} />
            )}
            {pages > 1 && (
              <nav aria-label="Pages" className="mt-4 flex items-center gap-4">
                {ask.page > 1 && (
                  <Link className={buttonLook()} href={shelfHref(ask, { page: ask.page - 1 })}>
                    Before
                  </Link>
                )}
                <span className="figures text-soft">
                  page {ask.page} of {pages}
                </span>
                {ask.page < pages && (
                  <Link className={buttonLook()} href={shelfHref(ask, { page: ask.page + 1 })}>
                    After
                  </Link>
                )}
              </nav>
            )}
          </>
        )}
      </main>
    </>
  );
}

function Empty() {
  return (
    <section className="max-w-2xl py-8">
      <p className="text-xl leading-snug">
        Spatium says what each ring gap and piston clearance must be and why, takes readings as fast as they are called
        out, plans where the gaps point, and leaves a build sheet behind.
      </p>
      <ol className="mt-5 grid list-decimal gap-2 pl-5 text-lg">
        <li>Begin a build: the block, the bore, what it is for, how the pistons are made.</li>
        <li>Enter what the ring packet’s sheet says, or work from the chart.</li>
        <li>Read bores, pistons and gaps: two digits and Enter.</li>
      </ol>
      <p className="mt-6 flex flex-wrap gap-3">
        <Link href="/new" className={buttonLook('strong')}>
          Begin the first build
        </Link>
        <BeginTrial />
      </p>
    </section>
  );
}
