<script lang="ts">
  import { Modal, PasswordInput } from 'carbon-components-svelte';
  import { api, reason } from '../lib/api/client';
  import { outbox } from '../lib/outbox/outbox.svelte';
  import { session } from '../lib/session/session.svelte';
  import DropDown from './DropDown.svelte';
  import FactorSetup from './FactorSetup.svelte';
  import SessionsList from './SessionsList.svelte';

  /** Who is signed in, and the way out. */
  let open = $state(false);
  let dialog = $state<'password' | 'sessions' | 'factor' | 'factor-off'>();
  let present = $state('');
  let wanted = $state('');
  let error = $state('');

  async function trying(what: () => Promise<unknown>) {
    error = '';
    try {
      await what();
      close();
    } catch (e) {
      error = reason(e);
    }
  }

  function show(which: typeof dialog) {
    open = false;
    dialog = which;
  }

  function close() {
    open = false;
    dialog = undefined;
    present = wanted = error = '';
  }

  const change = () =>
    trying(async () => {
      await api.changePassword(present, wanted);
      await session.load();
    });

  const takeOff = () =>
    trying(async () => {
      await api.takeOffFactor(present);
      await session.load();
    });
</script>

{#if session.me}
  <DropDown label={session.me.name} bind:open>
    <p class="soft">{session.me.name}, {session.me.role}</p>
    {#if session.view?.byClick.length === 0}
      <button type="button" onclick={() => show('password')}>Change password</button>
      {#if session.view.secondFactor === 'on'}
        <button type="button" onclick={() => show('factor-off')}>Take second factor off</button>
      {:else}
        <button type="button" onclick={() => show('factor')}>Set up second factor</button>
      {/if}
    {/if}
    <button type="button" onclick={() => show('sessions')}>Where I am signed in</button>
    <button type="button" onclick={() => trying(() => session.signOut(false))}>Sign out</button>
    <button type="button" onclick={() => trying(() => session.signOut(true))}>Sign out everywhere</button>
    {#if outbox.waiting.length > 0}
      <p class="soft">
        What waits for the server stays on this device for you, encrypted, until you sign in here again.
      </p>
    {/if}
    {#if error && !dialog}<p class="failed" role="alert">{error}</p>{/if}
  </DropDown>
{/if}

{#if dialog === 'password'}
  <Modal
    open
    size="sm"
    modalHeading="Change password"
    primaryButtonText="Change"
    secondaryButtonText="Cancel"
    hasForm
    on:click:button--secondary={close}
    on:close={close}
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
{:else if dialog === 'factor-off'}
  <Modal
    open
    size="sm"
    modalHeading="Take second factor off"
    primaryButtonText="Take it off"
    secondaryButtonText="Cancel"
    hasForm
    on:click:button--secondary={close}
    on:close={close}
    on:submit={takeOff}
  >
    <PasswordInput labelText="Your password" autocomplete="current-password" bind:value={present} />
    {#if error}<p class="failed" role="alert">{error}</p>{/if}
  </Modal>
{:else if dialog === 'factor'}
  <Modal open passiveModal size="sm" modalHeading="Second factor" on:close={close}>
    <FactorSetup ondone={close} />
  </Modal>
{:else if dialog === 'sessions'}
  <Modal open passiveModal size="sm" modalHeading="Where I am signed in" on:close={close}>
    <SessionsList />
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
