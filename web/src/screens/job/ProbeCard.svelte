<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Sheet } from '../../lib/api/client';
  import { type Probe, type Way, WAYS } from './probe';

  /** Where the probes go next, what to expect, and the field for what the meter shows. */
  let {
    probe,
    sheet,
    why,
    way,
    live,
    busy,
    error,
    value = $bindable(),
    field = $bindable(),
    onway,
    onlog
  }: {
    probe: Probe;
    sheet: Sheet;
    why: string;
    way: Way;
    live: boolean;
    busy: boolean;
    error: string;
    value: string;
    field: HTMLInputElement | undefined;
    onway: (way: Way) => void;
    onlog: () => void;
  } = $props();

  const functionTitle: Record<string, string> = {
    'volts-ac': 'AC volts',
    'volts-dc': 'DC volts',
    ohms: 'Ohms',
    'amps-ac': 'AC clamp',
    'amps-dc': 'DC clamp'
  };
  const caution = $derived(
    probe.function === 'ohms'
      ? 'Isolate, lock off and prove dead first. Never ohms on a live circuit.'
      : 'Live work: one hand, insulated probes, a meter fit for the place. Hands out before power.'
  );
  const clamp = $derived(way === 'clamp' && probe.across);

  function place(id: string): string {
    const point = sheet.points[id];
    return point ? [point.title, point.pin].filter(Boolean).join(', ') : '';
  }
</script>

<section class="card" aria-label="Next probe">
  <header>
    <h2>Next probe</h2>
    <span class="soft">{why}</span>
  </header>

  <div class="ways" role="group" aria-label="Way of measuring">
    {#each WAYS as choice (choice.way)}
      <button
        type="button"
        aria-pressed={way === choice.way}
        disabled={choice.live && !live}
        title={choice.live && !live ? 'needs a live permit' : undefined}
        onclick={() => onway(choice.way)}>{choice.title}</button
      >
    {/each}
  </div>

  <div class="places">
    {#if clamp}
      <p class="place">
        <span class="figure id">{sheet.parts[probe.across ?? '']?.title}</span>
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
  <p class="setting">
    <b>{functionTitle[probe.function]}</b>, {sheet.situations[probe.situation]?.title.toLowerCase()}
  </p>

  <table>
    <tbody>
      {#each probe.expectations as expectation (expectation.meaning)}
        <tr><td class="figure">{expectation.reading}</td><td>{expectation.meaning}</td></tr>
      {/each}
    </tbody>
  </table>

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
  {#if error}<p id="reading-error" class="error" role="alert">{error}</p>{/if}
  <p class="caution">{caution}</p>
</section>

<style>
  section {
    border: 2px solid var(--brass-line);
    padding: 12px 16px 0;
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    font-size: 0.875rem;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    margin: 4px 0 6px;
  }
  .ways button {
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    padding: 3px 0;
    font: inherit;
    font-size: 0.8125rem;
    color: var(--good);
    cursor: pointer;
  }
  .ways button[aria-pressed='true'] {
    color: var(--ink);
    border-color: var(--brass-line);
    font-weight: 600;
  }
  .ways button:disabled {
    color: var(--ink-soft);
    text-decoration: line-through;
    cursor: default;
  }
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
  .setting {
    font-size: 0.875rem;
    padding: 4px 0 6px;
  }
  table {
    width: 100%;
    border-top: 1px solid var(--line);
    border-collapse: collapse;
    font-size: 0.875rem;
    margin-bottom: 8px;
  }
  td {
    padding: 4px 0 0;
    vertical-align: baseline;
  }
  td:first-child {
    white-space: nowrap;
    padding-right: 14px;
    font-size: 0.8125rem;
  }
  form {
    display: flex;
    gap: 8px;
  }
  label {
    flex: 1;
    position: relative;
    display: block;
  }
  input {
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
  input::placeholder {
    font-family: 'IBM Plex Sans', sans-serif;
    font-size: 1rem;
    color: var(--ink-soft);
    transform: translateY(-3px);
  }
  input[aria-invalid='true'] {
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
  .caution {
    margin: 10px -16px 0;
    padding: 7px 16px;
    background: var(--note-wash);
    font-size: 0.8125rem;
    line-height: 1.3;
  }
  @media (max-width: 672px) {
    .ways {
      flex-wrap: nowrap;
      overflow-x: auto;
      white-space: nowrap;
    }
    .places {
      display: flex;
      gap: 2rem;
    }
    .place .soft {
      display: none;
    }
    .caution {
      margin-top: 6px;
      padding: 4px 16px;
      font-size: 0.75rem;
    }
  }
  .hidden {
    position: absolute;
    clip-path: inset(50%);
  }
</style>
