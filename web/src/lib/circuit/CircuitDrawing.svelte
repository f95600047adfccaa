<script lang="ts">
  import type { Answer, Drawing, Sheet } from '../api/client';
  import { loadOf, sensorOf, sourceOf } from './behaviour';
  import { brief, layout, wrap } from './layout';
  import PartGlyph, { type Look } from './PartGlyph.svelte';

  /** A circuit as the server laid it out, with what was solved written on it. */
  let {
    drawing,
    sheet,
    answer,
    supposed,
    selected,
    red,
    black,
    width,
    onpart,
    onpoint
  }: {
    drawing: Drawing;
    sheet: Sheet;
    answer: Answer | undefined;
    supposed: Set<string>;
    selected: string;
    red: string;
    black: string;
    width: number;
    onpart: (part: string) => void;
    onpoint: (point: string) => void;
  } = $props();

  const OPEN_OHMS = 1e6;
  const FLOWS = 1e-3;

  const at = $derived(layout(drawing, width));
  const points = $derived(new Map(answer?.points.map((p) => [p.point, p])));
  const parts = $derived(new Map(answer?.parts.map((p) => [p.part, p])));

  function look(id: string): Look {
    const part = sheet.parts[id];
    const state = parts.get(id);
    return {
      role: loadOf(part) ? 'load' : sourceOf(part) ? 'source' : sensorOf(part) ? 'sensor' : 'link',
      closed: (state?.ohms ?? 0) < OPEN_OHMS,
      runs: (state?.powerShare ?? 0) > 0.35,
      supposed: supposed.has(id)
    };
  }

  const flows = (id: string) => (parts.get(id)?.amperes ?? 0) > FLOWS;
  const rows = $derived(new Map(drawing.parts.map((p) => [p.part, p.row])));

  /** An upright wire carries what the parts in its other rows do. */
  function feeds(spot: Drawing['spots'][number]): boolean {
    return Object.values(sheet.parts).some(
      (p) => (p.from === spot.point || p.to === spot.point) && rows.get(p.id) !== spot.top && flows(p.id)
    );
  }

  function key(event: KeyboardEvent, act: () => void) {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      act();
    }
  }
</script>

<svg width={at.width} height={at.height} viewBox="0 0 {at.width} {at.height}" aria-label="Drawn circuit">
  {#each drawing.parts as p (p.part)}
    <line
      x1={at.x(p.from)}
      x2={at.x(p.to)}
      y1={at.y(p.row)}
      y2={at.y(p.row)}
      class="wire"
      class:flows={flows(p.part)}
    />
  {/each}
  {#each drawing.spots as spot (spot.point)}
    {#if spot.bottom > spot.top}
      <line
        x1={at.x(spot.column)}
        x2={at.x(spot.column)}
        y1={at.y(spot.top)}
        y2={at.y(spot.bottom)}
        class="wire"
        class:flows={feeds(spot)}
      />
    {/if}
  {/each}

  {#each drawing.parts as p (p.part)}
    {@const part = sheet.parts[p.part]}
    {@const room = Math.min(at.column, (p.to - p.from) * at.column) - 4}
    <g
      role="button"
      tabindex="0"
      aria-label={part?.title}
      aria-pressed={selected === p.part}
      class="part"
      class:selected={selected === p.part}
      onclick={() => onpart(p.part)}
      onkeydown={(e) => key(e, () => onpart(p.part))}
    >
      <rect
        x={at.x(p.at) - Math.max(room, 40) / 2}
        y={at.y(p.row) - 16}
        width={Math.max(room, 40)}
        height="52"
        rx="3"
        class="target"
      />
      <PartGlyph look={look(p.part)} x={at.x(p.at)} y={at.y(p.row)} />
      {#each wrap(part?.title ?? p.part, room) as line, i (i)}
        <text x={at.x(p.at)} y={at.y(p.row) + 24 + 11 * i} class="label" class:bad={supposed.has(p.part)}
          >{line}</text
        >
      {/each}
    </g>
  {/each}

  {#each drawing.spots as spot (spot.point)}
    {@const state = points.get(spot.point)}
    {@const x = at.x(spot.column)}
    {@const y = at.y(spot.row)}
    <g
      role="button"
      tabindex="0"
      aria-label="Point {spot.point}, {sheet.points[spot.point]?.title}"
      class="point"
      onclick={() => onpoint(spot.point)}
      onkeydown={(e) => key(e, () => onpoint(spot.point))}
    >
      <rect x={x - 12} y={y - 27} width="34" height="34" class="target" />
      {#if spot.point === red || spot.point === black}
        <circle cx={x} cy={y} r="8" class="probe" class:red={spot.point === red} />
      {/if}
      <circle cx={x} cy={y} r="3.2" class="dot" />
      <text {x} y={y - 18} class="name">{spot.point}</text>
      {#if state}
        <text {x} y={y - 7} class="volts" class:ghost={state.floating}
          >{state.floating ? '~' : ''}{brief(state.now, sheet.supply.volts)}</text
        >
      {/if}
    </g>
  {/each}
</svg>

<style>
  svg {
    display: block;
    font-family: 'IBM Plex Sans', sans-serif;
  }
  .wire {
    stroke: var(--ink-soft);
    stroke-width: 1.3;
  }
  .wire.flows {
    stroke: var(--brass-line);
    stroke-width: 2.6;
  }
  .label {
    text-anchor: middle;
    font-size: 11px;
    fill: var(--ink);
  }
  .label.bad {
    fill: var(--bad);
    font-weight: 600;
  }
  .name,
  .volts {
    font-family: 'IBM Plex Mono', monospace;
    text-anchor: middle;
    paint-order: stroke;
    stroke: var(--card);
    stroke-width: 3px;
  }
  .name {
    font-size: 11.5px;
    font-weight: 600;
    fill: var(--ink);
  }
  .volts {
    font-size: 10.5px;
    fill: var(--brass);
  }
  .volts.ghost {
    fill: var(--ink-soft);
  }
  .dot {
    fill: var(--ink);
  }
  .target {
    fill: transparent;
  }
  .part,
  .point {
    cursor: pointer;
  }
  .part:focus,
  .point:focus {
    outline: none;
  }
  .part:focus-visible .target,
  .point:focus-visible .target {
    stroke: var(--focus);
    stroke-width: 2;
  }
  .selected .target {
    fill: var(--field);
  }
  .probe {
    fill: none;
    stroke: var(--ink);
    stroke-width: 3;
  }
  .probe.red {
    stroke: #c9341c;
  }
</style>
