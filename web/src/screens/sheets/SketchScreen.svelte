<script lang="ts">
  import { typed } from '../../lib/device/typed';
  import { Button } from 'carbon-components-svelte';
  import { push, router } from 'svelte-spa-router';
  import { api, type SheetRevision, type TradeWord, reason } from '../../lib/api/client';
  import { DRAFT_KEY, SKETCH_KEY } from './draft';
  import Sketch from './Sketch.svelte';
  import { SketchDraft } from './SketchDraft.svelte';

  /** A sheet for a unit nobody has one for, typed chain by chain. */
  const draft = new SketchDraft(typed.get(SKETCH_KEY));
  const forJob = $derived(new URLSearchParams(router.querystring).has('job'));

  let words = $state.raw<TradeWord[]>([]);
  let error = $state('');
  let busy = $state(false);

  api.tradeWords().then(
    (all) => (words = all),
    (e: unknown) => (error = reason(e))
  );

  // what was typed is still there after a reload
  $effect(() => typed.set(SKETCH_KEY, draft.text));

  const key = $derived(draft.preview?.sheet?.key ?? '');
  const ready = $derived(draft.current && (draft.preview?.usable ?? false));

  async function keep(then: (made: SheetRevision) => Promise<unknown>) {
    if (busy || !ready) return;
    busy = true;
    try {
      const made = await api.newShorthand(key, draft.text);
      typed.set(SKETCH_KEY, '');
      await then(made);
    } catch (e) {
      error = reason(e);
    } finally {
      busy = false;
    }
  }

  const use = () => keep((made) => push(`/?new=${made.key}`));
  const shelve = () => keep((made) => push(`/sheets/${made.key}`));

  async function write() {
    typed.set(DRAFT_KEY, draft.preview?.yaml ?? '');
    await push('/sheets/new');
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    void use();
  }
</script>

<svelte:window {onkeydown} />
<svelte:head><title>Type its chain · Jolly Chain</title></svelte:head>

<div class="page">
  <header>
    <div>
      <h1>Type its chain</h1>
      <p class="soft">
        From point to point, link by link, as the diagram in its door shows it.
        {#if forJob}The job is opened with it.{/if}
      </p>
    </div>
    <div class="actions">
      {#if !forJob}
        <button type="button" class="quiet-button" disabled={!ready || busy} onclick={shelve}
          >Keep it in the library</button
        >
      {/if}
      <button type="button" class="quiet-button" disabled={!draft.preview?.yaml} onclick={write}
        >Write it out</button
      >
      <Button size="small" disabled={!ready || busy} on:click={use}>Use it now</Button>
    </div>
  </header>
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
  <Sketch {draft} {words} />
</div>

<style>
  .page {
    max-width: 1600px;
    margin: 0 auto;
    padding: 14px 20px 40px;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 6px 2rem;
    margin-bottom: 12px;
  }
  h1 {
    font-size: 1.25rem;
    font-weight: 600;
  }
  header p {
    font-size: 0.875rem;
  }
  .actions {
    margin-left: auto;
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 1.25rem;
    font-size: 0.875rem;
  }
  @media (max-width: 672px) {
    .page {
      padding: 10px 10px 24px;
    }
    .actions {
      margin-left: 0;
    }
  }
</style>
