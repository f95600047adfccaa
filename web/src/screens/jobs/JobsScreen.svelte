<script lang="ts">
  import { Button, InlineLoading, Search } from 'carbon-components-svelte';
  import { link } from 'svelte-spa-router';
  import { api, type JobSummary, reason } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import { ago, percent } from '../../lib/format/format';
  import { isField } from '../../lib/input/shortcuts';
  import NewJob from './NewJob.svelte';

  let jobs = $state.raw<JobSummary[]>();
  let away = $state('');
  let search = $state('');
  let opening = $state(false);

  const found = $derived(
    (jobs ?? []).filter(({ job, complaintTitle }) =>
      `${job.unitTag} ${job.unitTitle} ${job.unitPlace} ${complaintTitle} ${job.technician} ${job.outcome}`
        .toLowerCase()
        .includes(search.trim().toLowerCase())
    )
  );
  const groups = $derived([
    { title: 'Open', jobs: found.filter((j) => !j.job.closedAt) },
    { title: 'Closed', jobs: found.filter((j) => j.job.closedAt) }
  ]);

  load();

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'n' || event.ctrlKey || event.metaKey || event.altKey || isField(event.target)) return;
    event.preventDefault();
    opening = true;
  }

  async function load() {
    try {
      away = '';
      jobs = await api.jobs();
    } catch (e) {
      away = reason(e);
    }
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
    <Button size="small" on:click={() => (opening = true)}>New job</Button>
  </header>

  {#if away}
    <Away title="The jobs cannot be shown" why={away} onretry={load} />
  {:else if !jobs}
    <InlineLoading description="Looking for jobs" />
  {:else if jobs.length === 0}
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
            {#each group.jobs as summary (summary.job.id)}
              {@const job = summary.job}
              <li>
                <a href={`/jobs/${job.id}`} use:link>
                  <span class="unit"
                    ><b>{job.unitTag}</b> {job.unitTitle}<small class="soft">{job.unitPlace}</small></span
                  >
                  <span>
                    {summary.complaintTitle || 'No complaint told'}
                    <small class="soft">
                      {job.technician}{job.technician ? ' · ' : ''}{ago(job.openedAt)} · {summary.readings}
                      {summary.readings === 1 ? 'entry' : 'entries'}
                    </small>
                  </span>
                  {#if summary.leading}
                    <span class="leading">
                      <small class="soft"
                        >{summary.step || 'Leading'}{summary.next ? ': ' + summary.next : ''}</small
                      >
                      {summary.leading.title}
                      <span class="soft">{percent(summary.leading.probability)}</span>
                    </span>
                  {:else}
                    <span class="outcome">{job.outcome}</span>
                  {/if}
                </a>
              </li>
            {/each}
          </ul>
        </section>
      {/if}
    {/each}
    {#if found.length === 0}<p class="soft">No job has "{search}" in it.</p>{/if}
  {/if}
</div>

{#if opening}<NewJob onclose={() => (opening = false)} />{/if}

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
  a {
    display: grid;
    grid-template-columns: 16rem 16rem 1fr;
    gap: 1.5rem;
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.4;
  }
  small {
    display: block;
    font-size: 0.8125rem;
  }
  .leading {
    border-left: 3px solid var(--brass-line);
    padding-left: 12px;
  }
  .outcome {
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
    a {
      grid-template-columns: 1fr;
      gap: 6px;
    }
  }
</style>
