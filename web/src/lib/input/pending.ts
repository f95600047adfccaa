/**
 * What was sent and not acknowledged yet, kept in the browser over a reload: sent again, the same goes out under
 * the same id, so that nothing is saved twice.
 */
export class Pending<T> {
  constructor(private readonly key: string) {}

  get(): { id: string; content: T } | undefined {
    const kept = localStorage.getItem(this.key);
    return kept === null ? undefined : (JSON.parse(kept) as { id: string; content: T });
  }

  /** The id under which this goes out: that of the last try, if it held the same. */
  idOf(content: T): string {
    const last = this.get();
    if (last && JSON.stringify(last.content) === JSON.stringify(content)) return last.id;
    const id = crypto.randomUUID();
    localStorage.setItem(this.key, JSON.stringify({ id, content }));
    return id;
  }

  /** It was saved, or refused for good. */
  settled(): void {
    localStorage.removeItem(this.key);
  }
}
