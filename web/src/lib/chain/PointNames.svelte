<script lang="ts">
  import { sharedScale } from './scale';

  /** The name of every point above its tread. */
  const shared = sharedScale();
  const s = $derived(shared());
</script>

{#each s.path.treads as tread, i (tread.point)}
  {@const y = s.level(Math.max(tread.estimated, tread.measured ?? 0))}
  <text x={s.tread(i).middle} y={Math.max(30, y - 14)} class="point">{tread.point}</text>
{/each}

<style>
  text {
    fill: var(--ink);
    font-size: 13px;
    font-weight: 600;
    text-anchor: middle;
  }
</style>
