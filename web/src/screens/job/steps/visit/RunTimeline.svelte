<script lang="ts">
  import type { Timeline } from '../../../../lib/api/client';
  import { clock } from '../../../../lib/format/format';

  /** A run that was watched: its stretches as bars against their windows, its events as marks, what it means, and what took how long last time. */
  let { run, before }: { run: Timeline; before?: Timeline | undefined } = $props();

  const WIDTH = 640;
  const ROW = 22;
  const LEFT = 4;

  const end = $derived(Math.max(1, ...run.events.map((e) => e.seconds)));
  const x = (seconds: number) => LEFT + ((WIDTH - 2 * LEFT) * seconds) / end;
  const rows = $derived([...new Set(run.spans.map((s) => s.title))]);
  const lastTime = (title: string) => before?.spans.find((s) => s.title === title);
  const height = $derived(ROW * rows.length + 40);
</script>

<section class="card" aria-label={`Run: ${run.title}`}>
  <header>
    <h3>{run.title}</h3>
    <b class:bad={!run.fits}>{run.fits ? '✓ As it has to be' : '✗ Not as it has to be'}</b>
  </header>
  <svg
    viewBox={`0 0 ${WIDTH} ${height}`}
    role="img"
    aria-label={`${run.events.length} events in ${clock(end)}`}
  >
    {#each run.events as event, i (i)}
      <line x1={x(event.seconds)} x2={x(event.seconds)} y1="0" y2={height - 34} class="event" />
      <text
        x={x(event.seconds)}
        y={height - (i % 2 === 0 ? 22 : 8)}
        text-anchor={event.seconds < end * 0.1 ? 'start' : event.seconds > end * 0.9 ? 'end' : 'middle'}
        >{event.title}</text
      >
    {/each}
    {#each run.spans as span, i (i)}
      {@const y = ROW * rows.indexOf(span.title) + 3}
      <rect
        x={x(span.from)}
        {y}
        width={Math.max(2, x(span.to) - x(span.from))}
        height={ROW - 8}
        class:bad={!span.fits}
      />
      {#if x(span.to) - x(span.from) > 6 * span.title.length + 12}
        <text class="name" x={x(span.from) + 6} y={y + ROW - 12}>{span.title}</text>
      {/if}
    {/each}
  </svg>
  <ul>
    {#each run.spans as span, i (i)}
      {@const last = lastTime(span.title)}
      <li class:bad={!span.fits}>
        {span.title}: <b>{clock(span.to - span.from)}</b>
        {#if span.band}<span class="soft">({span.band})</span>{/if}
        {#if last}<span class="soft">· last visit {clock(last.to - last.from)}</span>{/if}
      </li>
    {/each}
  </ul>
  {#each run.meanings as meaning (meaning)}<p class="meaning">{meaning}</p>{/each}
</section>

<style>
  section {
    padding: 10px 16px 12px;
    font-size: 0.875rem;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 4px 1rem;
    padding-bottom: 6px;
  }
  h3 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  header b {
    color: var(--good);
  }
  header b.bad,
  li.bad {
    color: var(--bad);
  }
  svg {
    display: block;
    width: 100%;
  }
  .event {
    stroke: var(--line);
    stroke-width: 1.5;
  }
  text {
    font-size: 11px;
    fill: var(--ink-soft);
  }
  .name {
    fill: var(--card);
    font-weight: 600;
  }
  rect {
    fill: var(--brass-line);
  }
  rect.bad {
    fill: var(--bad);
  }
  ul {
    list-style: none;
    margin: 4px 0 0;
    padding: 0;
    columns: 2 14rem;
    line-height: 1.5;
  }
  .meaning {
    margin-top: 8px;
    padding: 8px 10px;
    background: var(--note-wash);
    box-shadow: inset 3px 0 var(--brass-line);
  }
</style>
