<script lang="ts">
  /** How probable something is, as a bar; the first of several draws the eye. */
  let { share, first = false }: { share: number; first?: boolean } = $props();
</script>

<svg class:first viewBox="0 0 100 5" preserveAspectRatio="none" aria-hidden="true">
  <rect width="100" height="5" class="rail" />
  <rect width={100 * share} height="5" class="fill" />
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    height: 5px;
    margin-top: 3px;
  }
  .rail {
    fill: var(--field);
  }
  .fill {
    fill: var(--ink-soft);
  }
  .first .fill {
    fill: var(--bad);
  }
</style>
