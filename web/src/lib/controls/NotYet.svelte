<script lang="ts">
  import { InlineNotification } from 'carbon-components-svelte';

  /** In a dialog: why what was typed is not taken yet. */
  let { error }: { error: string } = $props();
</script>

{#if error}
  <InlineNotification kind="error" title="Not yet" subtitle={error} hideCloseButton lowContrast />
{/if}
