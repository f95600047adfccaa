/**
 * What is typed and not sent yet, kept over a reload as far as the device has room for it. A full or forbidden storage
 * never stands in the way of typing. All of it goes at signing out, on every page of this browser.
 */
const PREFIX = 'typed ';

function safely<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

const mine = (storage: Storage) => Object.keys(storage).filter((k) => k.startsWith(PREFIX));

export const typed = {
  get: (key: string): string => safely(() => localStorage.getItem(PREFIX + key)) ?? '',

  set(key: string, text: string): void {
    safely(() => (text ? localStorage.setItem(PREFIX + key, text) : localStorage.removeItem(PREFIX + key)));
  },

  /** What was kept as JSON; undefined where nothing was, or what cannot be read. */
  read: <T>(key: string): T | undefined =>
    safely(() => JSON.parse(localStorage.getItem(PREFIX + key) ?? '') as T),

  write: (key: string, what: unknown): void => typed.set(key, JSON.stringify(what)),

  forget(): void {
    safely(() => mine(localStorage).forEach((k) => localStorage.removeItem(k)));
  }
};
