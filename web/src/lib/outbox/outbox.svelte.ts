import { api, type Evidence, type JobView, Problem, reason, type Told } from '../api/client';
import { session } from '../session/session.svelte';
import { OutboxStore } from './store';

/** An entry that the server has not acknowledged. It goes out under its own id, so that it counts once. */
export interface Waiting {
  id: string;
  job: string;
  unit: string;
  /** Whose it is: it waits for them where another has signed in since. */
  by: string;
  since: string;
  evidence?: Evidence;
  told?: Told;
  /** Why the server will not have it. */
  refused?: string;
}

const CHANNEL = 'outbox';
const FIRST_PAUSE_MS = 1_000;
const LONGEST_PAUSE_MS = 20_000;

/** Another page that sends is waited for so long; then the entry waits too. */
const LONGEST_TURN_MS = 3_000;

/** A day of readings without a server; more is no longer one. */
const MOST_WAITING = 500;

const UNREADABLE = 'This entry was damaged on the device and cannot be read. Drop it, and enter it again.';

/** Whether the same may be taken later: nobody answered, or nobody was signed in. */
const passing = (e: unknown) => e instanceof Problem && (e.passing || e.status === 401 || e.status === 429);

/**
 * Entries made while the server cannot be reached: kept on the device over a reload, sent once and in order when it is
 * back. One page of the browser sends at a time; the others wait for their turn.
 */
class Outbox {
  #kept = $state.raw<Waiting[]>([]);
  /** What is on its first way is no news yet. */
  #sending = $state('');
  readonly waiting = $derived(this.#kept.filter((w) => w.id !== this.#sending));
  /** How many wait for other people of this device, by login. */
  others = $state.raw<Record<string, number>>({});
  /** Why the last try did not get through; empty while it does. */
  away = $state('');
  /** Whether the device has no room: what waits then is lost with the page. */
  full = $state(false);
  #pause = FIRST_PAUSE_MS;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #listeners = new Set<(job: string, view: JobView) => void>();
  readonly #store = new OutboxStore();
  readonly #pages = 'BroadcastChannel' in globalThis ? new BroadcastChannel(CHANNEL) : undefined;
  /** Kept in this page alone, where the device would not. */
  readonly #here = new Map<string, Waiting>();

  constructor() {
    if (this.#pages) this.#pages.onmessage = () => void this.load();
    addEventListener('online', () => this.soon(0));
  }

  of(job: string): Waiting[] {
    return this.waiting.filter((w) => w.job === job);
  }

  /** Tells what a job has become by what was sent for it. */
  onSent(listener: (job: string, view: JobView) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /** Looks what waits on this device for whoever is signed in. */
  async load(): Promise<void> {
    const { me, view } = session;
    if (!me) {
      this.#kept = [];
      return;
    }
    const pageOnly = [...this.#here.values()].filter((w) => w.by === me.login);
    try {
      const found = await this.#store.find(me.login, view?.deviceKey ?? '');
      this.others = found.others;
      const broken = found.broken.map(({ id, since }) => ({
        id,
        since,
        job: '',
        unit: '?',
        by: me.login,
        refused: UNREADABLE
      }));
      this.#kept = [...broken, ...found.mine, ...pageOnly];
    } catch {
      this.#kept = pageOnly;
    }
  }

  /**
   * Sends an entry, behind those of its job that wait already.
   *
   * @returns what the job has become; undefined where the entry waits
   * @throws Problem when the server will not have it, or too much waits
   */
  async send(entry: Waiting): Promise<JobView | undefined> {
    if (this.#kept.length >= MOST_WAITING) {
      throw new Problem(
        0,
        'Too many wait',
        `${MOST_WAITING} entries wait on this device already; let them go out first.`
      );
    }
    this.#sending = entry.id;
    try {
      // kept before it is sent: a page that ends in between has it still
      await this.#keep(entry);
      return await inTurn(async () => {
        if (!(await this.#sendUpTo(entry.job, entry.id))) return undefined;
        const view = await deliver(entry);
        await this.drop(entry.id);
        this.away = '';
        return view;
      }, LONGEST_TURN_MS);
    } catch (e) {
      if (e instanceof Problem && !passing(e)) {
        await this.drop(entry.id);
        throw e;
      }
      if (e instanceof Problem) this.away = reason(e);
      this.soon(this.#pause);
      return undefined;
    } finally {
      this.#sending = '';
    }
  }

  /** Sends what waits of a job before an entry. @returns whether that is all gone */
  async #sendUpTo(job: string, id: string): Promise<boolean> {
    await this.load();
    for (const w of this.#kept) {
      if (w.id === id) return true;
      if (w.job === job && !w.refused && !(await this.#sent(w))) return false;
    }
    return true;
  }

  async drop(id: string): Promise<void> {
    this.#here.delete(id);
    await this.#store.drop(id).catch(() => undefined);
    await this.#changed();
  }

  /** Tries again in a while. */
  soon(after: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), after);
  }

  /** Sends what waits, in order; stops where the server does not answer. */
  async flush() {
    await inTurn(async () => {
      await this.load();
      for (const next of this.#kept.filter((w) => !w.refused && w.id !== this.#sending))
        if (!(await this.#sent(next))) return;
    });
  }

  /** Sends one. @returns whether the next one may follow */
  async #sent(entry: Waiting): Promise<boolean> {
    try {
      const view = await deliver(entry);
      await this.drop(entry.id);
      this.#listeners.forEach((tell) => tell(entry.job, view));
      this.away = '';
      this.#pause = FIRST_PAUSE_MS;
      return true;
    } catch (e) {
      if (passing(e)) {
        this.away = reason(e);
        this.#pause = Math.min(2 * this.#pause, LONGEST_PAUSE_MS);
        this.soon(this.#pause);
        return false;
      }
      await this.#keep({ ...entry, refused: reason(e) });
      return true;
    }
  }

  async #keep(entry: Waiting) {
    try {
      await this.#store.keep(entry, session.view?.deviceKey ?? '');
      this.full = false;
    } catch {
      this.full = true;
      this.#here.set(entry.id, entry);
    }
    await this.#changed();
  }

  async #changed() {
    await this.load();
    this.#pages?.postMessage('changed');
  }
}

function deliver(entry: Waiting): Promise<JobView> {
  if (entry.evidence) return api.addEvidence(entry.job, entry.id, entry.evidence);
  if (entry.told) return api.tell(entry.job, entry.id, entry.told);
  throw new Error('an entry says something');
}

/**
 * While no other page of this browser does the same.
 *
 * @throws where no turn comes within so long
 */
async function inTurn<T>(work: () => Promise<T>, longestMs?: number): Promise<T> {
  // without TLS there are no locks but on this machine, and tests have none
  if (!('locks' in navigator)) return work();
  if (longestMs === undefined) return navigator.locks.request(CHANNEL, work);
  return navigator.locks.request(CHANNEL, { signal: AbortSignal.timeout(longestMs) }, work);
}

export const outbox = new Outbox();
