<script lang="ts" generics="R">
  import { Button } from 'carbon-components-svelte';
  import { type Snippet, untrack } from 'svelte';
  import { type TextProblem, reason } from '../api/client';
  import FileButton from '../controls/FileButton.svelte';
  import { Base } from './base.svelte';
  import Changes from './Changes.svelte';
  import { type Documents, keyOf } from './documents';

  /** A document's text, with its problems at their lines as one types. */
  let {
    documents,
    text: given,
    revision,
    onsaved,
    beside
  }: {
    documents: Documents<R>;
    text: string;
    /** Which one the text is, if it is one. */
    revision?: number;
    onsaved: (made: R) => void;
    /** What a text that was checked is shown as. */
    beside?: Snippet<[string]>;
  } = $props();

  const PAUSE = 350;

  let text = $state(untrack(() => given));
  let problems = $state.raw<TextProblem[]>([]);
  const base = new Base(untrack(() => revision));
  let checked = $state('');
  let error = $state('');
  let busy = $state(false);
  let area = $state<HTMLTextAreaElement>();
  let gutter = $state<HTMLElement>();
  let asked = 0;

  const lines = $derived(text.split('\n').length);
  const wrong = $derived(new Set(problems.map((p) => p.line)));
  const current = $derived(checked === text);
  const changed = $derived(text !== given);

  $effect(() => {
    const now = text;
    const waiting = setTimeout(() => void check(now), PAUSE);
    return () => clearTimeout(waiting);
  });

  async function check(now: string) {
    const mine = ++asked;
    try {
      const found = await documents.problems(now);
      if (mine !== asked) return;
      problems = found;
      checked = now;
      error = '';
    } catch (e) {
      if (mine === asked) error = reason(e);
    }
  }

  async function save() {
    busy = true;
    try {
      const key = keyOf(text);
      const from = key === keyOf(given) ? base.revision : undefined;
      onsaved(await documents.save(key ?? 'unnamed', text, from));
    } catch (e) {
      base.refused(e);
      error = reason(e);
    } finally {
      busy = false;
    }
  }

  function go(problem: TextProblem) {
    if (!area) return;
    const before = text
      .split('\n')
      .slice(0, problem.line - 1)
      .join('\n');
    const at = before.length + (problem.line > 1 ? 1 : 0) + problem.column - 1;
    area.focus();
    area.setSelectionRange(at, at);
    area.scrollTop = (area.scrollHeight / lines) * Math.max(0, problem.line - 8);
  }
</script>

<div class="editor" class:wide={beside}>
  <div class="paper card">
    <div class="gutter figure" bind:this={gutter} aria-hidden="true">
      {#each { length: lines }, i (i)}<span class:bad={wrong.has(i + 1)}>{i + 1}</span>{/each}
    </div>
    <textarea
      class="figure"
      bind:this={area}
      bind:value={text}
      spellcheck="false"
      autocapitalize="off"
      aria-label={`${documents.name} text`}
      onscroll={() => gutter && area && (gutter.scrollTop = area.scrollTop)}></textarea>
  </div>
  <div class="right">
    <aside class="card" aria-live="polite">
      <div class="actions">
        <Button size="small" disabled={busy || !current || problems.length > 0 || !changed} on:click={save}
          >Save as a new revision</Button
        >
        <FileButton
          label="Replace from a file"
          ontext={(given) => (text = given)}
          onerror={(m) => (error = m)}
        />
      </div>
      {#if error}<p class="error" role="alert">{error}</p>{/if}
      {#if base.theirs.length}<Changes lines={base.theirs} />{/if}
      {#if !current && !error}
        <p class="soft">Checking …</p>
      {:else if problems.length === 0}
        <p class="good">No problems. {changed ? 'It can be saved.' : 'Nothing has changed yet.'}</p>
      {:else}
        <h2>{problems.length === 1 ? '1 problem' : `${problems.length} problems`}</h2>
        <ol>
          {#each problems as p, i (i)}
            <li>
              <button type="button" onclick={() => go(p)}>
                <span class="figure">{p.line}:{p.column}</span>
                <span
                  >{#if p.where}<b>{p.where}</b>
                  {/if}{p.message}</span
                >
              </button>
            </li>
          {/each}
        </ol>
      {/if}
    </aside>
    {#if beside && checked}{@render beside(checked)}{/if}
  </div>
</div>

<style>
  .editor {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 360px;
    gap: 14px;
    align-items: start;
  }
  .wide {
    grid-template-columns: minmax(0, 1fr) minmax(0, 46%);
  }
  .paper {
    display: flex;
    height: max(420px, calc(100vh - 170px));
    font-size: 0.8125rem;
    line-height: 1.5;
  }
  .gutter {
    overflow: hidden;
    padding: 10px 8px 10px 10px;
    text-align: right;
    color: var(--ink-soft);
    background: var(--field);
    user-select: none;
    min-width: 3.2rem;
  }
  .gutter span {
    display: block;
  }
  .gutter .bad {
    background: var(--bad);
    color: var(--card);
    font-weight: 600;
    margin: 0 -8px 0 -10px;
    padding-right: 8px;
  }
  textarea {
    flex: 1;
    border: 0;
    padding: 10px 12px;
    font-size: inherit;
    line-height: inherit;
    color: var(--ink);
    background: var(--card);
    resize: none;
    white-space: pre;
    overflow: auto;
    tab-size: 2;
  }
  .right {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  aside {
    padding: 12px 14px;
    font-size: 0.875rem;
  }
  .actions {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 1rem;
    margin-bottom: 10px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    color: var(--bad);
  }
  .good {
    color: var(--good);
  }
  .error {
    padding: 8px 10px;
    background: var(--bad-wash);
    margin-bottom: 8px;
  }
  ol {
    list-style: none;
    margin: 6px 0 0;
    padding: 0;
    max-height: 60vh;
    overflow: auto;
  }
  li button {
    display: grid;
    grid-template-columns: 4rem 1fr;
    gap: 8px;
    width: 100%;
    background: none;
    border: 0;
    border-top: 1px solid var(--line);
    padding: 8px 0;
    font: inherit;
    line-height: 1.4;
    text-align: left;
    color: var(--ink);
    cursor: pointer;
  }
  li b {
    margin-right: 4px;
  }
  li button:hover {
    background: var(--field);
  }
  @media (max-width: 900px) {
    .editor,
    .wide {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
