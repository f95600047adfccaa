<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { link } from 'svelte-spa-router';
  import { api, type Appointment, Problem, type UnitHistory, reason } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import { day } from '../../lib/format/format';
  import PrintCard from '../../lib/print/PrintCard.svelte';
  import Due from '../jobs/Due.svelte';
  import JobRow from '../jobs/JobRow.svelte';
  import NewJob from '../jobs/NewJob.svelte';
  import UnitForm from './UnitForm.svelte';

  /** A unit with all that was done at it. */
  let { params }: { params: { tag: string } } = $props();

  let history = $state.raw<UnitHistory>();
  let away = $state('');
  let changing = $state(false);
  let opening = $state(false);

  $effect(() => {
    const tag = params.tag;
    untrack(() => load(tag));
  });

  async function settle(appointment: Appointment) {
    try {
      await api.settle(appointment.id, 'done');
      await load();
    } catch (e) {
      away = reason(e);
    }
  }

  async function told(change: () => Promise<unknown>) {
    try {
      await change();
      await load();
      return undefined;
    } catch (e) {
      return { why: reason(e), unlikely: e instanceof Problem && e.needs === 'confirmed' };
    }
  }

  async function load(tag = params.tag) {
    try {
      away = '';
      history = await api.unit(tag);
    } catch (e) {
      away = reason(e);
    }
  }
</script>

<svelte:head><title>{params.tag} · Jolly Chain</title></svelte:head>

<div class="plain-page">
  {#if away}
    <Away title="This unit cannot be shown" why={away} onretry={() => load()} />
  {:else if !history}
    <InlineLoading description="Looking for the unit" />
  {:else}
    {@const { unit, sheetKey, print, visits, fitted, repeated, due } = history}
    <header>
      <div>
        <h1>{unit.tag} <span>{unit.title === unit.tag ? '' : unit.title}</span></h1>
        <p class="soft">
          {[unit.place, unit.model, unit.serial && `serial ${unit.serial}`].filter(Boolean).join(' · ') ||
            'Nothing is told of it yet.'}
          <button type="button" class="quiet-button" onclick={() => (changing = true)}>Change</button>
        </p>
      </div>
      <button type="button" class="main-button" onclick={() => (opening = true)}>New job</button>
    </header>

    {#if repeated.length > 0}
      <p class="again card" role="note">
        {#each repeated as r (r.part)}<b>{r.part}</b> renewed {r.times} times.
        {/each} What opens it was not found, or not put right.
      </p>
    {/if}
    <PrintCard
      {print}
      sheet={sheetKey}
      onkeep={(part, said, confirmed) =>
        told(() => api.keepFact(unit.tag, crypto.randomUUID(), { sheet: sheetKey, part, said, confirmed }))}
      onstrike={(id) => void told(() => api.strikeFact(unit.tag, id, 'Typed by mistake'))}
    />
    <Due {due} onsettle={settle} />
    <div class="two">
      <section aria-label="Visits">
        <h2>Visits</h2>
        {#if visits.length > 0}
          <ul class="card rows">
            {#each visits as summary (summary.job.id)}<JobRow {summary} unit={false} />{/each}
          </ul>
        {:else}
          <p class="soft">None yet.</p>
        {/if}
      </section>
      {#if fitted.length > 0}
        <section aria-label="Parts fitted">
          <h2>Parts fitted</h2>
          <ul class="card rows parts">
            {#each fitted as f (f.jobId + f.part)}
              <li>
                <a href={`/jobs/${f.jobId}`} use:link>
                  <span>{f.part}<small class="soft">{day(f.on)}</small></span>
                  <span class="figure">{f.printed || 'not readable'}</span>
                </a>
              </li>
            {/each}
          </ul>
        </section>
      {/if}
    </div>
    {#if changing}
      <UnitForm {unit} onclose={() => (changing = false)} onkept={() => load()} />
    {/if}
    {#if opening}<NewJob tag={unit.tag} onclose={() => (opening = false)} />{/if}
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-start;
    justify-content: space-between;
    gap: 1rem;
  }
  h1 span {
    font-weight: 400;
    padding-left: 0.25rem;
  }
  header p {
    font-size: 0.9375rem;
  }
  header .quiet-button {
    padding-left: 0.75rem;
  }
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
    color: var(--ink-soft);
    margin: 1.25rem 0 0.5rem;
  }
  .again {
    margin-top: 1rem;
    padding: 10px 16px;
    background: var(--note-wash);
    box-shadow: inset 3px 0 var(--brass-line);
    font-size: 0.9375rem;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 22rem;
    gap: 20px;
    align-items: start;
  }
  .parts a {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    padding: 10px 16px;
    font-size: 0.9375rem;
  }
  small {
    display: block;
    font-size: 0.8125rem;
  }
  @media (max-width: 800px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
      gap: 0;
    }
  }
</style>
