<script lang="ts">
  import { InlineLoading, Search } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { link } from 'svelte-spa-router';
  import { api, type BenchAnswer, type BenchCard, type KeptResult, reason } from '../../lib/api/client';
  import BenchForm from '../../lib/bench/BenchForm.svelte';
  import BenchResult from '../../lib/bench/BenchResult.svelte';
  import Away from '../../lib/controls/Away.svelte';
  import { ago } from '../../lib/format/format';
  import { Pending } from '../../lib/input/pending';
  import { typedOf } from '../../lib/bench/told';
  import { found } from './search';

  /** One part in the hand and a meter: find its check, type what is printed and read. */
  let { params = {} }: { params?: { key?: string } } = $props();

  let cards = $state.raw<BenchCard[]>();
  let away = $state('');
  let search = $state('');
  let answer = $state.raw<BenchAnswer>();
  let typed = $state.raw<Record<string, string>>({});
  let kept = $state.raw<KeptResult[]>([]);
  /** A kept result that is looked at again. */
  let again = $state.raw<KeptResult>();
  let note = $state('');
  let said = $state('');
  const pending = new Pending<unknown>('pending result');

  const shown = $derived(found(cards ?? [], search));
  const card = $derived(cards?.find((c) => c.key === params.key));

  load();

  async function load() {
    try {
      away = '';
      [cards, kept] = await Promise.all([api.checks(), api.benchResults()]);
    } catch (e) {
      away = reason(e);
    }
  }

  $effect(() => {
    const key = params.key;
    untrack(() => {
      answer = undefined;
      said = '';
      if (again?.checkKey !== key) again = undefined;
    });
  });

  const words = (k: KeptResult) => `${k.checkKey} ${k.note} ${k.verdict} ${k.typed}`.toLowerCase();
  const keptFound = $derived(kept.filter((k) => words(k).includes(search.trim().toLowerCase())));
  const given = $derived(again ? typedOf(again.typed) : {});

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    if (!card) return;
    try {
      kept = await api.keepResult(pending.idOf([card.key, typed, note]), card.key, typed, note);
      pending.settled();
      said = 'Kept.';
      note = '';
    } catch (e) {
      said = reason(e);
    }
  }
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
          {#key `${card.key} ${again?.id ?? ''}`}
            <BenchForm
              {card}
              {given}
              check={(t) => api.check(card.key, t)}
              onanswer={(a, t) => {
                answer = a;
                typed = t;
              }}
            />
          {/key}
          {#if answer}
            <BenchResult {answer} />
            <form onsubmit={keep}>
              <input
                aria-label="What part it is"
                placeholder="What part it is"
                maxlength="200"
                bind:value={note}
              />
              <button type="submit">Keep it</button>
              {#if said}<span class="soft" role="status">{said}</span>{/if}
            </form>
          {/if}
        </main>
      {:else}
        <main>
          <p class="soft">
            Choose a check. Fields take what people write: 12.8, 11.8k, 158mV, 72F, 20 ft. Nothing is kept
            unless you keep it.
          </p>
          {#if keptFound.length > 0}
            <section aria-label="Kept">
              <h2>Kept</h2>
              <ul class="card rows kept">
                {#each keptFound as k (k.id)}
                  <li>
                    <a href={`/bench/${k.checkKey}`} use:link onclick={() => (again = k)}>
                      <span><b>{k.verdict}</b><small class="soft">{k.typed}</small></span>
                      <span>{k.note}<small class="soft">{ago(k.keptAt)}</small></span>
                    </a>
                  </li>
                {/each}
              </ul>
            </section>
          {/if}
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
  .kept a {
    display: grid;
    grid-template-columns: 1fr 14rem;
    gap: 1rem;
    padding: 10px 16px;
    font-size: 0.9375rem;
    line-height: 1.4;
  }
  .kept small {
    display: block;
    font-size: 0.8125rem;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
  }
  form input {
    flex: 0 1 22rem;
    min-height: 40px;
    padding: 0 10px;
    font: inherit;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  form button {
    min-height: 40px;
    padding: 0 16px;
    font: inherit;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
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
    nav,
    form {
      display: none;
    }
    .bench {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
