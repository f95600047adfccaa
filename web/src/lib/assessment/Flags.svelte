<script lang="ts">
  import type { Flag } from '../api/client';
  import { words } from '../format/format';

  let { flags }: { flags: Flag[] } = $props();
</script>

{#if flags.length > 0}
  <ul aria-label="Mind">
    {#each flags as flag, i (i)}
      <li class:hazard={flag.kind === 'hazard'}><b>{words(flag.kind)}</b> {flag.text}</li>
    {/each}
  </ul>
{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    display: grid;
    gap: 6px;
  }
  li {
    background: var(--note-wash);
    border-left: 4px solid var(--doubt);
    padding: 7px 12px;
    font-size: 0.8125rem;
    line-height: 1.35;
  }
  .hazard {
    background: var(--bad-wash);
    border-color: var(--bad);
  }
  b::first-letter {
    text-transform: uppercase;
  }
</style>
