<script lang="ts">
  import type { Entry, JobView, Sheet, Staircase } from '../../../../lib/api/client';
  import Flags from '../../../../lib/assessment/Flags.svelte';
  import Suspects from '../../../../lib/assessment/Suspects.svelte';
  import type { JobSession } from '../../JobSession.svelte';
  import ChainCard from './ChainCard.svelte';
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
    onstrike
  }: {
    session: JobSession;
    view: JobView;
    sheet: Sheet;
    path: Staircase;
    field: HTMLInputElement | undefined;
    onlog: () => void;
    onstrike: (entry: Entry) => void;
  } = $props();
</script>

<div class="bench">
  <div class="left">
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
      />
    {/if}
  </div>
  <div class="right">
    <div class="sticky">
      <NextPanel {session} {view} {sheet} bind:field {onlog} />
    </div>
    <Flags flags={view.assessment.flags} />
    <Suspects
      assessment={view.assessment}
      confirmBy={view.plan.confirmBy}
      found={view.assessment.leading.confirmed && view.plan.state !== 'confirm'}
      onselect={(part) => session.selectPart(part)}
    />
  </div>
</div>

<style>
  .bench {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 424px;
    gap: 16px;
    padding: 14px 20px 24px;
    max-width: 1600px;
    margin: 0 auto;
  }
  .left,
  .right {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
    align-content: start;
    min-width: 0;
  }
  @media (max-width: 1000px) {
    .bench {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media (max-width: 672px) {
    .bench {
      padding: 10px 10px 20px;
    }
    .right {
      display: contents;
    }
    .sticky {
      position: sticky;
      bottom: 0;
      order: 9;
      z-index: 2;
    }
  }
</style>
