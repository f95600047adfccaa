<script lang="ts">
  import type { Snippet } from 'svelte';

  /** One step of the visit: what to do next at the left, what goes with it at the right. */
  let { children, aside }: { children: Snippet; aside?: Snippet | undefined } = $props();
</script>

<div class="frame" class:wide={!aside}>
  <div>{@render children()}</div>
  {#if aside}<div class="aside">{@render aside()}</div>{/if}
</div>

<style>
  .frame {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 424px;
    gap: 16px;
    padding: 14px 20px 24px;
    max-width: 1600px;
    margin: 0 auto;
  }
  .wide {
    grid-template-columns: minmax(0, 1fr);
    max-width: 900px;
  }
  .frame > div {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
    align-content: start;
    min-width: 0;
  }
  @media (max-width: 1000px) {
    .frame {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media (max-width: 672px) {
    .frame {
      gap: 12px;
      padding: 10px 10px 20px;
    }
    /* what sticks to the foot of a phone sticks to the whole step */
    .frame > .aside {
      display: contents;
    }
  }
</style>
