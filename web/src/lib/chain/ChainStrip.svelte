<script lang="ts">
  import type { PartAssessment, Staircase } from '../api/client';
  import { words } from '../format/format';
  import LinkRing from './LinkRing.svelte';

  /** The links of a chain in order: ring, name, verdict, last reading. Along the staircase, or as a list. */
  let {
    path,
    parts,
    selected,
    upright = false,
    onselect
  }: {
    path: Staircase;
    parts: Map<string, PartAssessment>;
    selected: number;
    upright?: boolean;
    onselect: (riser: number) => void;
  } = $props();

  const tone = (verdict: string) =>
    ['sound', 'passes'].includes(verdict)
      ? 'good'
      : ['untested', 'unclear'].includes(verdict)
        ? 'soft'
        : 'bad';
</script>

<ol
  class:upright
  class:dense={!upright && path.risers.length > 10}
  class:crowded={!upright && path.risers.length > 15}
  aria-label="Links of the {path.title} path"
>
  {#each path.risers as riser, i (riser.part)}
    {@const part = parts.get(riser.part)}
    {#if part}
      <li>
        <button
          type="button"
          aria-pressed={selected === i}
          class:selected={selected === i}
          onclick={() => onselect(i)}
        >
          <span class="ring"><LinkRing verdict={part.verdict} /></span>
          <span class="name"
            ><span
              >{#each part.title.split(' ') as word, w (w)}{w > 0 ? ' ' : ''}<i>{word}</i>{/each}</span
            ></span
          >
          <span class="verdict {tone(part.verdict)}">{words(part.verdict)}</span>
          <span class="figure reading">{part.reading || '–'}</span>
        </button>
      </li>
    {/if}
  {/each}
</ol>

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 0 0 0 46px;
    display: grid;
    grid-auto-flow: column;
    grid-auto-columns: minmax(0, 1fr);
  }
  li {
    position: relative;
  }
  /* the wire runs behind the rings */
  li::before {
    content: '';
    position: absolute;
    top: 19px;
    left: 0;
    right: 0;
    border-top: 2px solid var(--brass-line);
  }
  button {
    width: 100%;
    height: 100%;
    background: none;
    border: 1px solid transparent;
    padding: 4px 1px 5px;
    display: flex;
    flex-direction: column;
    align-items: center;
    font: inherit;
    font-size: 0.8125rem;
    line-height: 1.15;
    color: var(--ink);
    cursor: pointer;
    text-align: center;
  }
  button.selected {
    background: var(--field);
    border-color: var(--brass-line);
  }
  .ring {
    position: relative;
    z-index: 1;
    background: var(--card);
    border-radius: 50%;
    padding: 1px;
    margin-bottom: 4px;
  }
  .selected .ring {
    background: var(--field);
  }
  .name {
    min-height: 2.3em;
    display: flex;
    align-items: center;
  }
  /* "cut-off" stays in one piece */
  i {
    font-style: normal;
    white-space: nowrap;
  }
  .verdict {
    font-size: 0.75rem;
    margin: 2px 0;
  }
  .good {
    color: var(--good);
  }
  .bad {
    color: var(--bad);
    font-weight: 600;
  }
  .reading {
    font-size: 0.75rem;
    color: var(--ink);
  }

  .dense button {
    font-size: 0.6875rem;
  }
  .dense i {
    white-space: normal;
    overflow-wrap: anywhere;
  }
  /* "pressure" and "common" stay in one piece */
  .crowded button {
    padding-inline: 0;
    font-size: 0.625rem;
    letter-spacing: -0.02em;
  }
  .crowded .name {
    margin-inline: -1px;
  }
  .dense .verdict,
  .dense .reading {
    font-size: 0.625rem;
  }

  ol.upright {
    padding: 0;
    display: block;
  }
  .upright li::before {
    top: 0;
    bottom: 0;
    left: 22px;
    right: auto;
    border-top: 0;
    border-left: 2px solid var(--brass-line);
  }
  .upright button {
    display: grid;
    grid-template-columns: 44px 1fr auto;
    grid-template-rows: auto auto;
    align-items: center;
    text-align: left;
    min-height: 52px;
    font-size: 0.875rem;
  }
  .upright .ring {
    grid-row: 1 / 3;
    justify-self: center;
    margin: 0;
  }
  .upright .name {
    min-height: 0;
  }
  .upright .verdict {
    grid-column: 2;
    font-size: 0.8125rem;
  }
  .upright .reading {
    grid-column: 3;
    grid-row: 1 / 3;
    font-size: 0.9375rem;
    padding-right: 12px;
  }
</style>
