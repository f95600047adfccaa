<script lang="ts">
  /**
   * A part in the drawn circuit. Links are rings as in the chain: closed, or with gaps where they pass
   * nothing; loads are blocks, filled while they run; sensors lozenges; sources rings with a wave.
   */
  export interface Look {
    role: 'link' | 'load' | 'sensor' | 'source';
    closed: boolean;
    runs: boolean;
    supposed: boolean;
  }

  let { look, x, y }: { look: Look; x: number; y: number } = $props();
</script>

<g transform="translate({x} {y})" class={look.role} class:supposed={look.supposed} class:runs={look.runs}>
  {#if look.role === 'link'}
    <circle r="11" class="back" />
    {#if look.closed}
      <circle r="9" class="shape" />
    {:else}
      <path d="M-6.4 -6.4 A9 9 0 0 1 6.4 -6.4 M-6.4 6.4 A9 9 0 0 0 6.4 6.4" class="shape open" />
    {/if}
  {:else if look.role === 'load'}
    <rect x="-14" y="-9" width="28" height="18" rx="3" class="shape solid" />
    <path d="M-8 0 q2.7 -7 5.4 0 t5.4 0 t5.4 0" class="inner" />
  {:else if look.role === 'sensor'}
    <path d="M0 -11 L13 0 L0 11 L-13 0 Z" class="shape solid" />
  {:else}
    <circle r="11" class="shape solid" />
    <path d="M-6 0 q3 -7 6 0 t6 0" class="inner" />
  {/if}
</g>

<style>
  .back {
    fill: var(--card);
    stroke: none;
  }
  .shape {
    fill: none;
    stroke: var(--good);
    stroke-width: 2;
  }
  .solid {
    fill: var(--card);
  }
  .load .shape,
  .source .shape,
  .sensor .shape {
    stroke: var(--ink);
    stroke-width: 1.6;
  }
  .load.runs .shape {
    fill: var(--band);
    stroke: var(--brass-line);
    stroke-width: 2.2;
  }
  .inner {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.4;
  }
  .open {
    stroke: var(--ink-soft);
    stroke-width: 2;
  }
  .supposed .shape {
    stroke: var(--bad);
    stroke-width: 3;
  }
</style>
