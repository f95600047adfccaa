<script lang="ts">
  import type { Answer, Meter, Sheet, Supposed } from '../../lib/api/client';
  import { contactOf } from '../../lib/circuit/behaviour';
  import { amperes, ohms, percent, volts, watts, words } from '../../lib/format/format';

  /** Beside the drawing: two probes and a meter, the chosen part, and what is supposed of the unit. */
  let {
    sheet,
    answer,
    faults,
    lifted,
    selected,
    functions,
    live,
    meters,
    func = $bindable(),
    red = $bindable(),
    black = $bindable(),
    next = $bindable(),
    meter = $bindable(),
    supplyVolts = $bindable(),
    onsuppose,
    onlift,
    onforget
  }: {
    sheet: Sheet;
    answer: Answer | undefined;
    faults: Supposed[];
    lifted: string[];
    selected: string;
    functions: string[];
    live: boolean;
    meters: Meter[];
    func: string;
    red: string;
    black: string;
    next: 'red' | 'black';
    meter: string;
    supplyVolts: number | undefined;
    onsuppose: (fault: Supposed) => void;
    onlift: (part: string) => void;
    onforget: (part: string) => void;
  } = $props();

  const FUNCTION_WORDS: Record<string, string> = {
    'volts-ac': 'AC volts',
    'volts-ac-loz': 'AC volts, low impedance',
    'volts-dc': 'DC volts',
    ohms: 'Ohms',
    continuity: 'Continuity'
  };

  let droppingOhms = $state(5);
  let leakOhms = $state(10);
  let leakPercent = $state(50);

  const part = $derived(sheet.parts[selected]);
  const carried = $derived(answer?.parts.find((p) => p.part === selected));
  const readout = $derived(answer?.readings[0]);
  const points = $derived(Object.values(sheet.points));
  const contact = $derived(contactOf(part));

  function describe(fault: Supposed): string {
    const detail =
      fault.mode === 'dropping'
        ? `, ${ohms(fault.ohms ?? 0)} in series`
        : fault.mode === 'case-leak'
          ? `, ${ohms(fault.ohms ?? 0)} at ${Math.round(100 * (fault.position ?? 0))} %`
          : '';
    return words(fault.mode) + detail;
  }
</script>

<aside>
  <section class="card" aria-label="Meter">
    <h2>Probe any two points</h2>
    <div class="probes">
      {#each ['red', 'black'] as const as colour (colour)}
        <button
          type="button"
          class="lead {colour}"
          aria-pressed={next === colour}
          aria-label="Place the {colour} probe next"
          onclick={() => (next = colour)}><i></i></button
        >
        {#if colour === 'red'}
          <select bind:value={red} aria-label="Red probe">
            <option value="">click a point</option>
            {#each points as p (p.id)}<option value={p.id}>{p.id} – {p.title}</option>{/each}
          </select>
        {:else}
          <select bind:value={black} aria-label="Black probe">
            <option value="">click a point</option>
            {#each points as p (p.id)}<option value={p.id}>{p.id} – {p.title}</option>{/each}
          </select>
        {/if}
      {/each}
    </div>
    <div class="two">
      <label
        >Function
        <select bind:value={func}>
          {#each functions as f (f)}<option value={f}>{FUNCTION_WORDS[f]}</option>{/each}
        </select></label
      >
      <label
        >Meter
        <select bind:value={meter}>
          {#each meters as m (m.id)}<option value={m.id}>{m.name}</option>{/each}
        </select></label
      >
    </div>
    <div class="display" aria-live="polite">
      {#if readout}
        <span class="figure now">{readout.now}</span>
        <span class="soft">sound <b class="figure">{readout.sound}</b></span>
        {#if readout.ghost}<span class="ghost"
            >A ghost: the wire floats. The low-impedance input collapses it.</span
          >{/if}
      {:else}
        <span class="soft">Click two points, or choose them here.</span>
      {/if}
    </div>
    {#if !live}<p class="soft small">Isolated and proved dead: ohms, never volts.</p>{/if}
  </section>

  <section class="card" aria-label="Chosen part">
    {#if part}
      <h2>{part.title}</h2>
      <p class="soft small">
        {words(part.kind)}, {part.from} to {part.to}{contact?.madeWhen
          ? ` · made when ${contact.madeWhen}`
          : ''}
      </p>
      {#if carried}
        <dl class="figure">
          <dt>across</dt>
          <dd>{volts(carried.volts)}</dd>
          <dt>through</dt>
          <dd>{amperes(carried.amperes)}</dd>
          <dt>lost in it</dt>
          <dd>{watts(carried.watts)}</dd>
          <dt>impedance</dt>
          <dd>{ohms(carried.ohms)}</dd>
          {#if carried.powerShare !== undefined}
            <dt>of its power</dt>
            <dd>{percent(carried.powerShare)}</dd>
          {/if}
        </dl>
      {/if}
      <div class="faults">
        <button type="button" onclick={() => onsuppose({ part: selected, mode: 'open' })}>Open it</button>
        {#if contact}
          <button type="button" onclick={() => onsuppose({ part: selected, mode: 'stuck' })}
            >Weld it shut</button
          >
        {:else}
          <button
            type="button"
            onclick={() => onsuppose({ part: selected, mode: 'off-value-high', factor: 2 })}
            >Double its ohms</button
          >
          <button
            type="button"
            onclick={() => onsuppose({ part: selected, mode: 'off-value-low', factor: 0.5 })}
            >Halve its ohms</button
          >
        {/if}
        <button type="button" onclick={() => onlift(selected)}>Lift a wire</button>
        <span class="with">
          <button
            type="button"
            onclick={() => onsuppose({ part: selected, mode: 'dropping', ohms: droppingOhms })}
            >Degrade by</button
          >
          <input type="number" min="0.01" step="any" bind:value={droppingOhms} aria-label="Ohms in series" /> Ω
        </span>
        <span class="with">
          <button
            type="button"
            onclick={() =>
              onsuppose({ part: selected, mode: 'case-leak', ohms: leakOhms, position: leakPercent / 100 })}
            >Ground at</button
          >
          <input type="number" min="0" max="100" bind:value={leakPercent} aria-label="Position in percent" />
          %
          <input type="number" min="0.01" step="any" bind:value={leakOhms} aria-label="Ohms to case" /> Ω
        </span>
      </div>
    {:else}
      <h2>What if</h2>
      <p class="soft small">Click a part to see what it carries, then open, degrade, weld or ground it.</p>
    {/if}
  </section>

  <section class="card" aria-label="Supposed">
    <h2>Supposed</h2>
    <label class="supply"
      >Supply
      <input
        type="number"
        min="0"
        max="1000"
        step="any"
        placeholder={String(sheet.supply.volts)}
        bind:value={supplyVolts}
      /> V</label
    >
    {#if faults.length + lifted.length === 0}
      <p class="soft small">Nothing: the sound unit.</p>
    {:else}
      <ul>
        {#each faults as fault (fault.part)}
          <li>
            <span><b>{sheet.parts[fault.part]?.title}</b> {describe(fault)}</span>
            <button type="button" aria-label="Forget it" onclick={() => onforget(fault.part)}>×</button>
          </li>
        {/each}
        {#each lifted as id (id)}
          <li>
            <span><b>{sheet.parts[id]?.title}</b> wire off</span>
            <button type="button" aria-label="Forget it" onclick={() => onforget(id)}>×</button>
          </li>
        {/each}
      </ul>
    {/if}
    {#each answer?.notes ?? [] as note (note)}<p class="note">{note}</p>{/each}
  </section>
</aside>

<style>
  aside {
    display: grid;
    gap: 12px;
  }
  section {
    padding: 12px 14px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    margin-bottom: 6px;
  }
  .small {
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  .probes {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 6px 8px;
    align-items: center;
  }
  .lead {
    background: none;
    border: 2px solid transparent;
    border-radius: 50%;
    padding: 4px;
    cursor: pointer;
  }
  .lead[aria-pressed='true'] {
    border-color: var(--brass-line);
  }
  .lead i {
    display: block;
    width: 14px;
    height: 14px;
    border-radius: 50%;
    background: #c9341c;
  }
  .lead.black i {
    background: #15191a;
    border: 1px solid var(--ink-soft);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    margin-top: 8px;
  }
  label {
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  select,
  input {
    width: 100%;
    font: inherit;
    font-size: 0.8125rem;
    color: var(--ink);
    background: var(--field);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    padding: 6px 6px;
  }
  .display {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 4px 12px;
    margin-top: 10px;
    min-height: 40px;
    font-size: 0.8125rem;
  }
  .now {
    font-size: 1.75rem;
  }
  .ghost {
    color: var(--doubt);
    flex-basis: 100%;
  }
  dl {
    display: grid;
    grid-template-columns: 6rem 1fr;
    gap: 2px 8px;
    margin: 8px 0 10px;
    font-size: 0.8125rem;
  }
  dt {
    font-family: 'IBM Plex Sans', sans-serif;
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
  }
  .faults {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
  .faults button {
    background: var(--field);
    border: 0;
    padding: 7px 10px;
    font: inherit;
    font-size: 0.8125rem;
    color: var(--ink);
    cursor: pointer;
  }
  .faults button:hover {
    background: var(--band);
  }
  .with {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    font-size: 0.8125rem;
  }
  .with input {
    width: 4.2rem;
  }
  .supply {
    display: inline-flex;
    align-items: center;
    gap: 8px;
    font-size: 0.8125rem;
  }
  .supply input {
    width: 5.5rem;
  }
  ul {
    list-style: none;
    margin: 8px 0 0;
    padding: 0;
    font-size: 0.875rem;
  }
  li {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    padding: 4px 0;
    color: var(--bad);
  }
  li button {
    background: none;
    border: 0;
    font: inherit;
    font-size: 1.1rem;
    line-height: 1;
    color: var(--ink-soft);
    cursor: pointer;
  }
  .note {
    margin-top: 8px;
    padding: 8px 10px;
    background: var(--bad-wash);
    font-size: 0.8125rem;
    line-height: 1.4;
  }
</style>
