import { api, type Evidence, type JobView, Problem, reason, type VisitKind } from '../api/client';
import { session } from '../session/session.svelte';

/** What is said of a visit beside its evidence. */
export interface Told {
  kind: VisitKind;
  subject: string;
  value: string;
}

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

const KEY = 'outbox';
const FIRST_PAUSE_MS = 1_000;
const LONGEST_PAUSE_MS = 20_000;

/** Whether the same may be taken later: nobody answered, or nobody was signed in. */
const passing = (e: unknown) => e instanceof Problem && (e.passing || e.status === 401 || e.status === 429);

/**
 * Entries made while the server cannot be reached: kept in the browser over a reload, sent once and in order when it
 * is back. One page of the browser sends at a time.
 */
class Outbox {
  #kept = $state.raw<Waiting[]>(read());
  /** What is on its first way is no news yet. */
  #sending = $state('');
  readonly waiting = $derived(this.#kept.filter((w) => w.id !== this.#sending));
  /** Why the last try did not get through; empty while it does. */
  away = $state('');
  #pause = FIRST_PAUSE_MS;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #listeners = new Set<(job: string, view: JobView) => void>();

  constructor() {
    addEventListener('storage', (e) => {
      if (e.key === KEY) this.#kept = read();
    });
    addEventListener('online', () => this.soon(0));
    if (this.#kept.length > 0) this.soon(0);
  }

  of(job: string): Waiting[] {
    return this.waiting.filter((w) => w.job === job);
  }

  /** Tells what a job has become by what was sent for it. */
  onSent(listener: (job: string, view: JobView) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /**
   * Sends an entry, behind those that wait already.
   *
   * @returns what the job has become; undefined where the entry waits
   * @throws Problem when the server will not have it
   */
  async send(entry: Waiting): Promise<JobView | undefined> {
    const behind = read().some((w) => w.job === entry.job && !w.refused);
    // kept before it is sent: a page that ends in between has it still
    this.#keep(entry);
    if (behind) {
      this.soon(0);
      return undefined;
    }
    this.#sending = entry.id;
    try {
      const view = await exclusively(() => deliver(entry));
      if (view) {
        this.drop(entry.id);
        this.away = '';
      } else this.soon(0);
      return view;
    } catch (e) {
      if (!passing(e)) {
        this.drop(entry.id);
        throw e;
      }
      this.away = reason(e);
      this.soon(this.#pause);
      return undefined;
    } finally {
      this.#sending = '';
    }
  }

  drop(id: string) {
    this.#write(read().filter((w) => w.id !== id));
  }

  /** Tries again in a while. */
  soon(after: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), after);
  }

  /** Sends what waits, in order; stops where the server does not answer. */
  async flush() {
    await exclusively(async () => {
      for (;;) {
        const next = read().find((w) => !w.refused && w.by === (session.me?.login ?? w.by));
        if (!next) return;
        try {
          const view = await deliver(next);
          this.drop(next.id);
          this.#listeners.forEach((tell) => tell(next.job, view));
          this.away = '';
          this.#pause = FIRST_PAUSE_MS;
        } catch (e) {
          if (passing(e)) {
            this.away = reason(e);
            this.#pause = Math.min(2 * this.#pause, LONGEST_PAUSE_MS);
            this.soon(this.#pause);
            return;
          }
          this.#write(read().map((w) => (w.id === next.id ? { ...w, refused: reason(e) } : w)));
        }
      }
    });
  }

  #keep(entry: Waiting) {
    this.#write([...read().filter((w) => w.id !== entry.id), entry]);
  }

  #write(waiting: Waiting[]) {
    if (waiting.length === 0) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(waiting));
    this.#kept = waiting;
  }
}

function read(): Waiting[] {
  return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Waiting[];
}

function deliver(entry: Waiting): Promise<JobView> {
  if (entry.evidence) return api.addEvidence(entry.job, entry.id, entry.evidence);
  if (entry.told) {
    const { kind, subject, value } = entry.told;
    return api.tell(entry.job, entry.id, kind, subject, value);
  }
  throw new Error('an entry says something');
}

/** While no other page of this browser does the same; undefined where one does. */
async function exclusively<T>(work: () => Promise<T>): Promise<T | undefined> {
  // without TLS there are no locks but on this machine, and tests have none
  if (!('locks' in navigator)) return work();
  return navigator.locks.request(KEY, { ifAvailable: true }, async (lock) => (lock ? work() : undefined));
}

export const outbox = new Outbox();
