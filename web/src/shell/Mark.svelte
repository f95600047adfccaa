<script lang="ts">
  /** Three links in a shallow smile. */
  let { width = 54 }: { width?: number } = $props();
</script>

<svg {width} viewBox="0 0 54 24" aria-hidden="true" focusable="false">
  <g fill="none" stroke-width="2.4">
    <rect x="2" y="5" width="22" height="11" rx="5.5" transform="rotate(9 13 10)" class="brass" />
    <rect x="30" y="5" width="22" height="11" rx="5.5" transform="rotate(-9 41 10)" class="brass" />
    <rect x="17" y="9" width="20" height="11" rx="5.5" class="plain" />
  </g>
</svg>

<style>
  .brass {
    stroke: #d9a441;
  }
  .plain {
    stroke: #fff;
  }
</style>
