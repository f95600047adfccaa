<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, type SheetRevision, type TradeWord, reason } from '../../lib/api/client';
  import { Base } from '../../lib/documents/base.svelte';
  import Changes from '../../lib/documents/Changes.svelte';
  import Sketch from './Sketch.svelte';
  import { SketchDraft } from './SketchDraft.svelte';

  /** A sheet as shorthand: the shortest way to read it, and for one that was typed so to go on. */
  let { revision, onsaved }: { revision: SheetRevision; onsaved: (made: SheetRevision) => void } = $props();

  let draft = $state.raw<SketchDraft>();
  let words = $state.raw<TradeWord[]>([]);
  let given = $state('');
  const base = new Base(untrack(() => revision.revision));
  let error = $state('');
  let busy = $state(false);

  const ready = $derived(
    draft !== undefined && draft.text !== given && draft.current && (draft.preview?.usable ?? false)
  );

  $effect(() => {
    Promise.all([api.shorthand(revision.key, revision.revision), api.tradeWords()]).then(
      ([text, all]) => {
        given = text;
        draft = new SketchDraft(text);
        words = all;
      },
      (e: unknown) => (error = reason(e))
    );
  });

  async function save() {
    if (!draft || !ready || busy) return;
    busy = true;
    try {
      onsaved(await api.saveShorthand(revision.key, draft.text, base.revision));
    } catch (e) {
      base.refused(e);
      error = reason(e);
    } finally {
      busy = false;
    }
  }
</script>

{#if error}<p class="failed" role="alert">{error}</p>{/if}
{#if base.theirs.length}<Changes lines={base.theirs} />{/if}
{#if draft}
  <div class="bar">
    <p class="soft">
      {revision.shorthand
        ? 'As it was typed.'
        : 'Its chains in the words of the trade. Saved from here, it is kept as shorthand.'}
    </p>
    <Button size="small" disabled={!ready || busy} on:click={save}>Save as a new revision</Button>
  </div>
  <Sketch {draft} {words} />
{/if}

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 1.5rem;
    align-items: center;
    justify-content: space-between;
    margin-bottom: 10px;
    font-size: 0.875rem;
  }
</style>
