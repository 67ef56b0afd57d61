/**
 * Tables. `log` is the record: it is only ever added to. `builds` is the shelf: an index card per build,
 * written from judge()'s result and able to be worked out again from the log at any time. `charts` keeps every
 * version of the shop's charts, `instruments` the latest of each of its measuring tools, `rates` what each build
 * taught of its filers. `people`, `sessions`, `accounts` and `verifications` are the sign-in library's; `tries` slows
 * down who guesses; `audit` is what was done outside builds, and is only ever added to.
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
    /** The stage that the work is at; null until the card is worked out. */
    stage: text('stage'),
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

const moment = (name: string) => integer(name, { mode: 'timestamp_ms' });

/** Who works in the shop. Initials are the name one signs in with, in lower case. */
export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** What the sign-in library asks for; never an address that anything is sent to. */
  email: text('email').notNull().unique(),
  emailVerified: integer('email_verified', { mode: 'boolean' }).notNull().default(false),
  image: text('image'),
  createdAt: moment('created_at').notNull(),
  updatedAt: moment('updated_at').notNull(),
  username: text('username').unique(),
  displayUsername: text('initials'),
  role: text('role'),
  /** Who left: signs in no more, and stays on record. */
  banned: integer('left', { mode: 'boolean' }).default(false),
  banReason: text('left_why'),
  banExpires: moment('left_until'),
});

/** Where somebody is signed in. */
export const sessions = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    expiresAt: moment('expires_at').notNull(),
    token: text('token').notNull().unique(),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
    ipAddress: text('address'),
    userAgent: text('browser'),
    userId: text('person')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    impersonatedBy: text('impersonated_by'),
  },
  (t) => [index('sessions_person').on(t.userId)],
);

/** How somebody signs in: a PIN or password, hashed. */
export const accounts = sqliteTable(
  'accounts',
  {
    id: text('id').primaryKey(),
    accountId: text('account').notNull(),
    providerId: text('provider').notNull(),
    userId: text('person')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: moment('access_token_expires_at'),
    refreshTokenExpiresAt: moment('refresh_token_expires_at'),
    scope: text('scope'),
    password: text('password'),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
  },
  (t) => [index('accounts_person').on(t.userId)],
);

/** Codes that sign a device in once. */
export const verifications = sqliteTable(
  'verifications',
  {
    id: text('id').primaryKey(),
    identifier: text('identifier').notNull(),
    value: text('value').notNull(),
    expiresAt: moment('expires_at').notNull(),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
  },
  (t) => [index('verifications_identifier').on(t.identifier)],
);

/** Failed tries to sign in, by whose name and from where; whichever is slowed down more is waited for. */
export const tries = sqliteTable('tries', {
  of: text('of').primaryKey(),
  failed: integer('failed').notNull(),
  lastAt: integer('last_at').notNull(),
});

/** What was done outside the logs of builds, by whom and when. */
export const audit = sqliteTable(
  'audit',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    at: text('at').notNull(),
    /** Initials, and whose; as sent, and null, where no people are set up. */
    by: text('by').notNull(),
    person: text('person'),
    /** The name of the act, and what it was done to. */
    act: text('act').notNull(),
    of: text('of').notNull(),
    says: text('says').notNull(),
  },
  (t) => [index('audit_of').on(t.of)],
);

/** The servers of this database that somebody asks just now, and what each tells the others of who does. */
export const servers = sqliteTable('servers', {
  id: text('id').primaryKey(),
  /** By the database's clock, ms. */
  toldAt: integer('told_at').notNull(),
  body: text('body').notNull(),
});
