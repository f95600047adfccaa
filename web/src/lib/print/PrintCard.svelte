<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import PrintLines from './PrintLines.svelte';

  /** All that plates, parts and paper of a unit say, folded away until it is wanted. */
  let { print, sheet, ...how }: ComponentProps<typeof PrintLines> = $props();

  const read = $derived(print.facts.filter((f) => !f.struckAt && f.sheetKey === sheet).length);
</script>

{#if print.asked.length > 0}
  <details class="card">
    <summary
      >Plate, parts and paper <span class="soft">{read === 0 ? 'nothing read yet' : `${read} read`}</span
      ></summary
    >
    <p class="soft">
      The sheet is an example. What is printed on this unit counts, and is offered to others of its model.
    </p>
    <PrintLines {print} {sheet} {...how} />
  </details>
{/if}

<style>
  details {
    margin-top: 12px;
    padding: 12px 16px;
  }
  summary {
    font-size: 0.9375rem;
    font-weight: 600;
    cursor: pointer;
  }
  summary .soft {
    padding-left: 8px;
    font-weight: 400;
  }
  p {
    padding: 4px 0 6px;
    font-size: 0.875rem;
  }
</style>
