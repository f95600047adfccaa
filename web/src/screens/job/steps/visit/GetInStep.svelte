<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import Items from './Items.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** What is opened to reach the next probe, and what has to be closed again. */
  let { session, view }: { session: JobSession; view: JobView } = $props();

  const due = $derived(view.visit.accesses.filter((a) => a.due && a.answer !== 'yes'));
  const open = $derived(view.visit.accesses.filter((a) => a.answer === 'yes'));
  const others = $derived(view.visit.accesses.filter((a) => !a.due && a.answer !== 'yes'));
  const tell = $derived(session.closed ? undefined : session.tell.bind(session));
</script>

<StepFrame>
  {#if due.length > 0}
    <Items
      title="For the next probe"
      note={view.plan.next[0]?.title ?? ''}
      items={due}
      answers={[['yes', 'Opened']]}
      keys
      busy={session.busy}
      onanswer={tell && ((item) => tell('opened', item.id, ''))}
    />
  {:else if view.plan.next.length > 0}
    <section class="card"><p>Nothing more has to be opened for the next probe.</p></section>
  {/if}
  <Items
    title={due.length > 0 ? 'Everything else' : 'What can be opened'}
    items={others}
    answers={[['yes', 'Opened']]}
    busy={session.busy}
    onanswer={tell && ((item) => tell('opened', item.id, ''))}
  />
  {#snippet aside()}
    {#if open.length > 0}
      <Items
        title="Open now"
        note="To be closed again before it is signed off."
        items={open}
        answers={[['closed', 'Closed again']]}
        busy={session.busy}
        onanswer={tell && ((item) => tell('closed', item.id, ''))}
      />
    {:else}
      <section class="card"><p class="soft">Nothing is open.</p></section>
    {/if}
  {/snippet}
</StepFrame>

<style>
  section {
    padding: 12px 16px;
    font-size: 0.9375rem;
  }
</style>
