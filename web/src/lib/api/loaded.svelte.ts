import { reason } from './client';

/** Something that a screen shows once it has been fetched, or why it could not be. */
export class Loaded<T> {
  value = $state.raw<T>();
  away = $state('');

  constructor(private readonly fetched: () => Promise<T>) {
    void this.load();
  }

  async load(): Promise<void> {
    try {
      this.away = '';
      this.value = await this.fetched();
    } catch (e) {
      this.away = reason(e);
    }
  }
}
