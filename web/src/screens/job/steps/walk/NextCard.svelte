<script lang="ts">
  import type { Snippet } from 'svelte';

  /** The frame of what comes next: what to do first, what to expect, why, and what to mind. */
  let {
    title,
    aside,
    steps = [],
    question = '',
    expectations,
    why,
    caution,
    children,
    actions
  }: {
    title: string;
    aside: string;
    steps?: string[];
    question?: string;
    expectations: { reading: string; meaning: string }[];
    why: string;
    caution: string;
    children: Snippet<[Snippet]>;
    actions?: Snippet;
  } = $props();

  // on a phone it makes room for the chain
  let folded = $state(false);
</script>

{#snippet table()}
  {#if expectations.length > 0}
    <table>
      <tbody>
        {#each expectations as expectation, i (i)}
          <tr><td class="figure">{expectation.reading}</td><td>{expectation.meaning}</td></tr>
        {/each}
      </tbody>
    </table>
  {/if}
{/snippet}

<section class="card" class:folded aria-label="Next probe">
  <header>
    <h2>{title}</h2>
    <span class="soft">{aside}</span>
    <button type="button" class="fold" aria-expanded={!folded} onclick={() => (folded = !folded)}
      >{folded ? 'Show' : 'Fold'}</button
    >
  </header>
  {#if steps.length > 0}
    <ol class="steps" aria-label="First">
      {#each steps as step, i (i)}<li>{step}</li>{/each}
    </ol>
  {/if}
  {#if question}<p class="question">{question}</p>{/if}
  {@render children(table)}
  {#if actions}<div class="actions">{@render actions()}</div>{/if}
  {#if why}<p class="why">{why}</p>{/if}
  {#if caution}<p class="caution">{caution}</p>{/if}
</section>

<style>
  section {
    border: 2px solid var(--brass-line);
    padding: 12px 16px 0;
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem;
    font-size: 0.875rem;
    margin-bottom: 4px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  header span {
    white-space: nowrap;
  }
  .steps {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 0;
    font-size: 0.8125rem;
    line-height: 1.35;
    padding: 4px 0 6px;
    border-bottom: 1px solid var(--line);
    margin-bottom: 6px;
  }
  .steps li:not(:last-child)::after {
    content: '›';
    padding: 0 8px;
    color: var(--brass);
  }
  table {
    width: 100%;
    border-top: 1px solid var(--line);
    border-collapse: collapse;
    font-size: 0.875rem;
    line-height: 1.3;
    margin-bottom: 8px;
  }
  td {
    padding: 4px 0 0;
    vertical-align: baseline;
  }
  td:first-child {
    white-space: nowrap;
    padding-right: 14px;
    font-size: 0.8125rem;
  }
  .actions {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.25rem;
    padding-top: 6px;
    font-size: 0.875rem;
  }
  .question {
    font-size: 1.25rem;
    font-weight: 600;
    line-height: 1.3;
    padding-top: 2px;
  }
  .why {
    font-size: 0.8125rem;
    line-height: 1.35;
    color: var(--ink-soft);
    padding-top: 4px;
  }
  .why:last-child {
    padding-bottom: 10px;
  }
  .caution {
    margin: 8px -16px 0;
    padding: 7px 16px;
    background: var(--note-wash);
    font-size: 0.8125rem;
    line-height: 1.3;
  }
  .fold {
    display: none;
  }
  @media (max-width: 672px) {
    section {
      display: flex;
      flex-direction: column;
      max-height: 45vh;
      overflow-y: auto;
    }
    header {
      position: sticky;
      top: -12px;
      z-index: 1;
      margin: -12px -16px 0;
      padding: 8px 16px 6px;
      background: var(--card);
    }
    header span {
      flex: 1;
      white-space: normal;
    }
    .fold {
      display: block;
      min-width: 56px;
      min-height: 32px;
      border: 0;
      background: none;
      color: var(--good);
      font: inherit;
      text-align: right;
    }
    .folded {
      padding-bottom: 0;
    }
    .folded > :global(:not(header)) {
      display: none;
    }
    section :global(form),
    section :global(.answers) {
      order: 1;
    }
    .actions {
      order: 3;
    }
    table {
      order: 4;
      margin-top: 8px;
    }
    .caution {
      order: 2;
    }
    .why {
      display: none;
    }
    .caution {
      margin-top: 6px;
      padding: 4px 16px;
      font-size: 0.75rem;
    }
  }
</style>
