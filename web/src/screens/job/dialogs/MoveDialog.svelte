<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import { api, type JobView, type Lost, reason } from '../../../lib/api/client';
  import type { Failure } from '../JobSession.svelte';
  import { Attempt } from './attempt.svelte';

  /** Goes on by the newest revision of the sheet; says first what no longer fits. */
  let {
    view,
    onmove,
    onclose
  }: { view: JobView; onmove: () => Promise<Failure | undefined>; onclose: () => void } = $props();

  let lost = $state.raw<Lost[]>();
  let away = $state('');
  const attempt = new Attempt();

  $effect(() => {
    api.lostBy(view.job.id, view.newestRevision).then(
      (found) => (lost = found),
      (e: unknown) => (away = reason(e))
    );
  });

  function shown(l: Lost): string {
    const entry = view.evidence.find((e) => e.id === l.id);
    return entry
      ? `Entry ${entry.number} (${entry.item.value})`
      : l.of === 'complaint'
        ? 'The complaint'
        : 'An entry';
  }
</script>

<Modal
  open
  size="sm"
  modalHeading={`Go on by revision ${view.newestRevision}?`}
  primaryButtonText="Go on by it"
  secondaryButtonText="Stay"
  primaryButtonDisabled={attempt.sending || !lost}
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={() => attempt.make(onmove, onclose)}
>
  {#if lost?.length === 0}
    <p>All that was read and told fits it and stays.</p>
  {:else if lost}
    <p>This does not fit it and will be struck out; all else stays.</p>
    <ul>
      {#each lost as l, i (i)}<li><b>{shown(l)}</b>: {l.why}</li>{/each}
    </ul>
  {/if}
  {#if away || attempt.error}<p class="failed" role="alert">{away || attempt.error}</p>{/if}
</Modal>

<style>
  ul {
    list-style: disc;
    margin: 0.75rem 0 0 1.25rem;
    font-size: 0.875rem;
    line-height: 1.5;
  }
</style>
