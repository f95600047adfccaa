<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import Items from './Items.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** On arrival: simple things first, and what to mind. */
  let { session, view }: { session: JobSession; view: JobView } = $props();

  const tell = $derived(session.closed ? undefined : session.tell.bind(session));
</script>

<StepFrame>
  {#if view.visit.simple.length > 0}
    <Items
      title="Simple things first"
      note="Each costs seconds. Nothing is measured yet."
      items={view.visit.simple}
      answers={[
        ['yes', 'As it should be'],
        ['no', 'Put right']
      ]}
      keys
      busy={session.busy}
      onanswer={tell && ((item, value) => tell('given', item.id, value))}
    />
  {:else}
    <section class="card"><p class="soft">There is no guide for this family yet.</p></section>
  {/if}
  {#snippet aside()}
    {#if view.visit.hazards.length > 0}
      <Items
        title="Mind"
        items={view.visit.hazards}
        answers={[['yes', 'Read']]}
        busy={session.busy}
        onanswer={tell && ((item) => tell('read', item.id, ''))}
      />
    {/if}
  {/snippet}
</StepFrame>

<style>
  section {
    padding: 12px 16px;
  }
</style>
