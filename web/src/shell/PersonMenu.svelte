<script lang="ts">
  import { Modal, PasswordInput } from 'carbon-components-svelte';
  import { api, reason } from '../lib/api/client';
  import { session } from '../lib/session/session.svelte';
  import DropDown from './DropDown.svelte';

  /** Who is signed in, and the way out. */
  let open = $state(false);
  let changing = $state(false);
  let present = $state('');
  let wanted = $state('');
  let error = $state('');

  async function trying(what: () => Promise<unknown>) {
    error = '';
    try {
      await what();
      open = false;
      changing = false;
    } catch (e) {
      error = reason(e);
    }
  }

  const change = () =>
    trying(async () => {
      await api.changePassword(present, wanted);
      present = wanted = '';
      await session.load();
    });
</script>

{#if session.me}
  <DropDown label={session.me.name} bind:open>
    <p class="soft">{session.me.name}, {session.me.role}</p>
    <button type="button" onclick={() => (changing = true)}>Change password</button>
    <button type="button" onclick={() => trying(() => session.signOut(false))}>Sign out</button>
    <button type="button" onclick={() => trying(() => session.signOut(true))}>Sign out everywhere</button>
    {#if error && !changing}<p class="failed" role="alert">{error}</p>{/if}
  </DropDown>
{/if}

{#if changing}
  <Modal
    open
    size="sm"
    modalHeading="Change password"
    primaryButtonText="Change"
    secondaryButtonText="Cancel"
    hasForm
    on:click:button--secondary={() => (changing = false)}
    on:close={() => (changing = false)}
    on:submit={change}
  >
    <PasswordInput labelText="Present password" autocomplete="current-password" bind:value={present} />
    <br />
    <PasswordInput
      labelText="New password"
      helperText="Twelve characters at least; a few words do well. You are signed out everywhere."
      autocomplete="new-password"
      bind:value={wanted}
    />
    {#if error}<p class="failed" role="alert">{error}</p>{/if}
  </Modal>
{/if}

<style>
  button {
    display: block;
    width: 100%;
    min-height: 44px;
    padding: 0;
    text-align: left;
    background: none;
    border: 0;
    color: inherit;
    font: inherit;
    font-size: 0.9375rem;
    cursor: pointer;
  }
  button:hover {
    background: var(--field);
  }
</style>
