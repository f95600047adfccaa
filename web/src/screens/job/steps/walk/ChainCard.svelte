<script lang="ts">
  import type { JobView, Staircase } from '../../../../lib/api/client';
  import ChainStrip from '../../../../lib/chain/ChainStrip.svelte';
  import StaircaseChart from '../../../../lib/chain/StaircaseChart.svelte';
  import Choices from '../../../../lib/controls/Choices.svelte';
  import { words } from '../../../../lib/format/format';
  import type { JobSession } from '../../JobSession.svelte';
  import ChainTable from './ChainTable.svelte';
  import { SUPPLY } from './probe';

  /** The chain under work with its staircase: beside each other, upright on a phone, or as a table. */
  let { session, view, path }: { session: JobSession; view: JobView; path: Staircase } = $props();

  const NARROW = 672;
  const UPRIGHT_ROW = 54;

  let asTable = $state(false);
  let width = $state(700);
  let screenWidth = $state(1280);
  const parts = $derived(session.parts);
  const onselect = (riser: number) => session.select(riser);
</script>

<svelte:window bind:innerWidth={screenWidth} />

<section class="card" aria-label="Chain">
  <header>
    <h2>{path.title} path</h2>
    <button
      type="button"
      aria-pressed={session.own?.riser === SUPPLY}
      disabled={!session.live}
      onclick={() => onselect(SUPPLY)}>Supply <b>{words(view.assessment.supply.verdict)}</b></button
    >
    <div class="views">
      <Choices
        label="Path"
        options={view.assessment.paths.map((other) => other.title)}
        chosen={session.pathIndex}
        onchoose={(i) => session.showPath(i)}
      />
      <button type="button" aria-pressed={asTable} onclick={() => (asTable = !asTable)}>Table</button>
    </div>
  </header>
  {#if asTable}
    <ChainTable {path} {parts} />
  {:else if screenWidth < NARROW}
    <div class="upright">
      <StaircaseChart {path} {parts} selected={session.chosen} width={92} rows={UPRIGHT_ROW} {onselect} />
      <ChainStrip {path} {parts} selected={session.chosen} upright {onselect} />
    </div>
  {:else}
    <div bind:clientWidth={width}>
      <StaircaseChart
        {path}
        {parts}
        selected={session.chosen}
        probes={session.probe && !session.closed ? [session.probe.red, session.probe.black] : []}
        {width}
        {onselect}
      />
      <ChainStrip {path} {parts} selected={session.chosen} {onselect} />
    </div>
  {/if}
</section>

<style>
  section {
    padding: 10px 16px 12px;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 1.25rem;
    margin-bottom: 8px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .views {
    margin-left: auto;
    display: flex;
    gap: 1rem;
  }
  header button {
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    padding: 2px 0;
    font: inherit;
    font-size: 0.875rem;
    color: var(--ink-soft);
    cursor: pointer;
  }
  header button[aria-pressed='true'] {
    color: var(--ink);
    border-color: var(--brass-line);
  }
  .upright {
    display: grid;
    grid-template-columns: 92px minmax(0, 1fr);
    gap: 6px;
  }
  .upright :global(button) {
    height: 54px;
  }
</style>
