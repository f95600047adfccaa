<script lang="ts">
  import { sharedScale } from './scale';

  /** What was read at a point, with the bar of its uncertainty. */
  const shared = sharedScale();
  const s = $derived(shared());

  function bar(x: number, y: number, half: number): string {
    return s.upright
      ? `M${x - half} ${y} H${x + half} M${x - half} ${y - 4} v8 M${x + half} ${y - 4} v8`
      : `M${x} ${y - half} V${y + half} M${x - 4} ${y - half} h8 M${x - 4} ${y + half} h8`;
  }
</script>

{#each s.path.treads as tread, i (tread.point)}
  {#if tread.measured !== undefined}
    {@const at = s.at(s.tread(i).middle, tread.measured)}
    {@const half = Math.max(5, Math.abs(s.level(tread.uncertainty ?? 0) - s.level(0)))}
    <path d={bar(at.x, at.y, half)} />
    <circle cx={at.x} cy={at.y} r="4.5" class="mark" />
  {/if}
{/each}

<style>
  path {
    stroke: var(--ink);
    stroke-width: 1.4;
    fill: none;
  }
  circle {
    fill: var(--ink);
  }
</style>
