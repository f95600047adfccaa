<script lang="ts">
  import { Button, InlineLoading, InlineNotification, Search } from 'carbon-components-svelte';
  import { link, push } from 'svelte-spa-router';
  import { api, reason } from '../../lib/api/client';
  import { Loaded } from '../../lib/api/loaded.svelte';
  import Away from '../../lib/controls/Away.svelte';
  import FileButton from '../../lib/controls/FileButton.svelte';
  import UnitForm from './UnitForm.svelte';

  /** The machines of the shop. */
  const list = new Loaded(() => api.units());
  let error = $state('');
  let search = $state('');
  let making = $state(false);

  const found = $derived(
    (list.value ?? []).filter((u) =>
      `${u.tag} ${u.title} ${u.model} ${u.serial} ${u.place}`
        .toLowerCase()
        .includes(search.trim().toLowerCase())
    )
  );

  async function take(csv: string) {
    try {
      list.value = await api.importUnits(csv);
      error = '';
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<svelte:head><title>Units · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <header>
    <h1>Units</h1>
    <div class="search">
      <Search size="sm" labelText="Search units" placeholder="Tag, title, model, place" bind:value={search} />
    </div>
    <a href="/api/units.csv" download="units.csv">Export a table</a>
    <FileButton label="Import a table" accept=".csv" ontext={take} onerror={(m) => (error = m)} />
    <Button size="small" on:click={() => (making = true)}>New unit</Button>
  </header>

  {#if error}
    <InlineNotification kind="error" title="Not taken" subtitle={error} lowContrast />
  {/if}
  {#if list.away}
    <Away title="The units cannot be shown" why={list.away} onretry={() => list.load()} />
  {:else if !list.value}
    <InlineLoading description="Looking for units" />
  {:else if list.value.length === 0}
    <p class="soft">No units yet. A new job makes its unit; a table brings many at once.</p>
  {:else}
    <ul class="card rows">
      {#each found as unit (unit.id)}
        <li>
          <a href={`/units/${unit.tag}`} use:link>
            <b>{unit.tag}</b>
            <span>{unit.title}<small class="soft">{unit.place}</small></span>
            <span class="soft">{unit.model}<small>{unit.serial}</small></span>
          </a>
        </li>
      {/each}
    </ul>
    {#if found.length === 0}<p class="soft">No unit has "{search}" in it.</p>{/if}
  {/if}
</div>

{#if making}
  <UnitForm onclose={() => (making = false)} onkept={(unit) => push(`/units/${unit.tag}`)} />
{/if}

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 1rem;
    margin-bottom: 1.25rem;
  }
  .search {
    flex: 1 1 12rem;
    max-width: 24rem;
    margin-left: auto;
  }
  header a {
    color: var(--good);
    text-decoration: none;
  }
  li a {
    display: grid;
    grid-template-columns: 7rem 1fr 14rem;
    gap: 1rem;
    padding: 10px 16px;
    font-size: 0.9375rem;
    line-height: 1.4;
  }
  small {
    display: block;
    font-size: 0.8125rem;
  }
  @media (max-width: 672px) {
    .search {
      order: 3;
      flex-basis: 100%;
      max-width: none;
      margin: 0;
    }
    li a {
      grid-template-columns: 5rem 1fr;
    }
    li a span:last-child {
      grid-column: 2;
    }
  }
</style>
