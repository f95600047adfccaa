import {
  api,
  type NewPerson,
  type Person,
  Problem,
  reached,
  type SessionView,
  signedOut
} from '../api/client';
import { typed } from '../device/typed';

const CHANNEL = 'session';
const LEFT = 'signed-out';
const AGAIN_MS = 3_000;

const NOBODY: SessionView = { byClick: [], needsLead: false, secondFactor: 'none' };

/** Who is at work on this page. */
class Session {
  view = $state.raw<SessionView>();
  readonly me = $derived<Person | undefined>(this.view?.me ?? undefined);
  readonly lead = $derived(this.me?.role === 'lead');
  readonly readsOnly = $derived(this.me?.role === 'viewer');
  /** Whether somebody signed out whom the server could not be told of yet. */
  left = $state(false);

  /** Whether what is shown was kept here, since the server cannot be reached. */
  kept = $state(false);

  readonly #pages = 'BroadcastChannel' in globalThis ? new BroadcastChannel(CHANNEL) : undefined;

  constructor() {
    reached.tell = (how) => (this.kept = how === 'kept');
    signedOut.tell = () => void this.#ended();
    if (this.#pages) this.#pages.onmessage = () => void this.load().catch(() => (this.view = NOBODY));
  }

  async load() {
    if (leftBefore()) await this.#tellOfLeaving();
    if (!leftBefore()) this.view = await api.session();
    else if (this.view !== NOBODY) this.view = NOBODY;
  }

  /** The server knows nobody any more: by time, by a lead, by another device. */
  async #ended() {
    await this.#forget();
    await this.load();
  }

  /** What is kept on this device for whoever was here, but what waits for the server: that is encrypted. */
  async #forget() {
    navigator.serviceWorker?.controller?.postMessage({ forget: true });
    if ('caches' in globalThis) await caches.delete('data').catch(() => false);
  }

  async signIn(login: string, password: string, code: string) {
    await this.#come(() => api.signIn(login, password, code));
  }

  async click(login: string) {
    await this.#come(() => api.click(login));
  }

  async first(lead: NewPerson) {
    await this.#come(() => api.firstLead(lead));
  }

  async #come(how: () => Promise<SessionView>) {
    await this.#forget();
    this.view = await how();
    remember(false);
    this.left = false;
    this.#pages?.postMessage('changed');
  }

  /** Leaves nothing readable here, also where the server cannot be told: that is done once it is back. */
  async signOut(everywhere: boolean) {
    remember(true);
    typed.forget();
    await this.#forget();
    this.view = NOBODY;
    this.#pages?.postMessage('changed');
    await this.#tellOfLeaving(everywhere);
    if (!this.left) await this.load();
  }

  async #tellOfLeaving(everywhere = false) {
    try {
      await api.signOut(everywhere);
    } catch (e) {
      // refused, the session is over anyway; where nobody answered it is told again
      if (!(e instanceof Problem) || e.passing) {
        this.left = true;
        setTimeout(() => void this.load().catch(() => undefined), AGAIN_MS);
        return;
      }
    }
    remember(false);
    this.left = false;
  }
}

function leftBefore(): boolean {
  try {
    return localStorage.getItem(LEFT) !== null;
  } catch {
    return false;
  }
}

function remember(left: boolean) {
  try {
    if (left) localStorage.setItem(LEFT, 'yes');
    else localStorage.removeItem(LEFT);
  } catch {
    // a device that keeps nothing keeps no session either
  }
}

export const session = new Session();
