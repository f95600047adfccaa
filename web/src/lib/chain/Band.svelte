<script lang="ts">
  import { sharedScale } from './scale';

  /** Where the potential of every point may lie. */
  const shared = sharedScale();
  const s = $derived(shared());
</script>

{#each s.path.treads as tread, i (tread.point)}
  {@const t = s.tread(i)}
  <rect {...s.box(t.from + 2, Math.max(t.from + 2, t.to - 2), tread.low, tread.high, 4)} />
{/each}

<style>
  rect {
    fill: var(--band);
    opacity: 0.75;
  }
</style>
