<script lang="ts">
  import { Button, InlineLoading, Search } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { router } from 'svelte-spa-router';
  import { api, type Appointment, type JobSummary, reason } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import { isField } from '../../lib/input/shortcuts';
  import Due from './Due.svelte';
  import JobRow from './JobRow.svelte';
  import NewJob from './NewJob.svelte';

  const PAUSE = 200;
  const PAGE = 50;

  let found = $state.raw<{ jobs: JobSummary[]; total: number }>();
  let technicians = $state.raw<string[]>([]);
  let due = $state.raw<Appointment[]>([]);
  let away = $state('');
  let search = $state('');
  let technician = $state('');
  let page = $state(1);
  // whoever typed a sheet for a job comes back with its key
  const made = new URLSearchParams(router.querystring).get('new') ?? '';
  let opening = $state(made !== '');
  let asked = 0;

  const jobs = $derived(found?.jobs ?? []);
  const pages = $derived(Math.max(1, Math.ceil((found?.total ?? 0) / PAGE)));
  const everything = $derived(search.trim() === '' && technician === '');
  const groups = $derived([
    { title: 'Open', jobs: jobs.filter((j) => !j.job.closedAt) },
    { title: 'Closed', jobs: jobs.filter((j) => j.job.closedAt) }
  ]);

  $effect(() => {
    const [words, who] = [search, technician];
    const waiting = setTimeout(
      () =>
        untrack(() => {
          page = 1;
          void load(words, who);
        }),
      found ? PAUSE : 0
    );
    return () => clearTimeout(waiting);
  });

  Promise.all([api.technicians(), api.due()])
    .then(([names, appointments]) => {
      technicians = names;
      due = appointments;
    })
    .catch((e: unknown) => (away = reason(e)));

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'n' || event.ctrlKey || event.metaKey || event.altKey || isField(event.target)) return;
    event.preventDefault();
    opening = true;
  }

  async function load(words = search, who = technician) {
    const mine = ++asked;
    try {
      const answer = await api.jobs(words, who, page);
      if (mine !== asked) return;
      away = '';
      found = answer;
    } catch (e) {
      if (mine === asked) away = reason(e);
    }
  }

  async function settle(appointment: Appointment) {
    try {
      due = await api.settle(appointment.id, 'done');
    } catch (e) {
      away = reason(e);
    }
  }

  function turn(to: number) {
    page = to;
    void load();
  }
</script>

<svelte:window onkeydown={opening ? undefined : onkeydown} />
<svelte:head><title>Jobs · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <header>
    <h1>Jobs</h1>
    <div class="search">
      <Search
        size="sm"
        labelText="Search jobs"
        placeholder="Unit, complaint, who, outcome"
        bind:value={search}
      />
    </div>
    {#if technicians.length > 1}
      <select aria-label="Whose jobs" bind:value={technician}>
        <option value="">Everybody</option>
        {#each technicians as name (name)}<option>{name}</option>{/each}
      </select>
    {/if}
    <Button size="small" on:click={() => (opening = true)}>New job</Button>
  </header>

  {#if away}
    <Away title="The jobs cannot be shown" why={away} onretry={load} />
  {:else if !found}
    <InlineLoading description="Looking for jobs" />
  {:else if everything && found.total === 0}
    <div class="card empty">
      <h2>No jobs yet</h2>
      <p>Open one with <b>New job</b>: the unit's tag, its circuit sheet, and what the customer sees.</p>
    </div>
  {:else}
    {#each groups as group (group.title)}
      {#if group.jobs.length > 0}
        <section>
          <h2>{group.title}</h2>
          <ul class="card rows">
            {#each group.jobs as summary (summary.job.id)}<JobRow {summary} />{/each}
          </ul>
        </section>
      {/if}
      {#if group.title === 'Open' && everything && page === 1}<Due {due} onsettle={settle} />{/if}
    {/each}
    {#if found.total === 0}
      <p class="soft">No job of {technician || 'anybody'} has "{search}" in it.</p>
    {/if}
    {#if pages > 1}
      <nav class="pages" aria-label="Pages">
        <button type="button" class="quiet-button" disabled={page === 1} onclick={() => turn(page - 1)}
          >Later ones</button
        >
        <span class="soft">Page {page} of {pages}, {found.total} jobs</span>
        <button type="button" class="quiet-button" disabled={page === pages} onclick={() => turn(page + 1)}
          >Earlier ones</button
        >
      </nav>
    {/if}
  {/if}
</div>

{#if opening}<NewJob sheet={made} onclose={() => (opening = false)} />{/if}

<style>
  header {
    display: flex;
    align-items: center;
    gap: 1rem;
    margin-bottom: 1.25rem;
  }
  .search {
    flex: 1;
    max-width: 24rem;
    margin-left: auto;
  }
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
    color: var(--ink-soft);
    margin: 1.25rem 0 0.5rem;
  }
  select {
    font: inherit;
    font-size: 0.875rem;
    height: 32px;
    padding: 0 8px;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  .pages {
    display: flex;
    justify-content: center;
    gap: 1.5rem;
    padding-top: 1rem;
    font-size: 0.875rem;
  }
  .empty {
    padding: 3rem;
    text-align: center;
  }
  @media (max-width: 800px) {
    header {
      flex-wrap: wrap;
    }
    .search {
      order: 3;
      flex-basis: 100%;
      max-width: none;
    }
    header :global(.bx--btn) {
      margin-left: auto;
    }
  }
</style>
