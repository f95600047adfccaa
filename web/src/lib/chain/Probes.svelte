<script lang="ts">
  import { sharedScale } from './scale';

  /** Where the red and the black probe go next. */
  let { points }: { points: string[] } = $props();
  const shared = sharedScale();
  const s = $derived(shared());
</script>

{#each s.path.treads as tread, i (tread.point)}
  {#if points.includes(tread.point)}
    {@const { x, y } = s.at(s.tread(i).middle, tread.estimated)}
    <!-- from below, and from beside the name where there is no room below -->
    <path
      transform={y > s.height - 50 ? `translate(${x + 22} ${y}) scale(1 -1)` : `translate(${x} ${y})`}
      d="M0 6 L-5 16 V30 h10 V16 Z"
      class={points[0] === tread.point ? 'red' : 'black'}
    />
  {/if}
{/each}

<style>
  .red {
    fill: #c22f14;
  }
  .black {
    fill: #111;
    stroke: var(--ink-soft);
  }
</style>
