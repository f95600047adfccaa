<script lang="ts">
  import { Button, InlineLoading, InlineNotification } from 'carbon-components-svelte';
  import { link } from 'svelte-spa-router';
  import { api, type ApiToken, type Person, reason, type Role } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import TableCard from '../../lib/controls/TableCard.svelte';
  import { day } from '../../lib/format/format';
  import { session } from '../../lib/session/session.svelte';
  import PasswordDialog from './PasswordDialog.svelte';
  import PersonDialog from './PersonDialog.svelte';
  import TokenDialog from './TokenDialog.svelte';
  import { ROLES } from './roles';

  /** Who may sign in, and as what; the scripts that may come in by a token. */
  let people = $state.raw<Person[]>();
  let tokens = $state.raw<ApiToken[]>([]);
  let away = $state('');
  let error = $state('');
  let required = $state(false);
  let dialog = $state.raw<{ add?: true; passwordOf?: Person; token?: true }>({});

  load();

  async function load() {
    try {
      away = '';
      people = await api.people();
      if (session.lead) tokens = await api.tokens();
      required = (await api.factorRule()).secondFactor;
    } catch (e) {
      away = reason(e);
    }
  }

  async function change(person: Person) {
    try {
      error = '';
      people = await api.changePerson(person);
    } catch (e) {
      error = reason(e);
      people = await api.people().catch(() => people);
    }
  }

  async function require(all: boolean) {
    try {
      error = '';
      required = (await api.keepFactorRule(all)).secondFactor;
      await session.load();
    } catch (e) {
      error = reason(e);
    }
  }

  async function takeOff(person: Person) {
    try {
      error = '';
      people = await api.takeOffFactorOf(person.login);
    } catch (e) {
      error = reason(e);
    }
  }

  async function revoke(token: ApiToken) {
    try {
      error = '';
      tokens = await api.revokeToken(token.id);
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<svelte:head><title>People · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <h1>People</h1>
  {#if away}
    <Away title="The people cannot be shown" why={away} onretry={load} />
  {:else if !people}
    <InlineLoading description="Looking" />
  {:else}
    {#if error}
      <InlineNotification kind="error" title="Not yet" subtitle={error} lowContrast hideCloseButton />
    {/if}
    <TableCard title="Who may sign in" headings={['Name', 'Login', 'Role', '']}>
      {#snippet rows()}
        {#each people ?? [] as person (`${person.login} ${person.version}`)}
          <tr class:retired={person.retired}>
            <th scope="row">{person.name}{person.retired ? ', retired' : ''}</th>
            <td class="figure">{person.login}</td>
            <td>
              {#if session.lead && !person.retired}
                <select
                  aria-label={`Role of ${person.name}`}
                  value={person.role}
                  onchange={(e) => change({ ...person, role: e.currentTarget.value as Role })}
                >
                  {#each ROLES as [value] (value)}<option {value}>{value}</option>{/each}
                </select>
              {:else}{person.role}{/if}
            </td>
            <td>
              {#if session.lead}
                {#if !person.retired}
                  <button type="button" class="quiet-button" onclick={() => (dialog = { passwordOf: person })}
                    >New password</button
                  >
                  {#if person.secondFactor}
                    <button type="button" class="quiet-button" onclick={() => takeOff(person)}
                      >Take second factor off</button
                    >
                  {/if}
                {/if}
                <button
                  type="button"
                  class="quiet-button"
                  onclick={() => change({ ...person, retired: !person.retired })}
                  >{person.retired ? 'Take back' : 'Retire'}</button
                >
                <a href={`/history?by=${person.login}`} use:link>Changes</a>
              {/if}
            </td>
          </tr>
        {/each}
      {/snippet}
    </TableCard>
    <dl class="soft">
      {#each ROLES as [value, words] (value)}<div>
          <dt>{value}</dt>
          <dd>{words}</dd>
        </div>{/each}
    </dl>
    {#if session.lead}
      <p>
        <Button size="small" kind="tertiary" on:click={() => (dialog = { add: true })}>Add a person</Button>
      </p>
      {#if session.view?.byClick.length === 0}
        <label class="rule">
          <input type="checkbox" checked={required} onchange={(e) => require(e.currentTarget.checked)} />
          <span
            ><b>Everybody needs a second factor</b>
            <small class="soft"
              >A code from the phone beside the password. Who has none sets it up at the next sign-in.</small
            ></span
          >
        </label>
      {/if}
      <TableCard title="Tokens for scripts" headings={['For', 'Role', 'Until', 'Made by', '']}>
        {#snippet rows()}
          {#each tokens as token (token.id)}
            <tr class:retired={token.revoked}>
              <th scope="row">{token.title}</th>
              <td>{token.role}</td>
              <td class="figure">{day(token.endsAt)}</td>
              <td>{token.createdBy}</td>
              <td>
                {#if token.revoked}revoked{:else}
                  <button type="button" class="quiet-button" onclick={() => revoke(token)}>Revoke</button>
                {/if}
              </td>
            </tr>
          {:else}
            <tr><td colspan="5" class="soft">None. A script sends one as Authorization: Bearer.</td></tr>
          {/each}
        {/snippet}
      </TableCard>
      <p>
        <Button size="small" kind="tertiary" on:click={() => (dialog = { token: true })}>Make a token</Button>
      </p>
    {/if}
  {/if}
</div>

{#if dialog.add}
  <PersonDialog
    onadded={(all) => {
      people = all;
      dialog = {};
    }}
    onclose={() => (dialog = {})}
  />
{:else if dialog.passwordOf}
  <PasswordDialog person={dialog.passwordOf} onclose={() => (dialog = {})} />
{:else if dialog.token}
  <TokenDialog
    onclose={() => {
      dialog = {};
      load();
    }}
  />
{/if}

<style>
  .rule {
    display: flex;
    gap: 12px;
    align-items: flex-start;
    padding: 6px 0;
    cursor: pointer;
  }
  .rule input {
    width: 20px;
    height: 20px;
    flex: none;
  }
  .rule small {
    display: block;
    padding-top: 4px;
  }
  .plain-page {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }
  .retired {
    color: var(--ink-soft);
  }
  td :is(button, a) {
    padding: 0;
    margin-right: 0.75rem;
  }
  td a {
    color: var(--good);
    text-decoration: none;
  }
  select {
    font: inherit;
    background: var(--field);
    color: var(--ink);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    padding: 4px 6px;
  }
  dl {
    display: grid;
    gap: 2px;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  dl div {
    display: flex;
    gap: 0.75rem;
  }
  dt {
    min-width: 6rem;
    font-weight: 600;
  }
</style>
