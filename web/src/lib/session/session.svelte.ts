import { api, type NewPerson, type Person, type SessionView, reached, signedOut } from '../api/client';

/** Who is at work on this page. */
class Session {
  view = $state.raw<SessionView>();
  readonly me = $derived<Person | undefined>(this.view?.me ?? undefined);
  readonly lead = $derived(this.me?.role === 'lead');
  readonly readsOnly = $derived(this.me?.role === 'viewer');

  /** Whether what is shown was kept here, since the server cannot be reached. */
  kept = $state(false);

  constructor() {
    reached.tell = (how) => (this.kept = how === 'kept');
    signedOut.tell = () => void this.load();
  }

  async load() {
    this.view = await api.session();
  }

  /** What was kept for whoever was here before. */
  async #forget() {
    if ('caches' in globalThis) await caches.delete('data');
  }

  async signIn(login: string, password: string) {
    await this.#forget();
    this.view = await api.signIn(login, password);
  }

  async click(login: string) {
    await this.#forget();
    this.view = await api.click(login);
  }

  async first(lead: NewPerson) {
    this.view = await api.firstLead(lead);
  }

  async signOut(everywhere: boolean) {
    await api.signOut(everywhere);
    await this.#forget();
    await this.load();
  }
}

export const session = new Session();
