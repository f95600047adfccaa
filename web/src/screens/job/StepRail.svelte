<script lang="ts">
  import type { JobView } from '../../lib/api/client';

  type Progress = JobView['visit']['progress'];

  /** How far every step of the visit is, and which is looked at. */
  let {
    progress,
    shown,
    onshow
  }: { progress: Progress; shown: string; onshow: (step: Progress[number]['step']) => void } = $props();
</script>

<ol aria-label="Steps">
  {#each progress as { step, title, state, note } (step)}
    <li class={state} class:shown={shown === step} aria-current={state === 'here' ? 'step' : undefined}>
      <button type="button" aria-pressed={shown === step} onclick={() => onshow(step)}>
        <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
          <circle cx="7" cy="7" r="5" />
        </svg>
        <span>{title}<small title={note}>{note}</small></span>
      </button>
    </li>
  {/each}
</ol>

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 0 20px;
    display: grid;
    grid-template-columns: repeat(9, minmax(max-content, 1fr));
    gap: 1rem;
    background: var(--card);
    border-bottom: 1px solid var(--line);
  }
  button {
    display: flex;
    align-items: flex-start;
    gap: 8px;
    padding: 7px 0 5px;
    background: none;
    border: 0;
    border-bottom: 3px solid transparent;
    font: inherit;
    font-size: 0.875rem;
    line-height: 1.2;
    color: inherit;
    text-align: left;
    white-space: nowrap;
    cursor: pointer;
  }
  .shown button {
    border-color: var(--brass-line);
  }
  small {
    display: block;
    max-width: 10rem;
    overflow: hidden;
    text-overflow: ellipsis;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  svg {
    flex: none;
    margin-top: 2px;
    fill: none;
    stroke-width: 3;
  }
  .done svg {
    stroke: var(--good);
  }
  .doubtful svg {
    stroke: var(--bad);
  }
  .here {
    font-weight: 600;
  }
  .here svg {
    stroke: var(--brass-line);
    fill: var(--band);
  }
  .here small {
    font-weight: 400;
  }
  .open,
  .not-needed {
    color: var(--ink-soft);
  }
  .not-needed svg {
    stroke: none;
  }
  .open svg {
    stroke: var(--ink-soft);
    stroke-width: 2;
    stroke-dasharray: 2 2;
  }
  @media (max-width: 1000px) {
    ol {
      position: relative;
      overflow: hidden;
      grid-template-columns: repeat(9, max-content);
      justify-content: space-between;
      gap: 0.4rem;
    }
    small {
      display: none;
    }
    .open:not(.shown) span,
    .not-needed:not(.shown) span {
      position: absolute;
      clip-path: inset(50%);
    }
    button {
      min-width: 24px;
      min-height: 40px;
      align-items: center;
    }
  }
  @media (max-width: 672px) {
    .done:not(.shown) span,
    .here:not(.shown) span,
    .doubtful:not(.shown) span {
      position: absolute;
      clip-path: inset(50%);
    }
  }
</style>
