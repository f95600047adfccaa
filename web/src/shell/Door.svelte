<script lang="ts">
  import type { Snippet } from 'svelte';
  import Mark from './Mark.svelte';

  /** What stands before everything until somebody is let in. */
  let { title, children }: { title: string; children: Snippet } = $props();
</script>

<div class="door">
  <p class="mark"><Mark width={80} /> Jolly Chain</p>
  <main class="card">
    <h1>{title}</h1>
    {@render children()}
  </main>
</div>

<style>
  .door {
    position: fixed;
    inset: 0;
    z-index: 9000;
    overflow: auto;
    display: grid;
    place-content: center;
    justify-items: center;
    gap: 20px;
    padding: 20px;
    box-sizing: border-box;
    background: var(--frame);
  }
  main {
    box-sizing: border-box;
    width: min(26rem, calc(100vw - 40px));
    padding: 28px;
  }
  h1 {
    font-size: 1.375rem;
    font-weight: 600;
    padding-bottom: 6px;
  }
  .mark {
    display: flex;
    align-items: center;
    gap: 14px;
    font-size: 1.125rem;
    font-weight: 600;
    color: var(--frame-ink);
  }
</style>
