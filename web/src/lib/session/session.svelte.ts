import { api, type NewPerson, type Person, type SessionView, signedOut } from '../api/client';

/** Who is at work on this page. */
class Session {
  view = $state.raw<SessionView>();
  readonly me = $derived<Person | undefined>(this.view?.me ?? undefined);
  readonly lead = $derived(this.me?.role === 'lead');
  readonly readsOnly = $derived(this.me?.role === 'viewer');

  constructor() {
    signedOut.tell = () => void this.load();
  }

  async load() {
    this.view = await api.session();
  }

  async signIn(login: string, password: string) {
    this.view = await api.signIn(login, password);
  }

  async click(login: string) {
    this.view = await api.click(login);
  }

  async first(lead: NewPerson) {
    this.view = await api.firstLead(lead);
  }

  async signOut(everywhere: boolean) {
    await api.signOut(everywhere);
    await this.load();
  }
}

export const session = new Session();
