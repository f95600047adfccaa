<script lang="ts">
  import type { PartAssessment, Staircase } from '../api/client';
  import Axis from './Axis.svelte';
  import Band from './Band.svelte';
  import Callout from './Callout.svelte';
  import HitTargets from './HitTargets.svelte';
  import Lines from './Lines.svelte';
  import Marks from './Marks.svelte';
  import PointNames from './PointNames.svelte';
  import Probes from './Probes.svelte';
  import { scale, shareScale } from './scale';

  /**
   * Potential against the return along the chain. With a height for every link it stands upright beside the
   * chain, for a narrow screen.
   */
  let {
    path,
    parts,
    selected,
    width,
    height = 330,
    rows,
    probes = [],
    onselect
  }: {
    path: Staircase;
    parts: Map<string, PartAssessment>;
    selected: number;
    width: number;
    height?: number;
    rows?: number;
    /** points of the red and the black probe that come next */
    probes?: string[];
    onselect: (riser: number) => void;
  } = $props();

  const SUSPECT = new Set(['open', 'dropping', 'stuck', 'leaking', 'off-value', 'tripped']);

  const upright = $derived(rows !== undefined);
  const tall = $derived(rows === undefined ? height : rows * path.risers.length);
  const s = $derived(scale(path, { width, height: tall, margin: 46 }, upright));
  shareScale(() => s);

  const riser = $derived(path.risers.findIndex((r) => SUSPECT.has(parts.get(r.part)?.verdict ?? '')));
  const suspect = $derived(parts.get(path.risers[riser]?.part ?? ''));
</script>

<svg
  {width}
  height={tall}
  viewBox="0 0 {width} {tall}"
  role="img"
  aria-label="Potential {upright ? 'down' : 'along'} the {path.title} path"
>
  {#if upright}
    <Axis />
    <Band />
    <Lines />
    <Marks />
  {:else}
    <HitTargets {selected} {onselect} />
    <g class="drawn">
      <Axis />
      <Band />
      <Lines />
      {#if suspect}<Callout {riser} part={suspect} />{/if}
      <PointNames />
      <Marks />
      <Probes points={probes} />
    </g>
  {/if}
</svg>

<style>
  svg {
    display: block;
    overflow: visible;
    font-family: 'IBM Plex Mono', monospace;
  }
  /* the strips beneath are pointed at through what is drawn */
  .drawn {
    pointer-events: none;
  }
</style>
