<script lang="ts">
  import { typed } from '../../../../lib/device/typed';
  import { onMount, untrack } from 'svelte';
  import type { ToWatch } from '../../../../lib/api/client';
  import { clock } from '../../../../lib/format/format';

  /** A stopwatch for one run: a key an event, its time taken by the page; kept as a whole. */
  let {
    watch,
    draft,
    busy,
    onkeep,
    onclose
  }: {
    watch: ToWatch;
    /** Where a run that is not kept yet survives a reload. */
    draft: string;
    busy: boolean;
    onkeep: (run: string) => Promise<boolean>;
    onclose: () => void;
  } = $props();

  interface Event {
    id: string;
    at: number;
  }

  const key = untrack(() => draft);
  let run = $state<Event[]>(typed.read<Event[]>(key) ?? []);
  let now = $state(Date.now());

  const start = $derived(run[0]?.at ?? now);
  const ids = $derived(Object.keys(watch.events));

  onMount(() => {
    const ticking = setInterval(() => (now = Date.now()), 200);
    return () => clearInterval(ticking);
  });

  $effect(() => typed.write(key, run));

  const seconds = (event: Event) => (event.at - start) / 1000;

  function correct(index: number, text: string) {
    const value = Number(text.replace(',', '.'));
    if (!Number.isFinite(value)) return;
    const from = start;
    run = run
      .map((e, i) => (i === index ? { ...e, at: from + value * 1000 } : e))
      .sort((a, b) => a.at - b.at);
  }

  async function keep() {
    if (await onkeep(run.map((e) => `${e.id} ${seconds(e).toFixed(1)}`).join('; '))) {
      typed.set(key, '');
      onclose();
    }
  }
</script>

<section class="card" aria-label={watch.title}>
  <header>
    <h2>{watch.title}</h2>
    <b class="figure" aria-label="Time">{run.length > 0 ? clock((now - start) / 1000) : '0:00'}</b>
  </header>
  {#if watch.note}<p class="soft">{watch.note}</p>{/if}
  <div class="events">
    {#each ids as id, i (id)}
      <button
        type="button"
        data-key={i + 1}
        disabled={busy}
        onclick={() => (run = [...run, { id, at: Date.now() }])}><kbd>{i + 1}</kbd>{watch.events[id]}</button
      >
    {/each}
  </div>
  {#if run.length > 0}
    <ol>
      {#each run as event, i (i)}
        <li>
          <input
            class="figure"
            inputmode="decimal"
            aria-label={`Second of ${watch.events[event.id]}`}
            value={seconds(event).toFixed(1)}
            disabled={i === 0}
            onchange={(e) => correct(i, e.currentTarget.value)}
          />
          <span>s {watch.events[event.id]}</span>
          <button
            type="button"
            class="quiet-button"
            aria-label={`Take back ${watch.events[event.id]}`}
            onclick={() => (run = run.filter((_, j) => j !== i))}>take back</button
          >
        </li>
      {/each}
    </ol>
  {:else}
    <p class="soft">The first event starts it.</p>
  {/if}
  <footer>
    <button
      type="button"
      class="main-button"
      data-key="Enter"
      disabled={busy || run.length < 2}
      onclick={keep}>Keep the run</button
    >
    <button type="button" class="quiet-button" onclick={onclose}>Not now</button>
    <ul class="soft">
      {#each watch.windows as window (window)}<li>{window}</li>{/each}
    </ul>
  </footer>
</section>

<style>
  section {
    padding: 12px 16px;
    box-shadow: inset 3px 0 var(--brass-line);
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem;
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
  }
  header b {
    font-size: 1.75rem;
    font-weight: 600;
  }
  p {
    font-size: 0.8125rem;
  }
  .events {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: 8px;
    padding: 10px 0;
  }
  .events button {
    min-height: 52px;
    padding: 4px 12px;
    text-align: left;
    font: inherit;
    font-size: 0.9375rem;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  .events button:hover {
    background: var(--field);
  }
  kbd {
    font-family: 'IBM Plex Mono', monospace;
    font-size: 0.75rem;
    color: var(--ink-soft);
    padding-right: 8px;
  }
  ol {
    list-style: none;
    margin: 0 0 10px;
    padding: 0;
    max-height: 12rem;
    overflow: auto;
  }
  ol li {
    display: flex;
    align-items: center;
    gap: 8px;
    font-size: 0.9375rem;
  }
  ol li span {
    flex: 1;
  }
  ol input {
    width: 5rem;
    font-size: 0.9375rem;
    text-align: right;
    padding: 3px 6px;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 1.5rem;
  }
  footer ul {
    list-style: none;
    margin: 0 0 0 auto;
    padding: 0;
    font-size: 0.8125rem;
  }
</style>
