<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A titled table that scrolls sideways by itself; its rows are the caller's. */
  let { title, headings, rows }: { title: string; headings: string[]; rows: Snippet } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section class="card" aria-label={title} tabindex="0">
  <h2>{title}</h2>
  <table>
    <thead>
      <tr
        >{#each headings as heading, i (i)}<th>{heading}</th>{/each}</tr
      >
    </thead>
    <tbody>{@render rows()}</tbody>
  </table>
</section>

<style>
  section {
    padding: 12px 14px;
    overflow-x: auto;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    margin-bottom: 6px;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  section :global(:is(th, td)) {
    text-align: left;
    vertical-align: top;
    padding: 6px 14px 6px 0;
    border-bottom: 1px solid var(--line);
    white-space: nowrap;
  }
  thead th {
    font-weight: 400;
    color: var(--ink-soft);
  }
  section :global(tbody th) {
    font-weight: 600;
  }
  section :global(.wide) {
    white-space: normal;
    min-width: 9rem;
  }
</style>
