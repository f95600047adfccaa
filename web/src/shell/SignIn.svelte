<script lang="ts">
  import { Problem, reason } from '../lib/api/client';
  import { session } from '../lib/session/session.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Door from './Door.svelte';

  /** Who is at work? In the demo a click says it; an empty library asks for its first lead. */
  let login = $state('');
  let name = $state('');
  let password = $state('');
  let code = $state('');
  /** Whether the password was right and the code of the second factor is asked for. */
  let coded = $state(false);
  let error = $state('');
  let busy = $state(false);

  const byClick = $derived(session.view?.byClick ?? []);
  const first = $derived(session.view?.needsLead ?? false);

  async function trying(what: () => Promise<void>) {
    if (busy) return;
    busy = true;
    error = '';
    try {
      await what();
      password = code = '';
    } catch (e) {
      const asked = e instanceof Problem && e.needs === 'code';
      // the first time it is a question, no error
      if (asked && !coded) coded = true;
      else error = reason(e);
    } finally {
      busy = false;
    }
  }

  function send(event: SubmitEvent) {
    event.preventDefault();
    void trying(() =>
      first ? session.first({ login, name, role: 'lead', password }) : session.signIn(login, password, code)
    );
  }
</script>

<svelte:head><title>Sign in · Jolly Chain</title></svelte:head>

<Door title={byClick.length > 0 ? 'Who is at work?' : first ? 'Who leads this shop?' : 'Sign in'}>
  {#if byClick.length > 0}
    <p class="soft">Tern Skerry Field Station, a demo: a click is enough here.</p>
    <ul>
      {#each byClick as person (person.login)}
        <li>
          <button type="button" disabled={busy} onclick={() => trying(() => session.click(person.login))}
            ><b>{person.name}</b><span>{person.role}</span></button
          >
        </li>
      {/each}
    </ul>
  {:else}
    {#if first}
      <p class="soft">
        This library is empty. Its first person is a lead: who may work live, who else comes in, is theirs to
        say.
      </p>
    {/if}
    <form onsubmit={send}>
      {#if first}<Field label="Name" required maxlength={60} autocomplete="name" bind:value={name} />{/if}
      <Field
        label="Login"
        required
        maxlength={40}
        autocapitalize="none"
        autocomplete="username"
        spellcheck="false"
        bind:value={login}
      />
      <Field
        label="Password"
        required
        type="password"
        minlength={first ? 12 : undefined}
        autocomplete={first ? 'new-password' : 'current-password'}
        bind:value={password}
      />
      {#if coded}
        <Field
          label="Code of your second factor"
          required
          autofocus
          inputmode="numeric"
          autocomplete="one-time-code"
          maxlength={20}
          bind:value={code}
        />
        <p class="soft">What your phone shows now, or one of your recovery codes.</p>
      {/if}
      {#if first}<p class="soft">Twelve characters at least; a few words do well.</p>{/if}
      <button class="main-button" type="submit" disabled={busy}>{first ? 'Begin' : 'Sign in'}</button>
    </form>
  {/if}
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
  {#if session.left}
    <p class="soft" role="status">
      Signed out here. The server does not answer; it is told as soon as it is back.
    </p>
  {/if}
</Door>

<style>
  p {
    font-size: 0.9375rem;
    line-height: 1.4;
  }
  ul {
    list-style: none;
    margin: 18px 0 0;
    padding: 0;
    display: grid;
    gap: 8px;
  }
  li button {
    display: flex;
    justify-content: space-between;
    align-items: center;
    width: 100%;
    min-height: 52px;
    padding: 0 16px;
    font: inherit;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  li button:hover {
    border-color: var(--brass-line);
  }
  li span {
    color: var(--ink-soft);
    font-size: 0.875rem;
  }
  form {
    display: grid;
    gap: 14px;
    padding-top: 14px;
  }
</style>
