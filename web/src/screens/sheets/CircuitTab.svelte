<script lang="ts">
  import { solvedStaircase } from '../../lib/chain/solved';
  import StaircaseChart from '../../lib/chain/StaircaseChart.svelte';
  import {
    api,
    type Answer,
    type Drawing,
    type Meter,
    type Sheet,
    type SheetRevision,
    type Staircase,
    type Supposed,
    reason
  } from '../../lib/api/client';
  import CircuitDrawing from '../../lib/circuit/CircuitDrawing.svelte';
  import Choices from '../../lib/controls/Choices.svelte';
  import { download } from '../../lib/controls/file';
  import WhatIfPanel from './WhatIfPanel.svelte';

  /** The drawn circuit in a situation, and what would be if something were wrong with it. */
  let { sheet, drawings, revision }: { sheet: Sheet; drawings: Drawing[]; revision: SheetRevision } =
    $props();

  const situations = $derived(Object.values(sheet.situations));

  let situation = $state('');
  let pathIndex = $state(0);
  let faults = $state.raw<Supposed[]>([]);
  let lifted = $state.raw<string[]>([]);
  let supplyVolts = $state<number>();
  let meter = $state('field');
  let meters = $state.raw<Meter[]>([]);
  let func = $state('volts-ac');
  let red = $state('');
  let black = $state('');
  let next = $state<'red' | 'black'>('red');
  let selected = $state('');
  let answer = $state.raw<Answer>();
  let error = $state('');
  let width = $state(860);
  let frame = $state<HTMLElement>();
  let asked = 0;

  const live = $derived(sheet.situations[situation]?.supplyOn ?? true);
  const dc = $derived(sheet.supply.system === 'dc');
  const functions = $derived(
    live ? (dc ? ['volts-dc'] : ['volts-ac', 'volts-ac-loz']) : ['ohms', 'continuity']
  );
  const drawing = $derived(drawings[pathIndex]);
  const supposed = $derived(new Set([...faults.map((f) => f.part), ...lifted]));
  const staircase = $derived.by((): Staircase | undefined => {
    const steps = answer?.paths[pathIndex];
    if (!steps || !live) return undefined;
    return solvedStaircase(steps, situation);
  });

  $effect(() => {
    if (!sheet.situations[situation]) situation = situations[0]?.id ?? '';
  });
  $effect(() => {
    if (!functions.includes(func)) func = functions[0] ?? 'volts-ac';
  });
  $effect(() => {
    if (situation) void solve();
  });

  api.meters().then(
    (m) => (meters = m),
    (e: unknown) => (error = String(e))
  );

  async function solve() {
    const mine = ++asked;
    const probed = red && black && red !== black && functions.includes(func);
    try {
      const solved = await api.solve({
        sheet: revision.key,
        situation,
        faults,
        lifted,
        meter,
        ...(supplyVolts ? { supplyVolts } : {}),
        probes: probed ? [{ function: func, red, black }] : []
      });
      if (mine === asked) {
        answer = solved;
        error = '';
      }
    } catch (e) {
      if (mine === asked) error = reason(e);
    }
  }

  function touch(point: string) {
    if (next === 'red') red = point;
    else black = point;
    next = next === 'red' ? 'black' : 'red';
  }

  function suppose(fault: Supposed) {
    faults = [...faults.filter((f) => f.part !== fault.part), fault];
    lifted = lifted.filter((p) => p !== fault.part);
  }

  function lift(part: string) {
    lifted = [...lifted.filter((p) => p !== part), part];
    faults = faults.filter((f) => f.part !== part);
  }

  function forget(part: string) {
    faults = faults.filter((f) => f.part !== part);
    lifted = lifted.filter((p) => p !== part);
  }

  async function save(as: 'yaml' | 'json' | 'spice' | 'svg') {
    try {
      const name = `${revision.key}-${revision.revision}`;
      if (as === 'svg') {
        const { asFile } = await import('../../lib/circuit/svgFile');
        const svg = frame?.querySelector('svg');
        if (svg) download(`${name}.svg`, 'image/svg+xml', asFile(svg));
      } else if (as === 'spice') {
        const netlist = await api.netlist(revision.key, revision.revision, situation);
        download(`${name}-${situation}.cir`, 'text/plain', netlist);
      } else {
        const text = await api.sheetText(revision.key, revision.revision, as);
        download(`${name}.${as}`, as === 'json' ? 'application/json' : 'application/yaml', text);
      }
    } catch (e) {
      error = e instanceof Error ? e.message : String(e);
    }
  }
</script>

<div class="bench">
  <div class="left">
    <section class="card" aria-label="Circuit">
      <div class="bar">
        <label class="field"
          >Situation
          <select bind:value={situation}>
            {#each situations as s (s.id)}<option value={s.id}>{s.title}</option>{/each}
          </select>
        </label>
        <Choices
          label="Path in the first row"
          options={drawings.map((d) => sheet.paths[d.path]?.title ?? d.path)}
          chosen={pathIndex}
          onchoose={(i) => (pathIndex = i)}
        />
        <details>
          <summary>Export</summary>
          <div class="menu card">
            <button type="button" onclick={() => save('yaml')}>YAML</button>
            <button type="button" onclick={() => save('json')}>JSON</button>
            <button type="button" onclick={() => save('spice')}>SPICE netlist</button>
            <button type="button" onclick={() => save('svg')}>SVG drawing</button>
          </div>
        </details>
      </div>
      {#if error}<p class="error" role="alert">{error}</p>{/if}
      <div class="drawing" bind:clientWidth={width} bind:this={frame}>
        {#if drawing}
          <CircuitDrawing
            {drawing}
            {sheet}
            {answer}
            {supposed}
            {selected}
            {red}
            {black}
            {width}
            onpart={(p) => (selected = selected === p ? '' : p)}
            onpoint={touch}
          />
        {/if}
      </div>
    </section>
    {#if staircase}
      <section class="card stairs" aria-label="Staircase">
        <h2>{staircase.title}: volts to {staircase.reference}</h2>
        <p class="soft">Dashes: sound. Strong line: as supposed.</p>
        <StaircaseChart
          path={staircase}
          parts={new Map()}
          selected={staircase.risers.findIndex((r) => r.part === selected)}
          width={Math.max(300, width - 28)}
          height={200}
          onselect={(i) => (selected = staircase.risers[i]?.part ?? '')}
        />
      </section>
    {/if}
  </div>
  <WhatIfPanel
    {sheet}
    {answer}
    {faults}
    {lifted}
    {selected}
    {functions}
    {live}
    {meters}
    bind:func
    bind:red
    bind:black
    bind:next
    bind:meter
    bind:supplyVolts
    onsuppose={suppose}
    onlift={lift}
    onforget={forget}
  />
</div>

<style>
  .bench {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 336px;
    gap: 14px;
    align-items: start;
  }
  .left {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
    min-width: 0;
  }
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 1.5rem;
    align-items: center;
    padding: 8px 14px;
    border-bottom: 1px solid var(--line);
  }
  .field {
    display: flex;
    align-items: center;
    gap: 8px;
    font-size: 0.8125rem;
    color: var(--ink-soft);
    min-width: 0;
  }
  select {
    min-width: 0;
    font: inherit;
    font-size: 0.875rem;
    color: var(--ink);
    background: var(--field);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    padding: 6px 8px;
    max-width: 22rem;
  }
  details {
    position: relative;
    margin-left: auto;
    font-size: 0.875rem;
  }
  summary {
    cursor: pointer;
    color: var(--good);
  }
  .menu {
    position: absolute;
    right: 0;
    z-index: 3;
    display: grid;
    padding: 6px 0;
    min-width: 9rem;
  }
  .menu button {
    background: none;
    border: 0;
    padding: 7px 14px;
    font: inherit;
    text-align: left;
    color: var(--ink);
    cursor: pointer;
  }
  .menu button:hover {
    background: var(--field);
  }
  .drawing {
    overflow-x: auto;
    padding: 8px 0 0;
  }
  .stairs {
    padding: 10px 14px;
    overflow-x: auto;
  }
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
  }
  .stairs p {
    font-size: 0.8125rem;
    margin-bottom: 6px;
  }
  .error {
    padding: 8px 14px;
    background: var(--bad-wash);
    font-size: 0.875rem;
  }
  @media (max-width: 1000px) {
    .bench {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
