<script lang="ts">
  import { Modal, PasswordInput, TextInput } from 'carbon-components-svelte';
  import { api, type Person, reason, type Role } from '../../lib/api/client';
  import RoleChoice from './RoleChoice.svelte';

  /** Somebody new, with the password to begin with. */
  let { onadded, onclose }: { onadded: (all: Person[]) => void; onclose: () => void } = $props();

  let name = $state('');
  let login = $state('');
  let role = $state<Role>('technician');
  let password = $state('');
  let error = $state('');

  async function add() {
    try {
      error = '';
      onadded(await api.addPerson({ login: login.trim(), name: name.trim(), role, password }));
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="Add a person"
  primaryButtonText="Add"
  secondaryButtonText="Cancel"
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={add}
>
  <div class="fields">
    <TextInput labelText="Name" maxlength={60} bind:value={name} />
    <TextInput
      labelText="Login"
      helperText="Small letters, digits, dots or dashes. What they write is stamped with it."
      maxlength={40}
      bind:value={login}
    />
    <RoleChoice bind:role />
    <PasswordInput
      labelText="First password"
      helperText="Twelve characters at least; they change it by their name at the top."
      autocomplete="new-password"
      bind:value={password}
    />
    {#if error}<p class="failed" role="alert">{error}</p>{/if}
  </div>
</Modal>

<style>
  .fields {
    display: grid;
    gap: 16px;
  }
</style>
