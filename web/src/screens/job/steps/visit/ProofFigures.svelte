<script lang="ts">
  import type { Proof } from '../../../../lib/api/client';
  import { figure } from '../../../../lib/format/format';

  /** The figures of a proof: what is read at this unit, beside what is due and what was read last time. */
  let {
    figures,
    next,
    busy,
    onread
  }: {
    figures: Proof['figures'];
    /** Whether what is typed goes into the first that was not read. */
    next: boolean;
    busy: boolean;
    onread?: ((id: string, typed: string) => void) | undefined;
  } = $props();

  const first = $derived(figures.find((f) => f.read === ''));
  const told = $derived(figures.some((f) => f.read !== ''));

  function due({ low, high, unit }: Proof['figures'][number]): string {
    if (low != null && high != null) return `${figure(low)} to ${figure(high)} ${unit}`;
    if (low != null) return `${figure(low)} ${unit} or more`;
    if (high != null) return `${figure(high)} ${unit} or less`;
    return "what the unit's paper says";
  }

  function read(event: Event & { currentTarget: HTMLInputElement }, f: Proof['figures'][number]) {
    const typed = event.currentTarget.value.trim();
    if (typed !== '' && typed !== f.read) onread?.(f.id, typed);
    event.currentTarget.blur();
  }
</script>

<ul>
  {#each figures as f (f.id)}
    <li class:bad={f.read !== '' && !f.fits}>
      <label>
        <span class="what">{f.title || 'Read'}</span>
        <input
          value={f.read}
          inputmode="decimal"
          maxlength="12"
          autocomplete="off"
          data-typed={next && !told && f === first ? '' : undefined}
          disabled={busy || !onread}
          onchange={(e) => read(e, f)}
        />
        <span>{f.unit}</span>
      </label>
      <small>
        {f.read !== '' && !f.fits ? 'Not within' : 'Due:'}
        {due(f)}{f.before ? ` · last visit ${f.before} ${f.unit}` : ''}
      </small>
    </li>
  {/each}
</ul>

<style>
  ul {
    flex: 1 1 100%;
    order: 1;
    display: grid;
    gap: 6px;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    justify-content: flex-start;
    align-items: center;
    gap: 4px 12px;
  }
  label {
    display: grid;
    grid-template-columns: minmax(0, 19rem) 6rem auto;
    align-items: center;
    gap: 8px;
    font-size: 0.875rem;
    line-height: 1.3;
  }
  input {
    width: 6rem;
    min-height: 36px;
    padding: 0 10px;
    font: inherit;
    font-family: 'IBM Plex Mono', monospace;
    text-align: right;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  small {
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  .bad small {
    color: var(--bad);
  }
  @media (max-width: 672px) {
    input {
      min-height: 44px;
    }
    label {
      grid-template-columns: 1fr 6rem auto;
    }
  }
</style>
