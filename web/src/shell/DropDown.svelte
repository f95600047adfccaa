<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A button of the header, and what opens under it until one clicks elsewhere. */
  let {
    label,
    look = 'plain',
    open = $bindable(false),
    children
  }: {
    label: string;
    /** `badge` and `alarm` stand out from the header. */
    look?: 'plain' | 'badge' | 'alarm';
    open?: boolean;
    children: Snippet;
  } = $props();

  let root = $state<HTMLElement>();

  function away(event: MouseEvent) {
    if (open && !root?.contains(event.target as Node)) open = false;
  }
</script>

<svelte:window onclick={away} onkeydown={(e) => e.key === 'Escape' && (open = false)} />

<div class="drop-down" bind:this={root}>
  <button type="button" class={look} aria-expanded={open} aria-haspopup="true" onclick={() => (open = !open)}
    >{label}</button
  >
  {#if open}<div class="card panel">{@render children()}</div>{/if}
</div>

<style>
  .drop-down {
    position: relative;
  }
  button {
    border: 0;
    font: inherit;
    font-size: 0.875rem;
    cursor: pointer;
  }
  .plain {
    color: var(--frame-ink);
    background: none;
    padding: 0.5rem 0;
  }
  .plain:hover {
    text-decoration: underline;
  }
  .badge,
  .alarm {
    color: #fff;
    background: var(--brass-line);
    font-size: 0.8125rem;
    padding: 4px 10px;
  }
  .alarm {
    background: #b3310c;
  }
  .panel {
    position: absolute;
    right: 0;
    top: calc(100% + 8px);
    z-index: 8000;
    width: max-content;
    min-width: 13rem;
    max-width: min(24rem, 88vw);
    max-height: 70vh;
    overflow: auto;
    padding: 12px 16px;
    color: var(--ink);
    font-size: 0.875rem;
    box-shadow: 0 6px 18px rgb(0 0 0 / 25%);
  }
</style>
