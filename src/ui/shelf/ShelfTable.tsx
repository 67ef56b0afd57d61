import { Link } from '../shared/Link';
import { lengthText } from '@/core/foundation/quantity/format';
import type { ShelfAsk, ShelfSort } from '@/store/shelfAsk';
import { When } from '../shared/When';
import { RemoveBuild } from './RemoveBuild';
import type { ShelfCard } from '@/store/shelf';
import { Waiting } from './Waiting';

/** Sort key, heading, and what a narrow screen does without. */
const COLUMNS: [ShelfSort, string, string][] = [
  ['name', 'build', ''],
  ['engine', 'engine', 'max-sm:hidden'],
  ['bore', 'planned bore', 'max-lg:hidden'],
  ['customer', 'customer', 'max-md:hidden'],
  ['progress', 'done', ''],
  ['updated', 'last entry', 'max-lg:hidden'],
];

/** The address of the shelf asked for in another way. */
export function shelfHref(ask: ShelfAsk, change: Partial<ShelfAsk>): string {
  const next = { ...ask, page: 1, ...change };
  const params = new URLSearchParams();
  if (next.query) params.set('q', next.query);
  params.set('sort', next.sort);
  params.set('dir', next.descending ? 'down' : 'up');
  if (next.page > 1) params.set('page', String(next.page));
  return `/?${params.toString()}`;
}

function Progress({ card }: { card: ShelfCard }) {
  const share = card.total === 0 ? 0 : card.done / card.total;
  return (
    <span className="flex flex-wrap items-center gap-x-2">
      <svg viewBox="0 0 100 14" className="h-3.5 w-24" aria-hidden>
        {Array.from({ length: 21 }, (_, i) => (
          <line
            key={i}
            x1={i * 5 || 0.7}
            x2={i * 5 || 0.7}
            y1={14}
            y2={i % 5 === 0 ? 2 : 8}
            stroke={i / 20 <= share && share > 0 ? 'var(--ink)' : 'var(--idle)'}
            strokeWidth={i % 5 === 0 ? 1.6 : 1}
          />
        ))}
        <path d={`M${Math.min(96, Math.max(4, share * 100))} 14l-4-8h8z`} fill="var(--blue)" />
      </svg>
      <span className="figures text-sm">
        {card.done}/{card.total}
      </span>
      {card.stops > 0 && (
        <span className="text-sm font-bold text-over">
          ✕ {card.stops} {card.stops === 1 ? 'stop' : 'stops'}
        </span>
      )}
      <Waiting buildId={card.id} />
      {card.pins > 0 && (
        <span className="text-sm font-bold text-short">
          ◣ {card.pins} {card.pins === 1 ? 'reminder' : 'reminders'}
        </span>
      )}
    </span>
  );
}

function CardRow({ card }: { card: ShelfCard }) {
  return (
    <tr>
      <td>
        <Link
          href={`/builds/${card.id}/${card.stage ?? 'job'}`}
          className="inline-flex min-h-11 min-w-11 items-center text-lg font-bold underline-offset-4 hover:underline"
        >
          {card.name}
        </Link>
      </td>
      <td className="whitespace-nowrap max-sm:hidden">{card.engine}</td>
      <td className="figures whitespace-nowrap max-lg:hidden">
        {card.boreNm === null ? '–' : lengthText(card.boreNm, card.units, 'size')}
      </td>
      <td className="max-md:hidden">{card.customer || '–'}</td>
      <td>
        <Progress card={card} />
      </td>
      <td className="figures text-sm text-soft max-lg:hidden">
        <When at={card.updatedAt} />
      </td>
      <td>
        <div className="flex items-center justify-end whitespace-nowrap">
          <Link
            href={`/new?from=${card.id}`}
            aria-label={`Copy ${card.name}`}
            className="inline-flex min-h-11 items-center px-2 text-sm text-soft underline underline-offset-4 max-sm:hidden"
          >
            Copy build
          </Link>
          <RemoveBuild id={card.id} name={card.name} />
        </div>
      </td>
    </tr>
  );
}

/** The builds on the shelf, one a row. */
export function ShelfTable({ cards, ask }: { cards: ShelfCard[]; ask: ShelfAsk }) {
  return (
    <div className="relative overflow-x-auto">
      <table className="ruled">
        <thead>
          <tr>
            {COLUMNS.map(([sort, words, hidden]) => {
              const here = ask.sort === sort;
              return (
                <th
                  key={sort}
                  scope="col"
                  className={hidden}
                  aria-sort={here ? (ask.descending ? 'descending' : 'ascending') : undefined}
                >
                  <Link
                    href={shelfHref(ask, { sort, descending: here ? !ask.descending : sort === 'updated' })}
                    className={`inline-flex min-h-8 items-center pointer-coarse:min-h-11 pointer-coarse:min-w-11 gap-1 underline-offset-4 hover:underline ${here ? 'font-bold text-ink' : ''}`}
                  >
                    {words}
                    {here && <span aria-hidden>{ask.descending ? '↓' : '↑'}</span>}
                  </Link>
                </th>
              );
            })}
            <th>
              <span className="sr-only">copy, archive</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {cards.map((card) => (
            <CardRow key={card.id} card={card} />
          ))}
        </tbody>
      </table>
    </div>
  );
}
