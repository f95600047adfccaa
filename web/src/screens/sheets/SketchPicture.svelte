<script lang="ts">
  import { solvedStaircase } from '../../lib/chain/solved';
  import StaircaseChart from '../../lib/chain/StaircaseChart.svelte';
  import CircuitDrawing from '../../lib/circuit/CircuitDrawing.svelte';
  import type { SketchDraft } from './SketchDraft.svelte';

  /** What is typed, drawn: the circuit in a situation, and the staircase of a path. */
  let { draft }: { draft: SketchDraft } = $props();

  const preview = $derived(draft.drawn);
  let width = $state(700);
  let selected = $state('');

  const sheet = $derived(preview?.sheet);
  const answer = $derived(preview?.answer);
  const steps = $derived(preview?.paths.find((p) => p.path === preview.drawing?.path));
  const live = $derived(sheet?.situations[answer?.situation ?? '']?.supplyOn ?? false);
  const staircase = $derived(steps && live ? solvedStaircase(steps, answer?.situation ?? '') : undefined);
</script>

{#if sheet && preview?.drawing}
  <div class="pictures">
    <section class="card" class:stale={draft.stale} aria-label="Circuit">
      <div class="bar">
        <label
          >Situation
          <select value={answer?.situation} onchange={(e) => draft.chooseSituation(e.currentTarget.value)}>
            {#each Object.values(sheet.situations) as s (s.id)}<option value={s.id}>{s.title}</option>{/each}
          </select>
        </label>
        <label
          >First row
          <select value={preview.drawing.path} onchange={(e) => draft.choosePath(e.currentTarget.value)}>
            {#each Object.values(sheet.paths) as p (p.id)}<option value={p.id}>{p.title}</option>{/each}
          </select>
        </label>
        {#if draft.stale}<span class="soft">As it last could be drawn</span>{/if}
      </div>
      <div class="drawing" bind:clientWidth={width}>
        <CircuitDrawing
          drawing={preview.drawing}
          {sheet}
          {answer}
          supposed={new Set()}
          {selected}
          red=""
          black=""
          {width}
          onpart={(p) => (selected = selected === p ? '' : p)}
          onpoint={() => undefined}
        />
      </div>
    </section>
    {#if staircase}
      <section class="card stairs" aria-label="Staircase">
        <h2>{staircase.title}: volts to {staircase.reference}</h2>
        <StaircaseChart
          path={staircase}
          parts={new Map()}
          selected={staircase.risers.findIndex((r) => r.part === selected)}
          width={Math.max(300, width - 28)}
          height={190}
          onselect={(i) => (selected = staircase.risers[i]?.part ?? '')}
        />
      </section>
    {/if}
  </div>
{/if}

<style>
  .pictures {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  .stale {
    opacity: 0.6;
  }
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 1.5rem;
    align-items: center;
    padding: 8px 14px;
    border-bottom: 1px solid var(--line);
    font-size: 0.8125rem;
  }
  label {
    display: flex;
    align-items: center;
    gap: 8px;
    color: var(--ink-soft);
    min-width: 0;
  }
  select {
    min-width: 0;
    max-width: 16rem;
    font: inherit;
    font-size: 0.875rem;
    color: var(--ink);
    background: var(--field);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    padding: 6px 8px;
  }
  .drawing {
    overflow-x: auto;
    padding: 8px 0 0;
  }
  .stairs {
    padding: 10px 14px;
    overflow-x: auto;
  }
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
  }
</style>
