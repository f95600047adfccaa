<script lang="ts">
  import type { JobView } from '../../lib/api/client';

  /** How far every step of the visit is. */
  let { progress }: { progress: JobView['progress'] } = $props();
</script>

<ol aria-label="Steps">
  {#each progress as { step, title, state, note } (step)}
    <li class={state} aria-current={state === 'here' ? 'step' : undefined}>
      <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
        <circle cx="7" cy="7" r="5" />
      </svg>
      <span>{title}<small>{note}</small></span>
    </li>
  {/each}
</ol>

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 7px 20px;
    display: grid;
    grid-template-columns: repeat(9, minmax(max-content, 1fr));
    gap: 1rem;
    background: var(--card);
    border-bottom: 1px solid var(--line);
  }
  li {
    display: flex;
    align-items: flex-start;
    gap: 8px;
    font-size: 0.875rem;
    line-height: 1.2;
    white-space: nowrap;
  }
  small {
    display: block;
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
  .open {
    color: var(--ink-soft);
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
    .open span {
      position: absolute;
      clip-path: inset(50%);
    }
  }
  @media (max-width: 672px) {
    .done span,
    .doubtful span {
      position: absolute;
      clip-path: inset(50%);
    }
  }
</style>
