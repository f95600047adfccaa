<script lang="ts">
  import type { Staircase } from '../api/client';
  import { geometry } from './geometry';

  /** The staircase for a narrow screen: the chain runs down, potential to the right. */
  let { path, rows, width = 92 }: { path: Staircase; rows: number; width?: number } = $props();

  const height = $derived(rows * path.risers.length);
  const g = $derived(geometry(path, { start: 0, step: rows, zero: 8, top: width - 8 }));

  function line(pick: (i: number) => number): string {
    return path.treads
      .map((_, i) => {
        const { from, to } = g.tread(i);
        const x = g.level(pick(i));
        return `${i === 0 ? 'M' : 'L'}${x} ${from} L${x} ${to}`;
      })
      .join(' ');
  }
</script>

<svg
  {width}
  {height}
  viewBox="0 0 {width} {height}"
  role="img"
  aria-label="Potential down the {path.title} path"
>
  {#each g.ticks as tick (tick)}
    <line x1={g.level(tick)} x2={g.level(tick)} y1="0" y2={height} class="grid" />
  {/each}
  <path d={line((i) => path.treads[i]?.expected ?? 0)} class="expected" />
  <path d={line((i) => path.treads[i]?.estimated ?? 0)} class="believed" />
  {#each path.treads as tread, i (tread.point)}
    {#if tread.measured !== undefined}
      <circle cx={g.level(tread.measured)} cy={g.tread(i).middle} r="4" class="mark" />
    {/if}
  {/each}
</svg>

<style>
  svg {
    display: block;
  }
  .grid {
    stroke: var(--line);
  }
  .expected {
    fill: none;
    stroke: var(--ink-soft);
    stroke-dasharray: 3 3;
  }
  .believed {
    fill: none;
    stroke: var(--brass-line);
    stroke-width: 2.6;
  }
  .mark {
    fill: var(--ink);
  }
</style>
