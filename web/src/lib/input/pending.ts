import { typed } from '../device/typed';

/**
 * What was sent and not acknowledged yet, kept in the browser over a reload: sent again, the same goes out under
 * the same id, so that nothing is saved twice.
 */
export class Pending<T> {
  #last: { id: string; content: T } | undefined;

  constructor(private readonly key: string) {
    this.#last = typed.read(key);
  }

  get(): { id: string; content: T } | undefined {
    return this.#last;
  }

  /** The id under which this goes out: that of the last try, if it held the same. */
  idOf(content: T): string {
    if (this.#last && JSON.stringify(this.#last.content) === JSON.stringify(content)) return this.#last.id;
    const id = crypto.randomUUID();
    this.#last = { id, content };
    typed.write(this.key, this.#last);
    return id;
  }

  /** It was saved, or refused for good. */
  settled(): void {
    this.#last = undefined;
    typed.set(this.key, '');
  }
}
