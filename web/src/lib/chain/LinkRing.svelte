<script lang="ts">
  import type { Verdict } from '../api/client';

  /** A link as a ring whose shape tells the verdict; colour only repeats it. */
  let { verdict, size = 28 }: { verdict: Verdict; size?: number } = $props();

  const tone = $derived(
    verdict === 'sound' || verdict === 'passes'
      ? 'good'
      : verdict === 'untested' || verdict === 'unclear'
        ? 'unknown'
        : 'bad'
  );
</script>

<svg class={tone} width={size} height={size} viewBox="0 0 28 28" aria-hidden="true" focusable="false">
  {#if verdict === 'open'}
    <path d="M6.4 6.4 A10.8 10.8 0 0 1 21.6 6.4" class="strong" />
    <path d="M6.4 21.6 A10.8 10.8 0 0 0 21.6 21.6" class="strong" />
  {:else if verdict === 'dropping'}
    <path d="M17.5 3.8 A10.8 10.8 0 1 1 10.5 3.8 L14 10 Z" class="strong" />
  {:else if verdict === 'stuck'}
    <circle cx="14" cy="14" r="11" />
    <circle cx="14" cy="14" r="6.5" />
  {:else if verdict === 'off-value' || verdict === 'leaking'}
    <ellipse cx="14" cy="14" rx="11.5" ry="7" transform="rotate(-35 14 14)" class="strong" />
  {:else if verdict === 'tripped'}
    <circle cx="14" cy="15.5" r="9" class="strong" />
    <path d="M14 6.5 V1.5 L21 3.6 L14 6" class="flag" />
  {:else if verdict === 'sound'}
    <circle cx="14" cy="14" r="10.5" class="strong" />
  {:else if verdict === 'passes'}
    <circle cx="14" cy="14" r="11" />
  {:else if verdict === 'unclear'}
    <circle cx="14" cy="14" r="11" stroke-dasharray="7 4.5" />
  {:else}
    <circle cx="14" cy="14" r="11" stroke-dasharray="1.6 4.2" stroke-linecap="round" />
  {/if}
</svg>

<style>
  svg {
    display: block;
    fill: none;
    stroke-width: 1.8;
  }
  .strong {
    stroke-width: 3.4;
  }
  .good {
    stroke: var(--good);
  }
  .bad {
    stroke: var(--bad);
  }
  .unknown {
    stroke: var(--ink-soft);
    stroke-width: 2.2;
  }
  .flag {
    fill: currentColor;
    stroke-width: 1.4;
  }
</style>
