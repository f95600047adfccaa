import type { Failure } from '../JobSession.svelte';

/** A change sent from a dialog, which stays open with what was typed until the change is made. */
export class Attempt {
  sending = $state(false);
  error = $state('');

  /** Sends it once at a time, and closes the dialog where it was made. */
  async make(change: () => Promise<Failure | undefined>, close: () => void): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    const failure = await change();
    this.sending = false;
    if (failure) this.error = failure.why;
    else close();
  }
}
