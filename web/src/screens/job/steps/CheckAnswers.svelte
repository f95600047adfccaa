<script lang="ts">
  import type { BenchAnswer, BenchCard } from '../../../lib/api/client';
  import BenchForm from '../../../lib/bench/BenchForm.svelte';
  import { told } from '../../../lib/bench/told';
  import { percent } from '../../../lib/format/format';
  import type { JobSession } from '../JobSession.svelte';

  /** What may come of a check of the guide, a key each; or the figures that decide it. */
  let {
    session,
    check,
    outcomes,
    card,
    onanswer
  }: {
    session: JobSession;
    check: string;
    outcomes: { id: string; title: string; meaning: string; chance: number }[];
    card?: BenchCard;
    onanswer?: () => void;
  } = $props();

  let computed = $state.raw<BenchAnswer>();
  let figures = $state('');

  function onbench(answer: BenchAnswer | undefined, typed: Record<string, string>) {
    computed = answer;
    figures = told(typed);
  }

  async function answer(outcome: string) {
    if (await session.tell('check', check, outcome)) onanswer?.();
  }
</script>

{#if card}
  <details class="figures">
    <summary>By figures: {card.title.toLowerCase()}</summary>
    {#key check}<BenchForm {card} check={(t) => session.check(card.key, t)} onanswer={onbench} />{/key}
    {#if computed && computed.grade !== 'plain'}
      <p class="soft">{computed.verdict}. {computed.because[0]}</p>
      <button
        type="button"
        class="quiet-button"
        disabled={session.busy}
        onclick={() => session.tell('computed', check, figures)}>Log it with its figures</button
      >
    {/if}
  </details>
{/if}
<ul>
  {#each outcomes as outcome, i (outcome.id)}
    <li>
      <button type="button" data-key={i + 1} disabled={session.busy} onclick={() => answer(outcome.id)}
        ><kbd>{i + 1}</kbd>{outcome.title}</button
      >
      <span class="soft">{outcome.meaning}</span>
      <span class="share">{percent(outcome.chance)}</span>
    </li>
  {/each}
</ul>
{#if session.error}<p class="error" role="alert">{session.error}</p>{/if}

<style>
  .figures {
    padding: 6px 0 10px;
    font-size: 0.875rem;
  }
  .figures summary {
    cursor: pointer;
    padding-bottom: 8px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 10px 0 0;
    container-type: inline-size;
  }
  li {
    display: grid;
    grid-template-columns: minmax(10rem, 15rem) minmax(0, 1fr) 4rem;
    gap: 4px 12px;
    align-items: center;
    padding: 4px 0;
    font-size: 0.875rem;
    line-height: 1.3;
  }
  li button {
    min-height: 46px;
    padding: 4px 12px;
    text-align: left;
    font: inherit;
    font-weight: 600;
    line-height: 1.2;
    background: var(--frame);
    color: var(--frame-ink);
    border: 1px solid var(--frame);
    cursor: pointer;
  }
  kbd {
    font-family: 'IBM Plex Mono', monospace;
    font-size: 0.75rem;
    color: var(--frame-ink-soft);
    padding-right: 8px;
  }
  .share {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .error {
    color: var(--bad);
    font-size: 0.8125rem;
    padding-top: 6px;
  }
  @container (max-width: 560px) {
    li {
      grid-template-columns: minmax(0, 1fr) 3.5rem;
      padding: 5px 0 8px;
    }
    li button {
      grid-column: 1 / -1;
    }
  }
</style>
