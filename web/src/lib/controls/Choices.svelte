<script lang="ts">
  /** A row of quiet choices, one of them taken. */
  let {
    label,
    options,
    chosen,
    onchoose
  }: { label: string; options: string[]; chosen: number; onchoose: (index: number) => void } = $props();
</script>

<div role="group" aria-label={label}>
  {#each options as option, i (i)}
    <button type="button" aria-pressed={chosen === i} onclick={() => onchoose(i)}>{option}</button>
  {/each}
</div>

<style>
  div {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 1rem;
  }
  button {
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    padding: 2px 0;
    font: inherit;
    font-size: 0.875rem;
    color: var(--ink-soft);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    color: var(--ink);
    border-color: var(--brass-line);
  }
</style>
