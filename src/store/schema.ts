/**
 * Tables. `log` is the record: it is only ever added to. `builds` is the shelf: an index card per build,
 * written from judge()'s result and able to be worked out again from the log at any time. `charts` keeps every
 * version of the shop's charts, `instruments` the latest of each of its measuring tools, `rates` what each build
 * taught of its filers.
 */
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

export const builds = sqliteTable(
  'builds',
  {
    id: text('id').primaryKey(),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
    /** When it was taken off the shelf; the log stays. */
    removedAt: text('removed_at'),
    name: text('name').notNull().default(''),
    customer: text('customer').notNull().default(''),
    engine: text('engine').notNull().default(''),
    /** Name, customer, description, notes and engine in lower case, for search. */
    search: text('search').notNull().default(''),
    units: text('units', { enum: ['imperial', 'metric'] })
      .notNull()
      .default('metric'),
    boreNm: integer('bore_nm'),
    duty: text('duty'),
    /** What was fitted, for the picture of gaps over heat loads: the load, the piston, and mean measured gaps over the bore. */
    load: real('load'),
    construction: text('construction'),
    topFactor: real('top_factor'),
    secondFactor: real('second_factor'),
    done: integer('done').notNull().default(0),
    total: integer('total').notNull().default(0),
    stops: integer('stops').notNull().default(0),
    /** Reminders that are pinned on. */
    pins: integer('pins').notNull().default(0),
    /** The log position the card was worked out at; behind the log when a card is stale. */
    judgedSeq: integer('judged_seq').notNull().default(0),
    lastSeq: integer('last_seq').notNull().default(0),
  },
  (t) => [index('builds_updated').on(t.updatedAt), index('builds_stale').on(t.judgedSeq, t.lastSeq)],
);

export const log = sqliteTable(
  'log',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id),
    entryId: text('entry_id').notNull(),
    kind: text('kind').notNull(),
    body: text('body').notNull(),
    /** The shape of entries it was written in, see `ENTRY_SHAPE`; 0 for a row from before shapes were noted. */
    shape: integer('shape').notNull().default(0),
  },
  (t) => [
    uniqueIndex('log_entry').on(t.buildId, t.entryId),
    index('log_build').on(t.buildId, t.seq),
    index('log_kind').on(t.buildId, t.kind, t.seq),
  ],
);

export const charts = sqliteTable(
  'charts',
  {
    id: text('id').notNull(),
    version: integer('version').notNull(),
    name: text('name').notNull(),
    body: text('body').notNull(),
    /** On the latest version: when the chart was put away; the versions stay. */
    removedAt: text('removed_at'),
  },
  (t) => [primaryKey({ columns: [t.id, t.version] })],
);

export const instruments = sqliteTable('instruments', {
  id: text('id').primaryKey(),
  body: text('body').notNull(),
  /** When it was put away; builds that name it hold it themselves. */
  removedAt: text('removed_at'),
});

/** What filers took off on each build, worked out from its log: sums by filer and ring metal. */
export const rates = sqliteTable(
  'rates',
  {
    buildId: text('build_id').notNull(),
    filer: text('filer').notNull(),
    metal: text('metal').notNull(),
    cuts: integer('cuts').notNull(),
    xx: real('xx').notNull(),
    xy: real('xy').notNull(),
    yy: real('yy').notNull(),
  },
  (t) => [primaryKey({ columns: [t.buildId, t.filer, t.metal] })],
);

/** What is set for the whole shop. */
export const shop = sqliteTable('shop', { key: text('key').primaryKey(), value: text('value').notNull() });
