<script lang="ts">
  import { Modal, PasswordInput } from 'carbon-components-svelte';
  import { api, type Person, reason } from '../../lib/api/client';

  /** A new password for somebody who lost theirs. */
  let { person, onclose }: { person: Person; onclose: () => void } = $props();

  let password = $state('');
  let error = $state('');

  async function reset() {
    try {
      error = '';
      await api.resetPassword(person.login, password);
      onclose();
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<Modal
  open
  size="xs"
  modalHeading={`New password for ${person.name}`}
  primaryButtonText="Set"
  secondaryButtonText="Cancel"
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={reset}
>
  <PasswordInput
    labelText="Password"
    helperText="Twelve characters at least. They are signed out everywhere."
    autocomplete="new-password"
    bind:value={password}
  />
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
</Modal>
