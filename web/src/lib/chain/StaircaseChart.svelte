<script lang="ts">
  import type { PartAssessment, Staircase } from '../api/client';
  import { volts } from '../format/format';
  import { geometry } from './geometry';

  /**
   * Potential against the return along the chain: thin dashes the sound unit, the strong line with its
   * band what is now believed, marks with bars what was read.
   */
  let {
    path,
    parts,
    selected,
    width,
    height = 330,
    probes = [],
    onselect
  }: {
    path: Staircase;
    parts: Map<string, PartAssessment>;
    selected: number;
    width: number;
    height?: number;
    /** points of the red and the black probe that come next */
    probes?: string[];
    onselect: (riser: number) => void;
  } = $props();

  const left = 46;
  const LETTER = 6.6;
  const step = $derived((width - left) / path.risers.length);
  const g = $derived(geometry(path, { start: left, step, zero: height - 16, top: 44 }));
  const suspect = $derived(path.risers.findIndex((r) => isSuspect(r.part)));

  function isSuspect(part: string): boolean {
    const verdict = parts.get(part)?.verdict ?? 'untested';
    return ['open', 'dropping', 'stuck', 'leaking', 'off-value', 'tripped'].includes(verdict);
  }

  function line(pick: (i: number) => number): string {
    return path.treads
      .map((_, i) => {
        const { from, to } = g.tread(i);
        return `${i === 0 ? 'M' : 'L'}${from} ${g.level(pick(i))} L${to} ${g.level(pick(i))}`;
      })
      .join(' ');
  }

  const expected = $derived(line((i) => path.treads[i]?.expected ?? 0));
  const believed = $derived(line((i) => path.treads[i]?.estimated ?? 0));
  /** Where a callout hides no point's name: by the riser, or above or below one that is too short. */
  function beside(top: number, bottom: number): number {
    if (bottom - top >= 90) return (top + bottom) / 2 - 20;
    if (bottom - top >= 30) return top - 47;
    return bottom < height - 80 ? bottom + 14 : top - 74;
  }

  const callout = $derived.by(() => {
    const riser = path.risers[suspect];
    const part = riser && parts.get(riser.part);
    if (!riser || !part) return undefined;
    const high = path.treads[suspect]?.estimated ?? 0;
    const low = path.treads[suspect + 1]?.estimated ?? 0;
    const x = g.along(suspect);
    const [top, bottom] = [g.level(high), g.level(low)];
    const text = part.measured ? `drops ${volts(part.measured.volts)}` : part.verdict;
    const detail = part.measured
      ? part.measured.ohms !== undefined
        ? `${Math.round(100 * part.measured.supplyShare)} % of the supply · ${part.verdict}`
        : `all of the supply · ${part.verdict}`
      : part.title;
    const wide = 20 + LETTER * Math.max(text.length, detail.length);
    return {
      x,
      top,
      bottom,
      boxX: x > width * 0.62 ? x - 10 - wide : x + 10,
      boxY: beside(top, bottom),
      wide,
      text,
      detail
    };
  });
</script>

<svg
  {width}
  {height}
  viewBox="0 0 {width} {height}"
  role="img"
  aria-label="Potential along the {path.title} path"
>
  {#each g.ticks as tick (tick)}
    <line x1={left} x2={width} y1={g.level(tick)} y2={g.level(tick)} class="grid" />
    <text x={left - 10} y={g.level(tick) + 4} class="tick">{tick}</text>
  {/each}
  <text x="0" y="12" class="axis">V to {path.reference}</text>

  {#if path.risers[selected]}
    <rect x={g.along(selected) - step / 2} y="18" width={step} height={height - 18} class="chosen" />
  {/if}

  {#each path.treads as tread, i (tread.point)}
    {@const t = g.tread(i)}
    <rect
      x={t.from + 2}
      width={Math.max(0, t.to - t.from - 4)}
      y={g.level(tread.high) - 4}
      height={g.level(tread.low) - g.level(tread.high) + 8}
      class="band"
    />
  {/each}

  <path d={expected} class="expected" />
  <path d={believed} class="believed" />

  {#if callout}
    <line x1={callout.x} x2={callout.x} y1={callout.top} y2={callout.bottom} class="suspect" />
    <g transform="translate({callout.boxX} {callout.boxY})">
      <rect width={callout.wide} height="42" rx="2" class="callout" />
      <text x="10" y="17" class="callout-text">{callout.text}</text>
      <text x="10" y="34" class="callout-detail">{callout.detail}</text>
    </g>
  {/if}

  {#each path.treads as tread, i (tread.point)}
    {@const t = g.tread(i)}
    {@const y = g.level(Math.max(tread.estimated, tread.measured ?? 0))}
    <text x={t.middle} y={Math.max(30, y - 14)} class="point">{tread.point}</text>
    {#if tread.measured !== undefined}
      {@const at = g.level(tread.measured)}
      {@const bar = Math.max(5, Math.abs(g.level(tread.uncertainty ?? 0) - g.level(0)))}
      <path
        d="M{t.middle} {at - bar} V{at + bar} M{t.middle - 4} {at - bar} h8 M{t.middle - 4} {at + bar} h8"
        class="bar"
      />
      <circle cx={t.middle} cy={at} r="4.5" class="mark" />
    {/if}
  {/each}

  {#each path.treads as tread, i (tread.point)}
    {#if probes.includes(tread.point)}
      {@const t = g.tread(i)}
      {@const at = g.level(tread.estimated)}
      <!-- from below, and from beside the name where there is no room below -->
      <g
        transform={at > height - 50
          ? `translate(${t.middle + 22} ${at}) scale(1 -1)`
          : `translate(${t.middle} ${at})`}
        class="probe"
      >
        <path d="M0 6 L-5 16 V30 h10 V16 Z" class={probes[0] === tread.point ? 'red' : 'black'} />
      </g>
    {/if}
  {/each}

  {#each path.risers as riser, i (riser.part)}
    <!-- the link strip below is the keyboard's way to choose; this is the pointer's -->
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <rect
      x={g.along(i) - step / 2}
      y="18"
      width={step}
      height={height - 18}
      class="target"
      onclick={() => onselect(i)}
    />
  {/each}
</svg>

<style>
  svg {
    display: block;
    overflow: visible;
    font-family: 'IBM Plex Mono', monospace;
  }
  .probe .red {
    fill: #c22f14;
  }
  .probe .black {
    fill: #111;
    stroke: var(--ink-soft);
  }
  .grid {
    stroke: var(--line);
    stroke-width: 1;
  }
  .tick,
  .axis {
    fill: var(--ink-soft);
    font-size: 12px;
  }
  .tick {
    text-anchor: end;
  }
  .chosen {
    fill: var(--field);
  }
  .band {
    fill: var(--band);
    opacity: 0.75;
  }
  .expected {
    fill: none;
    stroke: var(--ink-soft);
    stroke-width: 1;
    stroke-dasharray: 3 3;
  }
  .believed {
    fill: none;
    stroke: var(--brass-line);
    stroke-width: 2.6;
    stroke-linejoin: round;
  }
  .suspect {
    stroke: var(--bad);
    stroke-width: 6;
  }
  .callout {
    fill: var(--card);
    stroke: var(--bad);
  }
  .callout-text {
    fill: var(--bad);
    font-family: 'IBM Plex Sans', sans-serif;
    font-weight: 600;
    font-size: 13px;
  }
  .callout-detail {
    fill: var(--ink);
    font-family: 'IBM Plex Sans', sans-serif;
    font-size: 12px;
  }
  .point {
    fill: var(--ink);
    font-size: 13px;
    font-weight: 600;
    text-anchor: middle;
  }
  .bar {
    stroke: var(--ink);
    stroke-width: 1.4;
    fill: none;
  }
  .mark {
    fill: var(--ink);
  }
  .target {
    fill: transparent;
    cursor: pointer;
  }
</style>
