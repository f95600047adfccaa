<script lang="ts">
  import { Modal, PasswordInput } from 'carbon-components-svelte';
  import { api, reason } from '../lib/api/client';
  import { session } from '../lib/session/session.svelte';

  /** Who is signed in, and the way out. */
  let open = $state(false);
  let changing = $state(false);
  let present = $state('');
  let wanted = $state('');
  let error = $state('');
  let root = $state<HTMLElement>();

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

  function away(event: MouseEvent) {
    if (open && !root?.contains(event.target as Node)) open = false;
  }
</script>

<svelte:window onclick={away} onkeydown={(e) => e.key === 'Escape' && (open = false)} />

{#if session.me}
  <div class="person" bind:this={root}>
    <button type="button" aria-expanded={open} aria-haspopup="true" onclick={() => (open = !open)}
      >{session.me.name}</button
    >
    {#if open}
      <div class="card menu">
        <p class="soft">{session.me.name}, {session.me.role}</p>
        <button type="button" onclick={() => (changing = true)}>Change password</button>
        <button type="button" onclick={() => trying(() => session.signOut(false))}>Sign out</button>
        <button type="button" onclick={() => trying(() => session.signOut(true))}>Sign out everywhere</button>
        {#if error && !changing}<p class="failed" role="alert">{error}</p>{/if}
      </div>
    {/if}
  </div>
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
  .person {
    position: relative;
  }
  .person > button {
    color: var(--frame-ink);
    background: none;
    border: 0;
    font: inherit;
    font-size: 0.875rem;
    padding: 0.5rem 0;
    cursor: pointer;
  }
  .person > button:hover {
    text-decoration: underline;
  }
  .menu {
    position: absolute;
    right: 0;
    top: 100%;
    z-index: 8000;
    min-width: 13rem;
    padding: 10px 0;
    color: var(--ink);
    box-shadow: 0 6px 18px rgb(0 0 0 / 25%);
  }
  .menu p {
    padding: 0 16px 8px;
    font-size: 0.875rem;
  }
  .menu button {
    display: block;
    width: 100%;
    min-height: 44px;
    padding: 0 16px;
    text-align: left;
    background: none;
    border: 0;
    color: inherit;
    font: inherit;
    font-size: 0.9375rem;
    cursor: pointer;
  }
  .menu button:hover {
    background: var(--field);
  }
</style>
