<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Evidence, Sheet } from '../../../../lib/api/client';
  import { loadOf } from '../../../../lib/circuit/behaviour';
  import { answersTo } from './seen';

  /** What is seen or heard without being asked: what runs, how a part looks, which code is shown. */
  let {
    sheet,
    situation: first,
    busy,
    onanswer,
    othercode
  }: {
    sheet: Sheet;
    situation: string;
    busy: boolean;
    onanswer: (evidence: Evidence) => void;
    /** Where a code can be typed as it is displayed, in a situation. */
    othercode?: Snippet<[situation: string]> | undefined;
  } = $props();

  type Kind = 'runs' | 'look' | 'code';
  const OBSERVATION = { runs: 'load-runs', look: 'inspection', code: 'code-shown' };

  let kind = $state<Kind>('runs');
  let part = $state('');
  let chosen = $state('');

  const kinds = $derived<[Kind, string][]>([
    ['runs', 'A load runs or not'],
    ['look', 'How a part looks'],
    ...(Object.keys(sheet.codes).length > 0 ? [['code', 'A code it shows'] as [Kind, string]] : [])
  ]);
  const parts = $derived(Object.values(sheet.parts).filter((p) => kind !== 'runs' || loadOf(p)));
  const situation = $derived(chosen || first);
  const about = $derived(parts.some((p) => p.id === part) ? part : (parts[0]?.id ?? ''));

  function answer(value: string) {
    onanswer({
      observation: OBSERVATION[kind],
      situation,
      value,
      ...(kind === 'code' ? {} : { part: about })
    });
  }
</script>

<details class="card">
  <summary
    ><b>Seen or heard</b> <span class="soft">what runs, what is burnt, which code it shows</span></summary
  >
  <div class="fields">
    <label
      >What <select aria-label="What" bind:value={kind}>
        {#each kinds as [value, words] (value)}<option {value}>{words}</option>{/each}
      </select></label
    >
    {#if kind !== 'code'}
      <label
        >Part <select aria-label="Part" value={about} onchange={(e) => (part = e.currentTarget.value)}>
          {#each parts as p (p.id)}<option value={p.id}>{p.title}</option>{/each}
        </select></label
      >
    {/if}
    <label
      >In <select aria-label="In" value={situation} onchange={(e) => (chosen = e.currentTarget.value)}>
        {#each Object.values(sheet.situations) as s (s.id)}<option value={s.id}>{s.title}</option>{/each}
      </select></label
    >
  </div>
  <div class="answers">
    {#each answersTo(kind, sheet) as [value, words] (value)}
      <button type="button" class="quiet-button" disabled={busy} onclick={() => answer(value)}>{words}</button
      >
    {/each}
  </div>
  {#if kind === 'code'}<div class="fields">{@render othercode?.(situation)}</div>{/if}
</details>

<style>
  summary {
    padding: 9px 16px;
    cursor: pointer;
    font-size: 0.875rem;
  }
  summary span {
    margin-left: 0.75rem;
    font-size: 0.8125rem;
  }
  .fields,
  .answers {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 1.25rem;
    padding: 4px 16px;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  .answers {
    padding-bottom: 12px;
    font-size: 0.875rem;
  }
  select {
    font: inherit;
    max-width: 16rem;
    background: var(--field);
    color: var(--ink);
    border: 0;
    padding: 5px 6px;
  }
</style>
