/** An open build without a browser and without a server: what is sent is taken in memory. */
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { expect, vi } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { jobEntry } from '@/fixtures/records';
import type { EntriesAnswer, MeAnswer, ToolsAnswer } from '@/server/answers';
import type { Present } from '@/store/presence';
import { OpenBuild } from '../openBuild/OpenBuild';
import { Workspace } from '../stages/Workspace';

const NOBODY: MeAnswer = { hasPeople: false, person: null, device: [], barred: null };

/** What answers in place of the server: the log of one build, and nothing else of the shop. */
class MemoryServer {
  readonly entries: Entry[];
  /** Who is signed in. */
  me: MeAnswer = NOBODY;
  /** Why whoever is signed in may enter nothing. */
  barred: string | undefined;
  /** What this bench said last that it took for its own, e.g. `rings.L1`. */
  taken: string | null = null;
  /** Other benches on the build. */
  others: readonly Present[] = [];
  /** What is answered in place of all else, e.g. an error; null once it answers as usual again. */
  instead: ((request: { method: string; pathname: string }) => Response | null) | null = null;
  /** Answers of other addresses, by their path. */
  readonly answers: Record<string, () => unknown> = {};

  constructor(
    private readonly id: string,
    initial: readonly Entry[],
    private readonly tools: ToolsAnswer,
  ) {
    this.entries = [...initial];
  }

  private log(url: URL, body: unknown): EntriesAnswer {
    this.taken = url.searchParams.get('mine') ?? this.taken;
    const sent = body ? (JSON.parse(body as string) as { entries: Entry[] }).entries : [];
    const known = new Set(this.entries.map((e) => e.id));
    this.entries.push(...sent.filter((e) => !known.has(e.id)));
    const since = Number(url.searchParams.get('since'));
    return {
      ...{ seq: this.entries.length, entries: this.entries.slice(since), conflicts: [] },
      ...{ others: [...this.others], ...(this.barred ? { barred: this.barred } : {}) },
    };
  }

  readonly fetch = (input: string | URL | Request, init?: RequestInit): Promise<Response> => {
    const url = new URL(input instanceof Request ? input.url : input, window.location.href);
    const instead = this.instead?.({ method: init?.method ?? 'GET', pathname: url.pathname });
    if (instead) return Promise.resolve(instead);
    const answers: Record<string, () => unknown> = {
      [`/api/builds/${this.id}/entries`]: () => this.log(url, init?.body),
      '/api/me': () => this.me,
      '/api/instruments': () => this.tools,
      ...this.answers,
    };
    const answer = answers[url.pathname];
    return Promise.resolve(answer ? Response.json(answer()) : new Response(null, { status: 404 }));
  };
}

export interface OpenedBuild {
  user: UserEvent;
  server: MemoryServer;
  /** What stands in the screen of the stage. */
  main: () => HTMLElement;
  /** Types into the reading line and presses Enter. */
  log: (typed: string) => Promise<void>;
  /** Presses keys where the focus is, as `user.keyboard` takes them: `22{Enter}`. */
  keys: (...typed: string[]) => Promise<void>;
  /** Goes to a stage by its link. */
  goTo: (stage: string) => Promise<void>;
  /** Presses the first of a role and name, once it is there. */
  press: (role: 'button' | 'tab' | 'radio' | 'checkbox', name: string | RegExp) => Promise<void>;
  /** Opens the page anew, as the server and this browser have it. */
  reload: () => Promise<void>;
  /** The newest entry of a kind that reached the server. */
  sent: <K extends Entry['kind']>(kind: K) => Promise<Extract<Entry, { kind: K }>>;
}

let builds = 0;

/**
 * Opens a build at a stage, e.g. `rings?view=set`; a job card is added where the entries have none.
 *
 * @example const { main, log } = await renderBuild('rings', gap('a', 'L1', 'top', 22));
 */
export async function renderBuild(address: string, ...entries: readonly Entry[]): Promise<OpenedBuild> {
  const id = `build-${(builds += 1)}`;
  const all = entries.some((e) => e.kind === 'job') ? entries : [jobEntry(), ...entries];
  const server = new MemoryServer(id, all, { instruments: STARTING_INSTRUMENTS, rates: [] });
  vi.stubGlobal('fetch', server.fetch);
  window.history.replaceState(null, '', `/builds/${id}/${address}`);
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  const open = async (): Promise<void> => {
    const { entries } = server;
    render(
      <OpenBuild buildId={id} initial={[...entries]} seq={entries.length}>
        <Workspace>{null}</Workspace>
      </OpenBuild>,
    );
    // the stage is loaded once it has its heading
    await screen.findAllByRole('heading', { level: 1 });
  };
  const main = (): HTMLElement => screen.getByRole('main');
  const sent: OpenedBuild['sent'] = (kind) =>
    waitFor(() => {
      const found = server.entries.slice(all.length).findLast((e) => e.kind === kind);
      expect(found, `a ${kind} reached the server`).toBeDefined();
      return found as Extract<Entry, { kind: typeof kind }>;
    });
  await open();
  return {
    ...{ user, server, main, sent },
    log: async (typed) => {
      const line = within(await screen.findByRole('region', { name: 'Reading line' })).getByRole('textbox');
      await user.clear(line);
      await user.type(line, `${typed}{Enter}`);
    },
    keys: async (...typed) => {
      for (const keys of typed) await user.keyboard(keys);
    },
    press: async (role, name) => {
      const [first] = await screen.findAllByRole(role, { name });
      if (first) await user.click(first);
    },
    reload: () => {
      cleanup();
      return open();
    },
    goTo: (stage) => user.click(screen.getByRole('link', { name: new RegExp(`^${stage}`) })),
  };
}

/** Waits until something shows a text, however it is marked up. */
export const shows = (of: () => HTMLElement, text: string | RegExp): Promise<void> =>
  waitFor(() => {
    const found = of().textContent.replace(/\s+/g, ' ');
    if (typeof text === 'string') expect(found).toContain(text);
    else expect(found).toMatch(text);
  });

/** Waits until a field is there by its label, and puts a text into it. */
export const fillIn = async (label: string | RegExp, text: string): Promise<void> =>
  fill(await screen.findByLabelText(label), text);

/** The field of the reading line. */
export const line = (): HTMLElement =>
  within(screen.getByRole('region', { name: 'Reading line' })).getByRole('textbox');

/** What is said of the figure on the reading line. */
export const said = (): HTMLElement => document.querySelector<HTMLElement>('#line-said') ?? document.body;

/** Puts a text into a field, in place of what stands there. */
export const fill = (field: HTMLElement, text: string): void => {
  fireEvent.change(field, { target: { value: text } });
};

/** The first row of a table that has a name. */
export const row = (name: string | RegExp) => (): HTMLElement =>
  screen.getAllByRole('row', { name })[0] ?? document.body;

/** The button of a cylinder on the deck, by its label. */
export const onDeck = (label: string): HTMLElement =>
  within(screen.getByRole('navigation', { name: 'Cylinders' })).getByRole('button', {
    name: new RegExp(`^Cylinder ${label},`),
  });

/** All of the page. */
export const page = (): HTMLElement => document.body;

/** A region of the page, by its name. */
export const region = (name: string) => (): HTMLElement => screen.getByRole('region', { name });

/** Waits until something no longer shows a text. */
export const gone = (of: () => HTMLElement, text: string): Promise<void> =>
  waitFor(() => expect(of().textContent).not.toContain(text));

/** Accepts the verdict in sight, with a reason. */
export async function acceptHere(user: UserEvent, reason: string): Promise<void> {
  await user.click(await screen.findByRole('button', { name: 'Accept with a reason' }));
  fill(await screen.findByLabelText('Why it may stay'), reason);
  fill(screen.getByLabelText('Your initials'), 'KM');
  await user.click(screen.getByRole('button', { name: 'Accept' }));
}
