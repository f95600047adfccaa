<script lang="ts">
  import { untrack } from 'svelte';
  import { type BenchAnswer, type BenchCard, Problem, reason } from '../api/client';
  import LogPad from './LogPad.svelte';

  /** The fields of a check, its answer live as one types. */
  let {
    card,
    given = {},
    check,
    onanswer
  }: {
    card: BenchCard;
    /** What is known already. */
    given?: Record<string, string>;
    /** Makes the check. */
    check: (typed: Record<string, string>) => Promise<BenchAnswer>;
    onanswer?: (answer: BenchAnswer | undefined, typed: Record<string, string>) => void;
  } = $props();

  const PAUSE = 200;

  let typed = $state<Record<string, string>>(untrack(() => ({ ...given })));
  let wrong = $state.raw<Record<string, string>>({});
  let error = $state('');
  let asked = 0;

  const filled = $derived(Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim() !== '')));
  const begun = $derived(Object.keys(filled).length > 0);

  $effect(() => {
    const now = filled;
    const waiting = setTimeout(() => void compute(now), PAUSE);
    return () => clearTimeout(waiting);
  });

  async function compute(now: Record<string, string>) {
    const mine = ++asked;
    if (Object.keys(now).length === 0) {
      wrong = {};
      onanswer?.(undefined, now);
      return;
    }
    try {
      const answer = await check(now);
      if (mine !== asked) return;
      wrong = {};
      error = '';
      onanswer?.(answer, now);
    } catch (e) {
      if (mine !== asked) return;
      wrong = e instanceof Problem ? e.fields : {};
      error = e instanceof Problem && Object.keys(wrong).length > 0 ? '' : reason(e);
      onanswer?.(undefined, now);
    }
  }

  /** A field that is only empty is not scolded for it. */
  const scolded = (name: string) => (typed[name]?.trim() ? wrong[name] : undefined);
</script>

<div class="fields">
  {#each card.inputs as input (input.name)}
    <svelte:element
      this={input.kind === 'log' ? 'div' : 'label'}
      class="field"
      class:wide={input.kind === 'log'}
    >
      <span
        >{input.title}{input.unit && input.unit !== 'Ω' ? `, ${input.unit}` : input.unit ? ', ohm' : ''}
        {#if !input.required}<small class="soft">· if known</small>{/if}</span
      >
      {#if input.kind === 'choice'}
        <select bind:value={typed[input.name]}>
          {#if !typed[input.name]}<option value=""></option>{/if}
          {#each input.choices as choice (choice)}<option>{choice}</option>{/each}
        </select>
      {:else if input.kind === 'log'}
        <LogPad title={input.title} example={input.example} bind:text={typed[input.name]} />
      {:else}
        <input
          class="figure"
          autocomplete="off"
          placeholder={input.example}
          aria-invalid={scolded(input.name) ? true : undefined}
          bind:value={typed[input.name]}
        />
      {/if}
      {#if scolded(input.name)}<small class="wrong" role="alert">{scolded(input.name)}</small>{/if}
    </svelte:element>
  {/each}
</div>
{#if error && begun}<p class="failed" role="alert">{error}</p>{/if}

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
    gap: 12px 16px;
  }
  .field {
    display: grid;
    gap: 3px;
    align-content: start;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  .wide {
    grid-column: 1 / -1;
  }
  input,
  select {
    min-height: 44px;
    padding: 0 10px;
    font-size: 1rem;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
    width: 100%;
  }
  select {
    font-family: inherit;
  }
  input::placeholder {
    color: var(--ink-soft);
    opacity: 0.75;
  }
  input[aria-invalid] {
    border-color: var(--bad);
  }
  .wrong {
    color: var(--bad);
    font-size: 0.8125rem;
  }
</style>
