<script lang="ts">
  import type { SupplyPicture } from '../../../../lib/api/client';

  /** A terminal as it looks where it is: a slot, a screw, a winding's end, a lead, a pin. */
  let { place, id }: { place: SupplyPicture['place']; id: string } = $props();
</script>

<svg viewBox="0 0 48 48" width="48" height="48" aria-hidden="true">
  <rect x="5" y="5" width="38" height="38" class="body" />
  {#if place === 'outlet'}
    {#if id === 'earth'}
      <circle cx="24" cy="24" r="6" class="hole" />
    {:else if id === 'neutral'}
      <path d="M17 15 h10 v18" class="slot" />
    {:else}
      <path d="M24 13 v22" class="slot" />
    {/if}
  {:else if place === 'terminal-block'}
    <circle cx="24" cy="24" r="11" class="screw" />
    <path d={id === 'earth' ? 'M16 24 h16 M24 16 v16' : 'M17 31 L31 17'} class="cut" />
  {:else if place === 'transformer'}
    <path d="M24 8 c12 3 12 9 0 11 c12 3 12 9 0 11 c12 3 12 8 0 10" class="cut" />
  {:else if place === 'pile'}
    <path d="M24 9 q9 12 0 20 q-9 -8 0 -20 M24 29 v12" class="cut" />
  {:else}
    <rect x="18" y="14" width="12" height="20" class="screw" />
  {/if}
</svg>

<style>
  .body {
    fill: var(--field);
    stroke: var(--line);
    stroke-width: 1.5;
  }
  .hole {
    fill: var(--ink);
  }
  .slot {
    fill: none;
    stroke: var(--ink);
    stroke-width: 5;
  }
  .screw {
    fill: var(--card);
    stroke: var(--brass-line);
    stroke-width: 2.5;
  }
  .cut {
    fill: none;
    stroke: var(--brass-line);
    stroke-width: 2.5;
  }
</style>
