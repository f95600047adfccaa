<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Item } from '../../../../lib/api/client';
  import { duration } from '../../../../lib/format/format';

  /** Things to be read, done or answered, each with its answers as buttons. */
  let {
    title,
    note = '',
    items,
    answers,
    keys = false,
    busy,
    detail,
    ready = () => true,
    onanswer
  }: {
    title: string;
    note?: string;
    items: Item[];
    /** Value and word of each answer. */
    answers: [value: string, word: string][];
    /** Whether digits answer the first that has no answer. */
    keys?: boolean;
    busy: boolean;
    /** What stands under the title of each. */
    detail?: Snippet<[item: Item, next: boolean]>;
    /** Whether one may be answered yes. */
    ready?: (item: Item) => boolean;
    onanswer?: ((item: Item, value: string) => void) | undefined;
  } = $props();

  const first = $derived(items.find((i) => i.answer === ''));
</script>

<section class="card" aria-label={title}>
  <header>
    <h2>{title}</h2>
    {#if note}<p class="soft">{note}</p>{/if}
  </header>
  <ul class="rows">
    {#each items as item (item.id)}
      <li class:next={keys && item === first}>
        <p>
          <span class:done={item.answer !== ''}>{item.title}</span>
          {#if item.minutes > 0}<span class="soft">{duration(item.minutes)}</span>{/if}
          {#if item.note}<small>{item.note}</small>{/if}
        </p>
        {@render detail?.(item, item === first)}
        <div class="answers">
          {#each answers as [value, word], i (value)}
            {@const key = keys && item === first && ready(item)}
            <button
              type="button"
              aria-pressed={item.answer === value}
              data-key={key ? i + 1 : undefined}
              disabled={busy || !onanswer || (i === 0 && !ready(item))}
              onclick={() => onanswer?.(item, value)}
              >{#if key}<kbd>{i + 1}</kbd>{/if}{word}</button
            >
          {/each}
        </div>
      </li>
    {/each}
  </ul>
</section>

<style>
  header {
    padding: 10px 16px 8px;
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
  }
  header p {
    font-size: 0.8125rem;
    padding-top: 2px;
  }
  ul {
    border-top: 1px solid var(--line);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 6px 1rem;
    padding: 7px 16px;
  }
  li.next {
    background: var(--note-wash);
    box-shadow: inset 3px 0 var(--brass-line);
  }
  li p {
    flex: 1 1 16rem;
    font-size: 0.9375rem;
    line-height: 1.35;
  }
  li .soft {
    font-size: 0.8125rem;
    white-space: nowrap;
    padding-left: 6px;
  }
  .done {
    color: var(--ink-soft);
  }
  small {
    display: block;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  .answers {
    display: flex;
    gap: 6px;
  }
  button {
    min-height: 36px;
    padding: 0 12px;
    font: inherit;
    font-size: 0.875rem;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--good);
    border-color: var(--good);
    color: var(--card);
    font-weight: 600;
  }
  button:disabled {
    cursor: default;
  }
  button:disabled:not([aria-pressed='true']) {
    color: var(--ink-soft);
    border-style: dashed;
  }
  kbd {
    font-family: 'IBM Plex Mono', monospace;
    font-size: 0.75rem;
    color: var(--ink-soft);
    padding-right: 6px;
  }
  @media (max-width: 672px) {
    button {
      min-height: 44px;
    }
  }
</style>
