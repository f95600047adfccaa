<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Snippet } from 'svelte';
  import type { Meter, Sheet } from '../../../../lib/api/client';
  import { feelsHeat } from '../../../../lib/circuit/behaviour';
  import NextCard from './NextCard.svelte';
  import { FUNCTIONS, functionsOf, type How, inState, type Probe, readsOhms } from './probe';

  /** Where the probes go, what to expect, and the field for what the meter shows. */
  let {
    probe,
    sheet,
    title,
    aside,
    steps,
    why,
    caution,
    meters,
    busy,
    error,
    how = $bindable(),
    value = $bindable(),
    field = $bindable(),
    onlog,
    ways,
    actions,
    print
  }: {
    probe: Probe;
    sheet: Sheet;
    title: string;
    aside: string;
    steps: string[];
    why: string;
    caution: string;
    meters: Meter[];
    busy: boolean;
    error: string;
    how: How;
    value: string;
    field: HTMLInputElement | undefined;
    onlog: () => void;
    ways?: Snippet;
    actions?: Snippet;
    /** What the part's plate says, where it bears one. */
    print?: Snippet | undefined;
  } = $props();

  const clamp = $derived(probe.function.startsWith('amps') && probe.across);
  const part = $derived(probe.across ? sheet.parts[probe.across] : undefined);
  const feels = $derived(feelsHeat(part));
  const ohms = $derived(readsOhms(probe, how));
  const functions = $derived(functionsOf(sheet, probe));
  const offered = $derived(meters.filter((m) => !m.retired || m.id === how.meter));

  /** At an outlet, where the unit is not plugged in and so is in no state of its own. */
  const plugOut = $derived(
    !how.situation &&
      sheet.situations[probe.situation]?.supplyOn &&
      [probe.red, probe.black].every((p) => sheet.access[sheet.points[p]?.access ?? '']?.place)
  );

  function place(id: string): string {
    const point = sheet.points[id];
    return point ? [point.title, point.pin].filter(Boolean).join(', ') : '';
  }
</script>

<NextCard {title} {aside} {steps} {why} {caution} {actions} expectations={probe.expectations}>
  {#snippet children(table: Snippet)}
    {@render ways?.()}
    <div class="places">
      {#if clamp}
        <p class="place">
          <span class="figure id">{part?.title}</span>
          <span class="soft">clamp around one of its wires</span>
        </p>
      {:else}
        <p class="place">
          <i class="red"></i><span class="figure id">{probe.red}</span>
          <span class="soft">{place(probe.red)}</span>
        </p>
        <p class="place">
          <i class="black"></i><span class="figure id">{probe.black}</span>
          <span class="soft">{place(probe.black)}</span>
        </p>
      {/if}
    </div>
    {@render table()}
    <form
      onsubmit={(event) => {
        event.preventDefault();
        onlog();
      }}
    >
      <label>
        <span class="hidden">Reading</span>
        <input
          bind:this={field}
          bind:value
          class="figure"
          autocomplete="off"
          autocapitalize="characters"
          spellcheck="false"
          maxlength="60"
          placeholder="type what it shows"
          aria-invalid={error !== ''}
          aria-describedby={error ? 'reading-error' : undefined}
          onkeydown={(event) => {
            if (event.key === 'Escape') {
              value = '';
              field?.blur();
            }
          }}
        />
        <span class="figure unit" aria-hidden="true">{probe.unit}</span>
      </label>
      <Button type="submit" disabled={busy}>Log ⏎</Button>
    </form>
    <div class="taken" role="group" aria-label="How it is taken">
      <label class="function"
        ><span class="hidden">Function</span>
        <select
          value={how.function || probe.function}
          onchange={(e) => (how.function = e.currentTarget.value)}
        >
          {#each functions as f (f)}<option value={f}>{FUNCTIONS[f]}</option>{/each}
        </select></label
      >
      <label class="state"
        ><span class="hidden">State of the unit</span>
        <select
          value={plugOut ? '' : how.situation || probe.situation}
          onchange={(e) => inState(sheet, probe, how, e.currentTarget.value)}
        >
          {#if plugOut}<option value="">Plug out</option>{/if}
          {#each Object.values(sheet.situations) as s (s.id)}<option value={s.id}>{s.title}</option>{/each}
        </select></label
      >
      {#if ohms && part}
        <label class="tick" class:asked={probe.liftedAt?.length && !how.freed}
          ><input type="checkbox" bind:checked={how.freed} />
          {probe.liftedAt?.length ? 'Its wire is off, as asked' : 'Its own plug or wire is off'}</label
        >
      {/if}
      {#if feels}
        <label class="warm"
          >at <input
            class="figure"
            bind:value={how.celsius}
            placeholder="how warm?"
            aria-label="How warm the part is"
            maxlength="20"
          /></label
        >
      {/if}
    </div>
    {#if error}<p id="reading-error" class="error" role="alert">{error}</p>{/if}
    <details class="how">
      <summary
        >{how.meter
          ? offered.find((m) => m.id === how.meter)?.name
          : (offered[0]?.name ?? 'Meter')}{how.reseated ? ', re-seated' : ''}</summary
      >
      <div>
        <label
          >Meter <select bind:value={how.meter}>
            <option value="">{offered[0]?.name ?? 'the usual one'}</option>
            {#each offered.slice(1) as m (m.id)}<option value={m.id}>{m.name}</option>{/each}
          </select></label
        >
        {#if part}
          <label
            ><input type="checkbox" bind:checked={how.reseated} /> after its terminals were put on again</label
          >
        {/if}
      </div>
    </details>
    {@render print?.()}
  {/snippet}
</NextCard>

<style>
  .place {
    display: grid;
    grid-template-columns: 20px minmax(44px, max-content) 1fr;
    align-items: center;
    gap: 6px;
    font-size: 0.875rem;
    line-height: 1.25;
    padding: 3px 0;
  }
  .place:not(:has(i)) {
    grid-template-columns: max-content 1fr;
  }
  .id {
    font-size: 1.375rem;
    font-weight: 600;
  }
  i {
    width: 14px;
    height: 14px;
    border-radius: 50%;
  }
  i.red {
    background: #c22f14;
  }
  i.black {
    background: #111;
    outline: 1px solid var(--ink-soft);
  }
  .taken {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 12px;
    padding-top: 6px;
    font-size: 0.875rem;
  }
  .taken select,
  .warm input {
    max-width: 100%;
    min-height: 40px;
    padding: 0 6px;
    font: inherit;
    color: var(--ink);
    background: var(--field);
    border: 0;
    border-bottom: 1px solid var(--line);
    border-radius: 0;
  }
  .taken label {
    min-width: 0;
    max-width: 100%;
  }
  .function {
    flex: 0 1 9rem;
  }
  .taken .state {
    flex: 1 1 9rem;
  }
  .taken select {
    width: 100%;
    text-overflow: ellipsis;
  }
  .tick {
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 40px;
  }
  .tick input {
    width: 20px;
    height: 20px;
    accent-color: var(--good);
  }
  .asked {
    font-weight: 600;
  }
  .warm input {
    width: 7rem;
  }
  form {
    display: flex;
    gap: 8px;
  }
  form label {
    flex: 1;
    position: relative;
    display: block;
  }
  form input {
    width: 100%;
    height: 52px;
    line-height: 52px;
    border: 0;
    border-bottom: 2px solid var(--ink);
    background: var(--field);
    color: var(--ink);
    font-size: 1.625rem;
    padding: 0 42px 0 14px;
    border-radius: 0;
  }
  form input::placeholder {
    font-family: 'IBM Plex Sans', sans-serif;
    font-size: 1rem;
    color: var(--ink-soft);
    transform: translateY(-3px);
  }
  form input[aria-invalid='true'] {
    border-color: var(--bad);
  }
  .unit {
    position: absolute;
    right: 12px;
    top: 16px;
    color: var(--ink-soft);
  }
  form :global(.bx--btn) {
    min-height: 52px;
    padding: 0 24px;
    font-weight: 600;
  }
  .error {
    color: var(--bad);
    font-size: 0.8125rem;
    padding-top: 6px;
  }
  .how {
    font-size: 0.8125rem;
    color: var(--ink-soft);
    padding-top: 6px;
  }
  .how summary {
    cursor: pointer;
  }
  .how div {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    padding-top: 6px;
  }
  .how select {
    font: inherit;
    background: var(--field);
    color: var(--ink);
    border: 0;
    padding: 4px 6px;
  }
  @media (max-width: 672px) {
    .places {
      display: flex;
      gap: 2rem;
    }
    .place .soft {
      display: none;
    }
    .how {
      display: none;
    }
  }
  .hidden {
    position: absolute;
    clip-path: inset(50%);
  }
</style>
