<script lang="ts">
  import type { TradeWord } from '../../lib/api/client';
  import type { SketchDraft } from './SketchDraft.svelte';
  import SketchEditor from './SketchEditor.svelte';
  import SketchPicture from './SketchPicture.svelte';

  /** The chains at the left, what they make at the right; what was assumed is said outright by a touch. */
  let { draft, words }: { draft: SketchDraft; words: TradeWord[] } = $props();

  const MANY = 6;

  let editor = $state<SketchEditor>();
  let whole = $state(false);

  const problems = $derived(draft.preview?.problems ?? []);
  const assumptions = $derived(draft.preview?.assumptions ?? []);
  const listed = $derived(whole ? assumptions : assumptions.slice(0, MANY));
  const points = $derived(Object.keys(draft.drawn?.sheet?.points ?? {}));
</script>

<div class="sketch">
  <div class="typed">
    <SketchEditor
      bind:this={editor}
      text={draft.text}
      {problems}
      {words}
      {points}
      ontyped={(text) => draft.typed(text)}
    />
    {#if draft.error}<p class="failed" role="alert">{draft.error}</p>{/if}
    {#if problems.length > 0 && draft.text.trim() !== ''}
      <ul class="problems" aria-label="What is to be settled" aria-live="polite">
        {#each problems as p, i (i)}
          <li class={p.level}>
            <button type="button" onclick={() => editor?.go(p.line, p.column)}>
              <span class="figure">{p.line}:{p.column}</span>
              <span>{p.message}</span>
            </button>
          </li>
        {/each}
      </ul>
    {/if}
  </div>
  <div class="made">
    {#if draft.drawn}
      <SketchPicture {draft} />
    {:else}
      <section class="card empty">
        <h2>Its circuit is drawn here as you type</h2>
        <pre class="figure">Store-room heater
supply 230 V 50 Hz
L &gt; fuse 10A &gt; [A] door &gt; limit 90C &gt; element 2000W &gt; N
A &gt; fan 30W &gt; N</pre>
        <p class="soft">
          A title, what feeds it, then a line for each chain. <b>[A]</b> names a point, so that a branch can begin
          there. Kinds, ratings and names stand in any order; what is left out is assumed and listed.
        </p>
      </section>
    {/if}
    {#if assumptions.length > 0 && draft.preview?.yaml}
      <section class="card assumed" aria-label="Assumed">
        <h2>Assumed until you say otherwise</h2>
        <ul>
          {#each listed as a, i (i)}
            <li>
              <span class="soft"><b>{a.about}</b> {a.text}</span>
              <button type="button" class="quiet-button" onclick={() => draft.say(a)}>Say it</button>
            </li>
          {/each}
        </ul>
        {#if assumptions.length > MANY}
          <button type="button" class="quiet-button" onclick={() => (whole = !whole)}
            >{whole ? 'Fewer' : `All ${assumptions.length}`}</button
          >
        {/if}
      </section>
    {/if}
  </div>
</div>

<style>
  .sketch {
    display: grid;
    grid-template-columns: minmax(340px, 460px) minmax(0, 1fr);
    gap: 14px;
    align-items: start;
  }
  .typed,
  .made {
    min-width: 0;
  }
  .problems {
    list-style: none;
    margin: 12px 0 0;
    padding: 0;
    font-size: 0.875rem;
  }
  .problems li {
    border-left: 4px solid var(--line);
    background: var(--card);
    margin-bottom: 4px;
  }
  .problems .error {
    border-color: var(--bad);
  }
  .problems .question {
    border-color: var(--doubt);
  }
  .problems button {
    display: grid;
    grid-template-columns: 3rem 1fr;
    gap: 8px;
    width: 100%;
    min-height: 36px;
    padding: 7px 10px;
    font: inherit;
    line-height: 1.4;
    text-align: left;
    color: var(--ink);
    background: none;
    border: 0;
    cursor: pointer;
  }
  .problems .figure {
    color: var(--ink-soft);
    font-size: 0.8125rem;
  }
  .empty {
    padding: 18px 20px;
    font-size: 0.875rem;
  }
  .empty pre {
    overflow-x: auto;
    padding: 12px 0;
    font-size: 0.8125rem;
    line-height: 1.6;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .assumed {
    margin-top: 12px;
    padding: 10px 14px;
    font-size: 0.875rem;
  }
  .assumed ul {
    list-style: none;
    margin: 6px 0;
    padding: 0;
  }
  .assumed li {
    display: flex;
    gap: 1rem;
    align-items: baseline;
    border-top: 1px solid var(--line);
    padding: 5px 0;
  }
  .assumed li span {
    flex: 1;
    overflow-wrap: anywhere;
  }
  .assumed b {
    font-weight: 500;
    color: var(--ink);
    margin-right: 6px;
  }
  @media (max-width: 900px) {
    .sketch {
      grid-template-columns: minmax(0, 1fr);
    }
    .assumed button {
      min-height: 44px;
    }
  }
</style>
