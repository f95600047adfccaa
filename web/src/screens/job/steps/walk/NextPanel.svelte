<script lang="ts">
  import type { JobView, Sheet } from '../../../../lib/api/client';
  import { duration } from '../../../../lib/format/format';
  import type { JobSession } from '../../JobSession.svelte';
  import AskCard from './AskCard.svelte';
  import CodeTyped from './CodeTyped.svelte';
  import CheckAnswers from '../CheckAnswers.svelte';
  import CheckCard from './CheckCard.svelte';
  import NextCard from './NextCard.svelte';
  import { testsAt } from './probe';
  import PrintLines from '../../../../lib/print/PrintLines.svelte';
  import ProbeCard from './ProbeCard.svelte';

  /** What comes next: the proposal, a probe of one's own choice, or how the work has ended. */
  let {
    session,
    view,
    sheet,
    field = $bindable(),
    onlog
  }: {
    session: JobSession;
    view: JobView;
    sheet: Sheet;
    field: HTMLInputElement | undefined;
    onlog: () => void;
  } = $props();

  const { own, probe, proposal, causeCheck: check, live, busy, error } = $derived(session);

  const END_TITLES: Partial<Record<JobView['plan']['state'], string>> = {
    found: 'Found',
    clear: 'It is clear what to deal with',
    'nothing-worth': 'Nothing worth its minutes',
    'nothing-left': 'Nothing left to ask'
  };

  let others = $state(false);

  /** The plan weighs the plate with the probes: it stands at the head where it is worth most. */
  const plateFirst = $derived(view.plan.next[0]?.kind === 'plate');

  const aside = $derived(
    !own && proposal
      ? `${duration(proposal.minutes)}${proposal.opening > 0 ? `, ${duration(proposal.opening)} of it opening` : ''}`
      : 'your choice'
  );
  const caution = $derived(
    !own && proposal && proposal.hazards.length > 0
      ? proposal.hazards.join(' · ')
      : probe?.function === 'ohms'
        ? 'Isolate, lock off and prove dead first. Never ohms on a live circuit.'
        : probe
          ? 'Live work: one hand, insulated probes, a meter fit for the place. Hands out before power.'
          : proposal?.kind === 'check' || proposal?.kind === 'plate'
            ? ''
            : 'Covers on, hands out, before power goes on.'
  );

  $effect(() => {
    // another proposal: its alternatives are another story
    void proposal?.id;
    others = false;
  });
</script>

{#snippet ways()}
  <div class="ways" role="group" aria-label="Way of measuring">
    {#each testsAt(session.tests, Math.max(0, own?.riser ?? 0)) as { way, title, live: needsPermit } (way)}
      <button
        type="button"
        aria-pressed={own?.way === way}
        disabled={needsPermit && !live}
        title={needsPermit && !live ? 'needs a live permit' : undefined}
        onclick={() =>
          session.choose({
            way,
            riser: way === 'drop' ? (own?.riser ?? 0) : Math.max(0, own?.riser ?? 0)
          })}>{title}</button
      >
    {/each}
  </div>
{/snippet}

{#snippet actions()}
  {#if own || session.instead}
    <button type="button" class="quiet-button" onclick={() => session.back()}>Back to what is proposed</button
    >
  {:else}
    {#if probe}
      {#each new Set([probe.red, probe.black]) as point (point)}
        <button type="button" class="quiet-button" disabled={busy} onclick={() => session.unreachable(point)}
          >Can't reach <span class="figure">{point}</span></button
        >
      {/each}
    {/if}
    <button type="button" class="quiet-button" disabled={busy} onclick={() => session.skip()}>Skip</button>
    {#if view.plan.next.length > 1}
      <button type="button" class="quiet-button" aria-expanded={others} onclick={() => (others = !others)}
        >Other probes</button
      >
    {/if}
  {/if}
  {#if others && !own && !session.instead}
    <ul class="others">
      {#each view.plan.next.slice(1) as other (other.id)}
        <li>
          <button type="button" class="quiet-button" onclick={() => session.propose(other)}
            >{other.title}</button
          >
          <span class="soft">{duration(other.minutes)}</span>
        </li>
      {/each}
    </ul>
  {/if}
{/snippet}

{#snippet print()}
  {#if probe?.across && view.print.asked.some((a) => a.part === probe.across)}
    <div class="print">
      <p class="soft">What does its plate or paper say?</p>
      <PrintLines
        print={view.print}
        sheet={view.job.sheetKey}
        parts={[probe.across]}
        onkeep={session.keepFact.bind(session)}
        onstrike={(id) => void session.strikeFact(id)}
      />
    </div>
  {/if}
{/snippet}

{#snippet plates()}
  {#if view.assessment.plates.length > 0}
    <section class="card plates" aria-label="Plate or paper">
      <h2>What does its plate or paper say?</h2>
      <p>
        The reading is unusual for this sheet, or two parts that should be alike differ. The plate takes half
        a minute.
      </p>
      <PrintLines
        print={view.print}
        sheet={view.job.sheetKey}
        parts={view.assessment.plates}
        onkeep={session.keepFact.bind(session)}
      />
      {#if proposal?.kind === 'plate' && !own}<div class="ways">{@render actions()}</div>{/if}
    </section>
  {/if}
{/snippet}

{#snippet causes()}
  <button type="button" class="quiet-button" onclick={() => session.show('cause')}
    >All checks and causes</button
  >
{/snippet}

{#snippet othercode()}
  <CodeTyped
    {sheet}
    print={view.print}
    {busy}
    onkeep={session.keepFact.bind(session)}
    oncode={(value) =>
      void session.answer({
        observation: 'code-shown',
        situation: proposal?.situation ?? '',
        value
      })}
  />
{/snippet}

{#if session.closed}
  <section class="card outcome">
    <h2>{view.job.struckAt ? 'Struck out' : 'Closed'}</h2>
    <p>{view.job.struckAt ? view.job.struckWhy : view.job.outcome}</p>
  </section>
{:else}
  {#if plateFirst}{@render plates()}{/if}
  {#if probe}
    <ProbeCard
      {probe}
      {sheet}
      title={own ? 'Your probe' : proposal?.confirms ? 'Confirm' : 'Next probe'}
      {aside}
      steps={own ? [] : (proposal?.steps ?? [])}
      why={own ? '' : (proposal?.why ?? '')}
      {caution}
      meters={session.meters}
      {busy}
      {error}
      bind:how={session.how}
      bind:value={session.draft}
      bind:field
      {onlog}
      ways={own ? ways : undefined}
      {actions}
      {print}
    />
  {:else if proposal?.kind === 'check'}
    <CheckCard {session} {proposal} {aside} {caution} {actions} />
  {:else if proposal?.kind === 'plate'}
    <!-- its card stands at the head -->
  {:else if proposal}
    <AskCard
      {proposal}
      {sheet}
      {aside}
      {busy}
      {error}
      {caution}
      onanswer={(evidence) => session.answer(evidence)}
      {othercode}
      {actions}
    />
  {:else}
    <section class="card outcome" aria-label={check ? 'Found' : 'Next probe'}>
      <h2>{END_TITLES[view.plan.state] ?? 'Nothing more to ask'}</h2>
      <p>{view.plan.say}</p>
      {#if error}<p class="error" role="alert">{error}</p>{/if}
      {#if session.onward && !check}
        {@const { step, title } = session.onward}
        <button type="button" class="main-button onward" onclick={() => session.show(step)}
          >Go on: {title}</button
        >
      {/if}
      <p class="soft">Choose a link in the chain to measure something else.</p>
    </section>
    {#if check}
      <NextCard
        title="Next check"
        aside={duration(check.minutes)}
        question={check.title}
        why={check.why}
        caution={check.hazards.join(' · ')}
        expectations={[]}
        actions={causes}
      >
        <CheckAnswers {session} check={check.id} outcomes={check.outcomes} card={check.bench ?? undefined} />
      </NextCard>
    {/if}
  {/if}
  {#if !plateFirst}{@render plates()}{/if}
{/if}

<style>
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    margin: 4px 0 6px;
  }
  .ways button {
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    padding: 3px 0;
    font: inherit;
    font-size: 0.8125rem;
    color: var(--good);
    cursor: pointer;
  }
  .ways button[aria-pressed='true'] {
    color: var(--ink);
    border-color: var(--brass-line);
    font-weight: 600;
  }
  .ways button:disabled {
    color: var(--ink-soft);
    text-decoration: line-through;
    cursor: default;
  }
  .print {
    margin-top: 8px;
    border-top: 1px solid var(--line);
    padding-top: 6px;
    font-size: 0.8125rem;
  }
  .plates {
    padding: 10px 16px 6px;
    margin-bottom: 12px;
    box-shadow: inset 3px 0 var(--brass-line);
    font-size: 0.875rem;
  }
  .plates p {
    padding-bottom: 4px;
    font-size: 0.875rem;
    line-height: 1.4;
  }
  .plates h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .others {
    flex-basis: 100%;
    list-style: none;
    padding: 2px 0 4px;
    font-size: 0.8125rem;
  }
  .others li {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
  }
  .others button {
    text-align: left;
  }
  .error {
    color: var(--bad);
  }
  .outcome {
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.45;
  }
  .outcome h2 {
    font-size: 1.25rem;
    font-weight: 600;
    line-height: 1.3;
    margin-bottom: 4px;
  }
  .outcome:not(:last-child) {
    margin-bottom: 12px;
  }
  .onward {
    display: block;
    margin-top: 10px;
  }
  .outcome .soft {
    font-size: 0.8125rem;
    padding-top: 6px;
  }
</style>
