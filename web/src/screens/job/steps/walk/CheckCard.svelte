<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Proposal } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import CheckAnswers from '../CheckAnswers.svelte';
  import NextCard from './NextCard.svelte';

  /** A check of the guide among the probes: what lies outside of the circuit. */
  let {
    session,
    proposal,
    aside,
    caution,
    actions
  }: { session: JobSession; proposal: Proposal; aside: string; caution: string; actions?: Snippet } =
    $props();

  const outcomes = $derived(
    proposal.expect.map((e) => ({
      id: e.outcome,
      title: e.shown,
      meaning: e.meaning,
      chance: e.probability
    }))
  );
</script>

<NextCard
  title={proposal.confirms ? 'Make sure' : 'Next check'}
  {aside}
  steps={proposal.steps}
  why={proposal.why}
  question={proposal.title}
  {caution}
  {actions}
  expectations={[]}
>
  <CheckAnswers {session} check={proposal.check ?? ''} {outcomes} card={proposal.bench ?? undefined} />
</NextCard>
