<script lang="ts">
  import PrintCard from '../../../../lib/print/PrintCard.svelte';
  import type { JobView, Sheet } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import ComplaintCard from './ComplaintCard.svelte';
  import Items from './Items.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** On arrival: simple things first, and what to mind. */
  let { session, view, sheet }: { session: JobSession; view: JobView; sheet: Sheet } = $props();

  const MARK = { yes: 'fits', no: 'does not fit', unsaid: 'look' };

  let refused = $state(false);

  const chosen = $derived(session.how.meter || view.meters[0]?.id);
  const left = $derived(view.visit.simple.filter((s) => s.answer === '').length);
  const tell = $derived(session.closed ? undefined : session.tell.bind(session));
</script>

<StepFrame>
  {#if view.visit.simple.length > 0}
    <Items
      title="Simple things first"
      note="Each costs seconds. Nothing is measured yet."
      items={view.visit.simple}
      answers={[
        ['yes', 'As it should be'],
        ['no', 'Put right']
      ]}
      keys
      busy={session.busy}
      onanswer={tell && ((item, value) => tell('given', item.id, value))}
    />
  {:else if view.visit.hazards.length === 0}
    <section class="card"><p class="soft">There is no guide for this family yet.</p></section>
  {/if}
  <PrintCard
    print={view.print}
    sheet={view.job.sheetKey}
    onkeep={session.closed ? undefined : session.keepFact.bind(session)}
    onstrike={session.closed ? undefined : (id) => void session.strikeFact(id)}
  />
  {#if session.arriving && !session.closed}
    <section class="card on">
      <button
        type="button"
        class="main-button"
        data-key="Enter"
        disabled={session.busy}
        onclick={() => session.arrived()}>Cautions read, go on</button
      >
      {#if left > 0}
        <p class="soft">
          {left === 1 ? 'One simple thing is' : `${left} simple things are`} not answered yet: passed over on purpose.
        </p>
      {/if}
      {#if session.error && !refused}<p class="error" role="alert">{session.error}</p>{/if}
    </section>
  {/if}
  {#snippet aside()}
    {#if view.visit.hazards.length > 0}
      <Items
        title="Mind"
        items={view.visit.hazards}
        answers={[['yes', 'Read']]}
        busy={session.busy}
        onanswer={tell && ((item) => tell('read', item.id, ''))}
      />
    {/if}
    <ComplaintCard
      {view}
      {sheet}
      busy={session.busy}
      error={session.error}
      bind:refused
      ontell={session.closed
        ? undefined
        : (value, situation) => session.answer({ observation: 'complaint', situation, value })}
    />
    <section class="card meters" aria-label="Meter">
      <h2>Which meter?</h2>
      <ul class="rows">
        {#each view.meters as m (m.id)}
          <li class={m.fits}>
            <button
              type="button"
              aria-pressed={m.id === chosen}
              disabled={session.closed}
              onclick={() => (session.how.meter = m.id)}
            >
              <b>{m.name}</b>
              <span>{MARK[m.fits]}</span>
              <small>{m.why}</small>
            </button>
          </li>
        {/each}
      </ul>
    </section>
  {/snippet}
</StepFrame>

<style>
  section {
    padding: 12px 16px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .on p {
    font-size: 0.8125rem;
    padding-top: 6px;
  }
  .error {
    color: var(--bad);
  }
  .meters {
    padding-bottom: 4px;
  }
  .meters h2 {
    margin-bottom: 8px;
  }
  .meters button {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 12px;
    width: 100%;
    min-height: 48px;
    padding: 8px 4px 8px 10px;
    font: inherit;
    font-size: 0.875rem;
    text-align: left;
    color: var(--ink);
    background: none;
    border: 0;
    border-left: 4px solid transparent;
    cursor: pointer;
  }
  .meters b {
    font-weight: 500;
  }
  .meters small {
    grid-column: 1 / 3;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  .meters [aria-pressed='true'] {
    border-color: var(--brass-line);
    background: var(--field);
  }
  .yes span {
    color: var(--good);
  }
  .no span {
    color: var(--bad);
    font-weight: 600;
  }
  .unsaid span {
    color: var(--doubt);
  }
</style>
