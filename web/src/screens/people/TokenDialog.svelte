<script lang="ts">
  import { Modal, NumberInput, TextInput } from 'carbon-components-svelte';
  import { api, reason, type Role } from '../../lib/api/client';
  import RoleChoice from './RoleChoice.svelte';

  /** A token for a script; it is shown here and nowhere again. */
  let { onclose }: { onclose: () => void } = $props();

  const id = crypto.randomUUID();
  let title = $state('');
  let role = $state<Role>('viewer');
  let days = $state<number | null>(90);
  let token = $state('');
  let error = $state('');

  async function make() {
    if (token) return onclose();
    try {
      error = '';
      token = (await api.makeToken(id, title.trim(), role, days ?? 0)).token;
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="A token for a script"
  primaryButtonText={token ? 'I have it' : 'Make'}
  secondaryButtonText={token ? 'Close' : 'Cancel'}
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={make}
>
  {#if token}
    <p>Copy it now. It is not shown again, and nobody can look it up.</p>
    <p class="figure token">{token}</p>
  {:else}
    <TextInput labelText="What for" placeholder="Nightly list" maxlength={60} bind:value={title} />
    <RoleChoice bind:role />
    <NumberInput labelText="Days" min={1} max={366} bind:value={days} />
  {/if}
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
</Modal>

<style>
  .token {
    margin-top: 12px;
    padding: 12px;
    background: var(--field);
    overflow-wrap: anywhere;
    user-select: all;
  }
</style>
