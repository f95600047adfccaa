<script lang="ts">
  import { InlineLoading, Search } from 'carbon-components-svelte';
  import { link } from 'svelte-spa-router';
  import { api, type BenchAnswer, type BenchCard, reason } from '../../lib/api/client';
  import BenchForm from '../../lib/bench/BenchForm.svelte';
  import BenchResult from '../../lib/bench/BenchResult.svelte';
  import Away from '../../lib/controls/Away.svelte';
  import { found } from './search';

  /** One part in the hand and a meter: find its check, type what is printed and read. */
  let { params = {} }: { params?: { key?: string } } = $props();

  let cards = $state.raw<BenchCard[]>();
  let away = $state('');
  let search = $state('');
  let answer = $state.raw<BenchAnswer>();

  const shown = $derived(found(cards ?? [], search));
  const card = $derived(cards?.find((c) => c.key === params.key));

  load();

  async function load() {
    try {
      away = '';
      cards = await api.checks();
    } catch (e) {
      away = reason(e);
    }
  }

  $effect(() => {
    void params.key;
    answer = undefined;
  });
</script>

<svelte:head><title>{card?.title ?? 'Bench'} · Jolly Chain</title></svelte:head>

<div class="plain-page">
  {#if away}
    <Away title="The bench cannot be shown" why={away} onretry={load} />
  {:else if !cards}
    <InlineLoading description="Laying out the bench" />
  {:else}
    <div class="bench">
      <nav aria-label="Checks" class:chosen={card}>
        <h1><a href="/bench" use:link>Bench</a></h1>
        <Search
          size="sm"
          labelText="Find a check"
          placeholder="A part, a marking: L250, ntc, 12.8"
          bind:value={search}
        />
        <ul>
          {#each shown as c (c.key)}
            <li>
              <a href={`/bench/${c.key}`} use:link aria-current={c.key === card?.key ? 'page' : undefined}
                >{c.title}</a
              >
            </li>
          {/each}
        </ul>
        {#if shown.length === 0}<p class="soft">No check for "{search}".</p>{/if}
      </nav>
      {#if card}
        <main>
          <h2>{card.title}</h2>
          {#if card.note}<p class="caution">{card.note}</p>{/if}
          {#key card.key}<BenchForm {card} onanswer={(a) => (answer = a)} />{/key}
          {#if answer}<BenchResult {answer} />{/if}
        </main>
      {:else}
        <main class="soft">
          <p>
            Choose a check. Fields take what people write: 12.8, 11.8k, 158mV, 72F, 20 ft. Nothing is kept.
          </p>
        </main>
      {/if}
    </div>
  {/if}
</div>

<style>
  .bench {
    display: grid;
    grid-template-columns: 19rem minmax(0, 1fr);
    gap: 28px;
    align-items: start;
  }
  h1 {
    padding-bottom: 10px;
  }
  h1 a {
    color: inherit;
    text-decoration: none;
  }
  ul {
    list-style: none;
    margin: 8px 0 0;
    padding: 0;
  }
  li a {
    display: block;
    padding: 7px 10px;
    font-size: 0.9375rem;
    color: inherit;
    text-decoration: none;
    border-left: 3px solid transparent;
  }
  li a:hover {
    background: var(--field);
  }
  li a[aria-current] {
    border-color: var(--brass-line);
    font-weight: 600;
  }
  main {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
  h2 {
    font-size: 1.25rem;
    font-weight: 600;
  }
  .caution {
    font-size: 0.875rem;
    padding: 8px 12px;
    background: var(--note-wash);
    box-shadow: inset 3px 0 var(--brass-line);
  }
  @media (max-width: 800px) {
    .bench {
      grid-template-columns: minmax(0, 1fr);
    }
    .chosen ul,
    .chosen :global(.bx--search) {
      display: none;
    }
  }
  @media print {
    nav {
      display: none;
    }
    .bench {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
