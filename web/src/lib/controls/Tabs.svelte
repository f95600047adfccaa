<script lang="ts" generics="T extends string">
  /** The sides of one thing. */
  let { of, names, shown = $bindable() }: { of: string; names: readonly T[]; shown: T } = $props();
</script>

<div class="tabs" role="tablist" aria-label={of}>
  {#each names as name (name)}
    <button type="button" role="tab" aria-selected={shown === name} onclick={() => (shown = name)}
      >{name}</button
    >
  {/each}
</div>

<style>
  .tabs {
    margin-left: auto;
    display: flex;
    gap: 1.5rem;
  }
  button {
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    padding: 4px 0;
    font: inherit;
    font-size: 0.9375rem;
    color: var(--ink-soft);
    cursor: pointer;
  }
  button[aria-selected='true'] {
    color: var(--ink);
    border-color: var(--brass-line);
  }
  @media (max-width: 672px) {
    .tabs {
      margin-left: 0;
      max-width: 100%;
      overflow-x: auto;
      scrollbar-width: none;
    }
    button {
      white-space: nowrap;
    }
  }
</style>
