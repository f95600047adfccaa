<script lang="ts">
  import type { SupplyPicture } from '../../../../lib/api/client';
  import { volts, voltsBetween } from '../../../../lib/format/format';
  import TerminalGlyph from './TerminalGlyph.svelte';

  /** A place where the supply is measured: its terminals, and between each two a field for what is read there. */
  let {
    picture,
    typed = false,
    disabled,
    onread
  }: {
    picture: SupplyPicture;
    /** Whether what is typed anywhere goes into its next field. */
    typed?: boolean;
    disabled: boolean;
    onread: (red: string, black: string, value: string) => Promise<boolean>;
  } = $props();

  let values = $state<Record<string, string>>({});
  let fields = $state<Record<string, HTMLInputElement | undefined>>({});

  const column = (point: string) => picture.terminals.findIndex((t) => t.point === point) + 1;
  const name = (point: string) => picture.terminals.find((t) => t.point === point)?.title ?? point;
  const key = (f: SupplyPicture['fields'][number]) => `${f.red} ${f.black}`;
  const verdict = (f: SupplyPicture['fields'][number]) => (f.shown === '' ? '' : f.fits ? 'good' : 'bad');

  async function read(event: SubmitEvent, field: SupplyPicture['fields'][number]) {
    event.preventDefault();
    const value = values[key(field)]?.trim() ?? '';
    if (value === '' || !(await onread(field.red, field.black, value))) return;
    values[key(field)] = '';
    const next = picture.fields.find((f) => f.next);
    if (next) fields[key(next)]?.focus();
  }
</script>

<section class="card" aria-label={picture.title}>
  <header>
    <h2>{picture.title}</h2>
    <p class="soft">
      {picture.situationTitle}{picture.reach ? ` · ${picture.reach}` : ''} · meter on {picture.function ===
      'volts-dc'
        ? 'DC'
        : 'AC'} volts, range {picture.range}
    </p>
  </header>
  <div class="picture" style:--terminals={picture.terminals.length}>
    {#each picture.terminals as t, i (t.id)}
      <div class="terminal" style:grid-column={i + 1}>
        <TerminalGlyph place={picture.place} id={t.id} />
        <b>{t.title}</b>
        <span class="figure soft">{t.point}</span>
      </div>
    {/each}
    {#each picture.fields as field, row (key(field))}
      {@const [a, b] = [column(field.red), column(field.black)].sort((x, y) => x - y) as [number, number]}
      <form
        class={verdict(field)}
        class:next={field.next}
        style:grid-row={row + 2}
        style:grid-column={`${a} / ${b + 1}`}
        style:--inset={`${50 / (b - a + 1)}%`}
        onsubmit={(e) => read(e, field)}
      >
        <span class="bar" aria-hidden="true"></span>
        <label>
          <span class="out">{name(field.red)} to {name(field.black)}</span>
          <input
            class="figure"
            inputmode="decimal"
            autocomplete="off"
            placeholder={field.shown || 'V'}
            data-typed={typed && field.next ? '' : undefined}
            {disabled}
            bind:value={values[key(field)]}
            bind:this={fields[key(field)]}
          />
        </label>
        <small>
          {#if field.shown}<b>{field.fits ? '✓' : '✗'} {field.shown}</b>{/if}
          {field.low > 0 ? voltsBetween(field.low, field.high) : `under ${volts(field.high)}`}
        </small>
      </form>
    {/each}
  </div>
  <p class="source soft">{picture.source}</p>
</section>

<style>
  section {
    padding: 12px 16px;
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
  }
  header p,
  .source {
    font-size: 0.8125rem;
  }
  .picture {
    display: grid;
    grid-template-columns: repeat(var(--terminals), minmax(0, 1fr));
    row-gap: 6px;
    max-width: 46rem;
    margin: 10px auto 6px;
  }
  .terminal {
    grid-row: 1;
    display: grid;
    justify-items: center;
    font-size: 0.875rem;
    line-height: 1.3;
  }
  form {
    position: relative;
    display: grid;
    justify-items: center;
    padding-top: 8px;
  }
  .bar {
    position: absolute;
    top: 0;
    left: var(--inset);
    right: var(--inset);
    height: 6px;
    border: 2px solid var(--line);
    border-top: 0;
  }
  .next .bar {
    border-color: var(--brass-line);
  }
  .good .bar {
    border-color: var(--good);
  }
  .bad .bar {
    border-color: var(--bad);
  }
  .out {
    position: absolute;
    clip-path: inset(50%);
  }
  input {
    width: 6.5rem;
    min-height: 40px;
    text-align: center;
    font-size: 1rem;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  .next input {
    border: 2px solid var(--brass-line);
  }
  input::placeholder {
    color: var(--ink-soft);
    opacity: 1;
  }
  small {
    font-size: 0.75rem;
    color: var(--ink-soft);
    text-align: center;
  }
  .good small b {
    color: var(--good);
  }
  .bad small b {
    color: var(--bad);
  }
</style>
