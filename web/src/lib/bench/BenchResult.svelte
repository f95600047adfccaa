<script lang="ts">
  import type { BenchAnswer } from '../api/client';
  import BenchPicture from './BenchPicture.svelte';

  /** What a check says: verdict first, then picture, figures and arithmetic. */
  let { answer }: { answer: BenchAnswer } = $props();

  const SIGNS = { good: '✓', bad: '✗', doubtful: '?', plain: '' } as const;

  function figure(value: number): string {
    const size = Math.abs(value);
    return size === 0
      ? '0'
      : size >= 1e5 || size < 1e-3
        ? value.toExponential(3)
        : String(Number(value.toPrecision(4)));
  }
</script>

<section class="card" aria-label="Answer" aria-live="polite">
  <h2 class={answer.grade}>{SIGNS[answer.grade]} {answer.verdict}</h2>
  {#if answer.meaning}<p>{answer.meaning} <b>{answer.next}</b></p>{/if}
  {#if answer.picture}<BenchPicture picture={answer.picture} />{/if}
  {#if answer.results.length > 0}
    <table>
      <tbody>
        {#each answer.results as r (r.name)}
          <tr>
            <td>{r.name.replaceAll('-', ' ')}</td>
            <td class="figure">
              {figure(r.value)}
              {r.unit}
              {#if r.uncertainty !== undefined}<span class="soft">± {figure(r.uncertainty)}</span>{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#each answer.because as why (why)}<p class="why">{why}</p>{/each}
  <p class="soft">
    {#if answer.band}Held against {answer.band}.{/if}
    {answer.source}
  </p>
</section>

<style>
  section {
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.45;
  }
  h2 {
    font-size: 1.25rem;
    font-weight: 600;
  }
  h2.good {
    color: var(--good);
  }
  h2.bad {
    color: var(--bad);
  }
  h2.doubtful {
    color: var(--doubt);
  }
  table {
    border-collapse: collapse;
    width: 100%;
    margin: 8px 0;
    font-size: 0.875rem;
  }
  td {
    border-top: 1px solid var(--line);
    padding: 4px 12px 4px 0;
  }
  td + td {
    text-align: right;
    white-space: nowrap;
  }
  .why,
  .soft {
    font-size: 0.8125rem;
  }
  p.soft {
    padding-top: 6px;
  }
</style>
