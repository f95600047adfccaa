import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { keyOf, open, seal, type Sealed } from '../device/sealed';
import type { Waiting } from './outbox.svelte';

/** An entry as it lies on the device: whose it is may be read, what it says may not. */
interface Kept {
  seq?: number;
  id: string;
  by: string;
  since: string;
  sealed: Sealed;
}

interface Device extends DBSchema {
  outbox: { key: number; value: Kept; indexes: { id: string } };
}

/** What waits on this device. */
export interface Found {
  /** The person's own, in the order they were made. */
  mine: Waiting[];
  /** Ids of those of theirs that cannot be read. */
  broken: { id: string; since: string }[];
  /** How many wait for others, by login. */
  others: Record<string, number>;
}

const text = (value: unknown) => (typeof value === 'string' ? value : '');

/** Entries in the browser's database: in order, from any number of pages, encrypted for their person. */
export class OutboxStore {
  #db: Promise<IDBPDatabase<Device>> | undefined;

  #open(): Promise<IDBPDatabase<Device>> {
    this.#db ??= openDB<Device>('jolly-chain', 1, {
      upgrade: (db) =>
        db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true }).createIndex('id', 'id')
    });
    this.#db.catch(() => (this.#db = undefined));
    return this.#db;
  }

  /**
   * Keeps an entry behind those that are there; one that is there already in its place.
   *
   * @throws where the device has no room, no database or no encryption
   */
  async keep(entry: Waiting, deviceKey: string): Promise<void> {
    const key = await keyOf(deviceKey);
    if (!key) throw new Error('nothing is kept without encryption');
    const { id, by, since } = entry;
    const kept: Kept = { id, by, since, sealed: await seal(key, entry) };
    const tx = (await this.#open()).transaction('outbox', 'readwrite');
    const seq = await tx.store.index('id').getKey(id);
    await tx.store.put(seq === undefined ? kept : { ...kept, seq });
    await tx.done;
  }

  async drop(id: string): Promise<void> {
    const tx = (await this.#open()).transaction('outbox', 'readwrite');
    const seq = await tx.store.index('id').getKey(id);
    if (seq !== undefined) await tx.store.delete(seq);
    await tx.done;
  }

  async find(login: string, deviceKey: string): Promise<Found> {
    const found: Found = { mine: [], broken: [], others: {} };
    const key = await keyOf(deviceKey);
    for (const kept of await (await this.#open()).getAll('outbox')) {
      const by = text(kept.by);
      if (by !== login) found.others[by] = (found.others[by] ?? 0) + 1;
      else
        try {
          if (!key) throw new Error('no key');
          const entry = await open<Waiting>(key, kept.sealed);
          if (!entry.id || !entry.job || !(entry.evidence ?? entry.told)) throw new Error('no entry');
          found.mine.push(entry);
        } catch {
          found.broken.push({ id: text(kept.id), since: text(kept.since) });
        }
    }
    return found;
  }
}
