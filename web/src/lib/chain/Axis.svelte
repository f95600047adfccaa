<script lang="ts">
  import { sharedScale } from './scale';

  /** A line at every even potential, with its figure where there is room. */
  const shared = sharedScale();
  const s = $derived(shared());
  const first = $derived(s.upright ? 0 : s.tread(0).from);
  const last = $derived(s.upright ? s.height : s.width);
</script>

{#each s.ticks as tick (tick)}
  {@const a = s.at(first, tick)}
  {@const b = s.at(last, tick)}
  <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
  {#if !s.upright}<text x={first - 10} y={a.y + 4} class="tick">{tick}</text>{/if}
{/each}
{#if !s.upright}<text x="0" y="12">V to {s.path.reference}</text>{/if}

<style>
  line {
    stroke: var(--line);
    stroke-width: 1;
  }
  text {
    fill: var(--ink-soft);
    font-size: 12px;
  }
  .tick {
    text-anchor: end;
  }
</style>
