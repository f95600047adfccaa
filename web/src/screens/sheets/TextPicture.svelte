<script lang="ts">
  import { untrack } from 'svelte';
  import { api } from '../../lib/api/client';
  import { SketchDraft } from './SketchDraft.svelte';
  import SketchPicture from './SketchPicture.svelte';

  /** A sheet's text as it is being written, drawn as far as it can be; the editor says what is wrong. */
  let { text }: { text: string } = $props();

  const draft = new SketchDraft(
    untrack(() => text),
    (...of) => api.previewSheet(...of)
  );

  $effect(() => {
    if (text === untrack(() => draft.text)) return;
    draft.text = text;
    void draft.look();
  });
</script>

<SketchPicture {draft} />
