<script lang="ts">
  import type { BenchAnswer } from '../api/client';

  /** Bands across an axis, a line over it, and one's own points. */
  let { picture }: { picture: NonNullable<BenchAnswer['picture']> } = $props();

  const WIDEST = 560;
  /** Drawn as wide as there is room, so that its words keep their size. */
  let room = $state(WIDEST);
  const width = $derived(Math.min(WIDEST, Math.max(280, room)));
  const LEFT = 44;
  const RIGHT = 12;
  const drawn = $derived(picture.curve.length > 0);
  const height = $derived(drawn ? 210 : 92);
  const bottom = $derived(height - 26);

  const xs = $derived([
    ...picture.curve.map((s) => s.x),
    ...(drawn ? [] : picture.bands.flatMap((b) => [b.from, b.to])),
    ...picture.points.map((p) => p.x)
  ]);
  const ys = $derived([
    ...picture.curve.map((s) => s.y),
    ...(drawn ? picture.bands.flatMap((b) => [b.from, b.to]) : []),
    ...picture.points.map((p) => p.y)
  ]);
  const span = (all: number[]) => {
    const [least, most] = [Math.min(...all), Math.max(...all)];
    return most > least ? [least, most] : [least - 1, most + 1];
  };
  const [x0, x1] = $derived(span(xs) as [number, number]);
  const [y0, y1] = $derived(span(ys) as [number, number]);

  const x = (v: number) => LEFT + ((width - LEFT - RIGHT) * (Math.min(x1, Math.max(x0, v)) - x0)) / (x1 - x0);
  const y = (v: number) => bottom - ((bottom - 10) * (Math.min(y1, Math.max(y0, v)) - y0)) / (y1 - y0);
  /** Names that would run into the one before are left out; the points stand. */
  const ROOM = 64;
  const named = $derived.by(() => {
    let last = -Infinity;
    return picture.points.map((p) => {
      const free = x(p.x) - last >= ROOM;
      if (free) last = x(p.x);
      return free;
    });
  });
  const short = (v: number) => String(Number(v.toPrecision(3)));
</script>

<div bind:clientWidth={room}>
  <svg
    viewBox={`0 0 ${width} ${height}`}
    role="img"
    aria-label={`${picture.points.length} readings against ${picture.bands.map((b) => b.title).join(', ') || 'the curve'}`}
  >
    {#each picture.bands as band, i (i)}
      {#if drawn}
        <rect
          x={LEFT}
          width={width - LEFT - RIGHT}
          y={y(band.to)}
          height={Math.max(1, y(band.from) - y(band.to))}
          class={band.grade}
        />
        <text x={width - RIGHT - 4} y={y(band.to) - 3} text-anchor="end">{band.title}</text>
      {:else}
        <rect
          x={x(band.from)}
          width={Math.max(1, x(band.to) - x(band.from))}
          y="30"
          height="26"
          class={band.grade}
        />
        {#if x(band.to) - x(band.from) > 34}<text
            x={(x(band.from) + x(band.to)) / 2}
            y="22"
            text-anchor="middle">{band.title}</text
          >{/if}
      {/if}
    {/each}
    {#if drawn}
      <polyline points={picture.curve.map((s) => `${x(s.x)},${y(s.y)}`).join(' ')} />
      <text x={LEFT - 6} y={y(y1) + 4} text-anchor="end">{short(y1)}</text>
      <text x={LEFT - 6} y={y(y0) + 4} text-anchor="end">{short(y0)}</text>
    {/if}
    {#each picture.points as p, i (i)}
      {@const py = drawn ? y(p.y) : 43}
      <circle cx={x(p.x)} cy={py} r="6" />
      {#if named[i]}
        <text
          x={x(p.x)}
          y={drawn ? py - 10 : 74}
          text-anchor={x(p.x) > width - 60 ? 'end' : 'middle'}
          class="mine">{p.title} {drawn ? '' : short(p.x)}</text
        >
      {/if}
    {/each}
    <text x={LEFT} y={height - 4}>{short(x0)}</text>
    <text x={width - RIGHT} y={height - 4} text-anchor="end">{short(x1)} {picture.along}</text>
  </svg>
</div>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 640px;
    margin: 8px 0;
  }
  text {
    font-size: 11px;
    fill: var(--ink-soft);
  }
  .mine {
    fill: var(--ink);
    font-weight: 600;
  }
  polyline {
    fill: none;
    stroke: var(--brass-line);
    stroke-width: 2;
  }
  circle {
    fill: var(--card);
    stroke: var(--ink);
    stroke-width: 2.5;
  }
  rect {
    fill: var(--field);
    stroke: var(--line);
  }
  rect.good {
    fill: var(--band);
  }
  rect.bad {
    fill: var(--bad-wash);
  }
</style>
