<script lang="ts">
  import { InlineNotification } from 'carbon-components-svelte';

  /** What could not be loaded and why, with another try. */
  let { title, why, onretry }: { title: string; why: string; onretry: () => void } = $props();
</script>

<InlineNotification kind="error" {title} subtitle={why} hideCloseButton lowContrast />
<button type="button" class="quiet-button" onclick={onretry}>Try again</button>
