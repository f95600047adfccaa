<script lang="ts">
  import { typed } from '../../lib/device/typed';
  import { Button, InlineLoading, InlineNotification, Search } from 'carbon-components-svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api/client';
  import { Loaded } from '../../lib/api/loaded.svelte';
  import Away from '../../lib/controls/Away.svelte';
  import { ago, familyWords, unbroken } from '../../lib/format/format';
  import FileButton from '../../lib/controls/FileButton.svelte';
  import { DRAFT_KEY } from './draft';

  const list = new Loaded(() => api.sheets());
  let error = $state('');
  let search = $state('');

  const found = $derived(
    (list.value ?? []).filter((s) =>
      `${s.key} ${s.title} ${familyWords(s.family)}`.toLowerCase().includes(search.trim().toLowerCase())
    )
  );
  const full = $derived(found.filter((s) => !s.sketched));
  const shelves = $derived([
    ...[...new Set(full.map((s) => s.family))]
      .sort()
      .map((family) => ({ title: familyWords(family), members: full.filter((s) => s.family === family) })),
    { title: 'Sketched', members: found.filter((s) => s.sketched) }
  ]);

  async function take(text: string) {
    typed.set(DRAFT_KEY, text);
    await push('/sheets/new');
  }
</script>

<svelte:head><title>Sheets · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <header>
    <h1>Circuit sheets</h1>
    <div class="search">
      <Search size="sm" labelText="Search sheets" placeholder="Family, title, key" bind:value={search} />
    </div>
    <FileButton label="Import a file" ontext={take} onerror={(m) => (error = m)} />
    <button type="button" class="quiet-button" onclick={() => push('/sheets/new')}>New sheet</button>
    <Button size="small" on:click={() => push('/sheets/type')}>Type a chain</Button>
  </header>

  {#if error}
    <InlineNotification kind="error" title="Not taken" subtitle={error} lowContrast />
  {/if}
  {#if list.away}
    <Away title="The sheets cannot be shown" why={list.away} onretry={() => list.load()} />
  {:else if !list.value}
    <InlineLoading description="Looking for sheets" />
  {:else}
    <div class="families">
      {#each shelves.filter((s) => s.members.length > 0) as { title, members } (title)}
        <section>
          <h2>{title}</h2>
          <ul class="card rows">
            {#each members as sheet (sheet.key)}
              <li>
                <a href={`/sheets/${sheet.key}`} use:link>
                  <span class="title">{unbroken(sheet.title)}</span>
                  <small class="soft figure">{sheet.key}</small>
                  <small class="soft">revision {sheet.revision}, {ago(sheet.createdAt)}</small>
                </a>
              </li>
            {/each}
          </ul>
        </section>
      {/each}
    </div>
    {#if found.length === 0}
      <p class="soft">
        {search ? `No sheet has "${search}" in it.` : 'No sheets yet. Type a chain, or import a file.'}
      </p>
    {/if}
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 1rem;
    margin-bottom: 0.5rem;
  }
  .search {
    flex: 1 1 12rem;
    max-width: 24rem;
    margin-left: auto;
  }
  .families {
    columns: 3 22rem;
    column-gap: 20px;
  }
  section {
    break-inside: avoid;
    padding-top: 0.75rem;
  }
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
    color: var(--ink-soft);
    margin: 0 0 0.4rem;
  }
  a {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 12px;
    padding: 11px 14px;
    line-height: 1.35;
  }
  .title {
    grid-column: 1 / 3;
    font-size: 0.9375rem;
  }
  small {
    font-size: 0.8125rem;
  }
  @media (max-width: 672px) {
    .search {
      order: 3;
      flex-basis: 100%;
      max-width: none;
      margin: 0;
    }
  }
</style>
