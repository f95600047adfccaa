<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Evidence, Proposal, Sheet } from '../../../../lib/api/client';
  import NextCard from './NextCard.svelte';
  import { answersTo } from './seen';

  /** Something to look at or listen for; the answer is a button. */
  let {
    proposal,
    sheet,
    aside,
    busy,
    error,
    caution,
    onanswer,
    othercode,
    actions
  }: {
    proposal: Proposal;
    sheet: Sheet;
    aside: string;
    busy: boolean;
    error: string;
    caution: string;
    onanswer: (evidence: Evidence) => void;
    /** Where a code can be typed as it is displayed. */
    othercode?: Snippet | undefined;
    actions?: Snippet;
  } = $props();

  const answers = $derived(answersTo(proposal.kind, sheet));

  function answer(value: string) {
    const observation =
      proposal.kind === 'runs' ? 'load-runs' : proposal.kind === 'look' ? 'inspection' : 'code-shown';
    onanswer({
      observation,
      situation: proposal.situation,
      value,
      ...(proposal.across ? { part: proposal.across } : {})
    });
  }
</script>

<NextCard
  title={proposal.kind === 'look' ? 'Next, look' : 'Next, look and listen'}
  {aside}
  steps={proposal.steps}
  why={proposal.why}
  question={proposal.title}
  {caution}
  {actions}
  expectations={proposal.expect.map((e) => ({ reading: e.shown, meaning: e.meaning }))}
>
  {#snippet children(table: Snippet)}
    <p class="setting">{sheet.situations[proposal.situation]?.title}</p>
    {@render table()}
    <div class="answers">
      {#each answers as [value, words], i (value)}
        <button
          type="button"
          data-key={i < 9 ? i + 1 : undefined}
          disabled={busy}
          onclick={() => answer(value)}
          >{#if i < 9}<kbd aria-hidden="true">{i + 1}</kbd>{/if}{words}</button
        >
      {/each}
    </div>
    {#if proposal.kind === 'code'}{@render othercode?.()}{/if}
    {#if error}<p class="error" role="alert">{error}</p>{/if}
  {/snippet}
</NextCard>

<style>
  .setting {
    font-size: 0.875rem;
    color: var(--ink-soft);
    padding: 2px 0 8px;
  }
  .answers {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(7rem, 1fr));
    gap: 8px;
  }
  .answers button {
    min-height: 48px;
    padding: 6px 10px;
    font: inherit;
    font-size: 0.875rem;
    font-weight: 600;
    line-height: 1.25;
    background: var(--frame);
    color: var(--frame-ink);
    border: 1px solid var(--frame);
    cursor: pointer;
  }
  kbd {
    margin-right: 8px;
    font: inherit;
    font-size: 0.75rem;
    font-weight: 400;
    opacity: 0.8;
  }
  .answers button:hover {
    filter: brightness(1.2);
  }
  .error {
    color: var(--bad);
    font-size: 0.8125rem;
    padding-top: 6px;
  }
</style>
