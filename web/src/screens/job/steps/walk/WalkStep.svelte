<script lang="ts">
  import type { Entry, JobView, Sheet, Staircase } from '../../../../lib/api/client';
  import Flags from '../../../../lib/assessment/Flags.svelte';
  import Suspects from '../../../../lib/assessment/Suspects.svelte';
  import type { JobSession } from '../../JobSession.svelte';
  import StepFrame from '../StepFrame.svelte';
  import ChainCard from './ChainCard.svelte';
  import CodeTyped from './CodeTyped.svelte';
  import EvidenceDrawer from './EvidenceDrawer.svelte';
  import NextPanel from './NextPanel.svelte';
  import SeenForm from './SeenForm.svelte';

  /** The search along the chain: the staircase, what was read, what comes next, whom it blames. */
  let {
    session,
    view,
    sheet,
    path,
    field = $bindable(),
    onlog,
    onstrike,
    onbench
  }: {
    session: JobSession;
    view: JobView;
    sheet: Sheet;
    path: Staircase;
    field: HTMLInputElement | undefined;
    onlog: () => void;
    onstrike: (entry: Entry) => void;
    onbench: (part: string, title: string) => void;
  } = $props();
</script>

<StepFrame>
  <ChainCard {session} {view} {path} />
  <EvidenceDrawer
    {view}
    {sheet}
    open={session.closed}
    {onstrike}
    onimport={(csv) => session.importCsv(csv)}
    onproblem={(message) => (session.error = message)}
  />
  {#if !session.closed}
    <SeenForm
      {sheet}
      situation={path.situation}
      busy={session.busy}
      onanswer={(evidence) => session.answer(evidence)}
    >
      {#snippet othercode(situation: string)}
        <CodeTyped
          {sheet}
          print={view.print}
          busy={session.busy}
          onkeep={session.keepFact.bind(session)}
          oncode={(value) => void session.answer({ observation: 'code-shown', situation, value })}
        />
      {/snippet}
    </SeenForm>
  {/if}
  {#snippet aside()}
    <div class="sticky">
      <NextPanel {session} {view} {sheet} bind:field {onlog} />
    </div>
    <Flags flags={view.assessment.flags} />
    <Suspects
      assessment={view.assessment}
      confirmBy={view.plan.confirmBy}
      outside={view.visit.cause.opened ? [] : view.visit.cause.causes}
      found={view.assessment.leading.confirmed && view.plan.state !== 'confirm'}
      onselect={(part) => session.selectPart(part)}
      onbench={session.closed ? undefined : onbench}
    />
  {/snippet}
</StepFrame>

<style>
  @media (max-width: 672px) {
    .sticky {
      position: sticky;
      bottom: 0;
      order: 9;
      z-index: 2;
    }
  }
</style>
