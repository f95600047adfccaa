<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';

  /** What is still missing to sign off: all of it at once, long before anybody tries. */
  let { view, as = view.visit.ends || 'repaired' }: { view: JobView; as?: string } = $props();

  const missing = $derived(view.missing[as] ?? []);
</script>

{#if missing.length > 0}
  <section class="card" aria-label="Still missing">
    <h2>Before it is signed off{as === 'repaired' ? ' as repaired' : ''}</h2>
    <ul>
      {#each missing as what (what)}<li>{what}</li>{/each}
    </ul>
  </section>
{/if}

<style>
  section {
    padding: 12px 16px;
    font-size: 0.875rem;
    line-height: 1.45;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    padding-bottom: 4px;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    padding: 2px 0;
  }
  li::first-letter {
    text-transform: uppercase;
  }
</style>
