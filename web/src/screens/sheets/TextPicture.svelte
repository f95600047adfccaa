<script lang="ts">
  import { api, type SheetPreview } from '../../lib/api/client';
  import SketchPicture from './SketchPicture.svelte';

  /** A sheet's text as it is being written, drawn as far as it can be. */
  let { text }: { text: string } = $props();

  let situation = $state('');
  let path = $state('');
  let drawn = $state.raw<SheetPreview>();
  let stale = $state(false);
  let asked = 0;

  $effect(() => {
    const mine = ++asked;
    api.previewSheet(text, situation, path).then(
      (preview) => {
        if (mine !== asked) return;
        stale = !preview.drawing;
        if (preview.drawing) drawn = preview;
      },
      // the editor says what is wrong
      () => (stale = true)
    );
  });
</script>

{#if drawn}
  <SketchPicture
    preview={drawn}
    {stale}
    onsituation={(id) => (situation = id)}
    onpath={(id) => (path = id)}
  />
{/if}
