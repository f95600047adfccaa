<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import { SHORTCUT_HELP } from '../../../lib/input/shortcuts';

  let { onclose }: { onclose: () => void } = $props();
</script>

<Modal open passiveModal size="xs" modalHeading="Keys" on:close={onclose}>
  <dl>
    {#each SHORTCUT_HELP as [keys, meaning] (keys)}
      <dt class="figure">{keys}</dt>
      <dd>{meaning}</dd>
    {/each}
  </dl>
</Modal>

<style>
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 8px 20px;
  }
</style>
