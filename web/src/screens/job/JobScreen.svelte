<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { onMount, tick, untrack } from 'svelte';
  import type { Entry } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import { session as atWork } from '../../lib/session/session.svelte';
  import { HeldKey, isField, keyMeaning, type Shortcut } from '../../lib/input/shortcuts';
  import BenchDialog from './dialogs/BenchDialog.svelte';
  import KeysDialog from './dialogs/KeysDialog.svelte';
  import MoveDialog from './dialogs/MoveDialog.svelte';
  import PlanDialog from './dialogs/PlanDialog.svelte';
  import StrikeDialog from './dialogs/StrikeDialog.svelte';
  import { JobSession } from './JobSession.svelte';
  import JobStrip from './JobStrip.svelte';
  import StepRail from './StepRail.svelte';
  import ArriveStep from './steps/visit/ArriveStep.svelte';
  import CauseStep from './steps/visit/CauseStep.svelte';
  import GetInStep from './steps/visit/GetInStep.svelte';
  import ProveStep from './steps/visit/ProveStep.svelte';
  import PutRightStep from './steps/visit/PutRightStep.svelte';
  import SignOffStep from './steps/visit/SignOffStep.svelte';
  import SupplyStep from './steps/visit/SupplyStep.svelte';
  import WalkStep from './steps/walk/WalkStep.svelte';

  let { params }: { params: { id: string } } = $props();

  type Dialog =
    | { kind: 'plan' }
    | { kind: 'keys' }
    | { kind: 'move' }
    | { kind: 'strike'; entry: Entry }
    | { kind: 'bench'; part: string; title: string };

  const session = $derived(new JobSession(params.id));
  const view = $derived(session.view);
  let dialog = $state.raw<Dialog>();
  let field = $state<HTMLInputElement>();
  let now = $state(new Date());

  $effect(() => {
    const opened = session;
    untrack(() => opened.load());
  });

  $effect(() => {
    if (atWork.me) return session.follow();
  });

  onMount(() => {
    const ticking = setInterval(() => (now = new Date()), 20_000);
    return () => clearInterval(ticking);
  });

  const ASKED = ['check', 'runs', 'look', 'code'];
  /** Whether something to look at or listen for comes next, and no probe was chosen instead. */
  const asked = $derived(
    !session.probe && (ASKED.includes(session.proposal?.kind ?? '') || session.causeCheck !== undefined)
  );
  const held = new HeldKey();
  const close = () => (dialog = undefined);

  async function log(typed?: string) {
    if (await session.log(typed)) field?.blur();
    else if (session.error) field?.focus();
  }

  function strike(entry: Entry | undefined) {
    if (entry && !session.closed) dialog = { kind: 'strike', entry };
  }

  /** Where nothing is measured, a digit is the answer that bears it. */
  function onStepKey(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || isField(event.target)) return;
    const answer = document.querySelector<HTMLElement>(
      `[data-key="${CSS.escape(event.key)}"]:not(:disabled)`
    );
    if (answer) {
      event.preventDefault();
      answer.click();
    } else if (/^[\dA-Za-z]$/.test(event.key)) {
      // the key itself goes into the field that it opens
      document.querySelector<HTMLInputElement>('input[data-typed]')?.focus();
    }
  }

  function onkeydown(event: KeyboardEvent) {
    if (dialog || !view) return;
    if (event.key === 'PageDown' || event.key === 'PageUp') {
      event.preventDefault();
      return session.turn(event.key === 'PageDown' ? 1 : -1);
    }
    if (!session.measuring) return onStepKey(event);
    const word = held.word(event, Object.keys(session.sheet?.points ?? {}));
    if (word !== undefined) {
      event.preventDefault();
      return begin(word);
    }
    // what is looked at is answered as on its own step, unless the digit begins a figure
    if (asked && /^[1-9]$/.test(event.key) && !event.altKey && !event.ctrlKey && !isField(event.target)) {
      event.preventDefault();
      return held.hold(event.key, () => onStepKey(event));
    }
    const meaning = keyMeaning(event);
    if (!meaning) return;
    event.preventDefault();
    if ('text' in meaning) return begin(meaning.text);
    const { shortcut } = meaning;
    if (/^[a-z]$/.test(event.key)) held.hold(event.key, () => act(shortcut));
    else act(shortcut);
  }

  /** Goes on in the field with what was typed anywhere. */
  function begin(typed: string) {
    session.startTyping(typed);
    void tick().then(() => field?.focus());
  }

  function act(shortcut: Shortcut) {
    switch (shortcut) {
      case 'over-limit':
        return void log('OL');
      case 'strike-last':
        return strike(view?.evidence.findLast((e) => !e.struckAt));
      case 'help':
        dialog = { kind: 'keys' };
        return;
      case 'wires':
      case 'function':
      case 'state':
      case 'meter':
        return session.takeOtherwise(shortcut);
      case 'previous':
        return session.along(-1);
      case 'next':
        return session.along(1);
      case 'skip':
        return void session.skip();
      case 'proposed':
        return session.back();
      case 'log':
        if (!session.proposal && !session.probe && session.onward) return session.show(session.onward.step);
        return void log();
    }
  }
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{view ? `${view.job.unitTag} · Jolly Chain` : 'Jolly Chain'}</title></svelte:head>

{#if session.missing}
  <div class="away">
    <Away title="This job cannot be shown" why={session.missing} onretry={() => session.load()} />
  </div>
{:else if !view || !session.sheet || !session.path}
  <div class="away"><InlineLoading description="Opening the job" /></div>
{:else}
  <JobStrip
    {view}
    {now}
    busy={session.busy}
    onplan={session.closed ? undefined : () => (dialog = { kind: 'plan' })}
    onmove={session.closed ? undefined : () => (dialog = { kind: 'move' })}
  />
  {#if session.waiting.length > 0 || session.elsewhere}
    <p class="news" role="status">
      {#if session.waiting.length > 0}
        {session.waiting.length}
        {session.waiting.length === 1 ? 'entry waits' : 'entries wait'} here for the server; {session.waiting
          .length === 1
          ? 'it goes'
          : 'they go'} out by {session.waiting.length === 1 ? 'itself' : 'themselves'}, and what is shown is
        from before.
      {:else}Changed from elsewhere; what is shown is from now.{/if}
    </p>
  {/if}
  <StepRail progress={view.visit.progress} shown={session.step} onshow={(step) => session.show(step)} />
  {#if session.step === 'arrive'}
    <ArriveStep {session} {view} sheet={session.sheet} />
  {:else if session.step === 'supply'}
    <SupplyStep {session} {view} />
  {:else if session.step === 'get-in'}
    <GetInStep {session} {view} />
  {:else if session.step === 'cause'}
    <CauseStep {session} {view} sheet={session.sheet} />
  {:else if session.step === 'put-right'}
    <PutRightStep {session} {view} sheet={session.sheet} />
  {:else if session.step === 'prove'}
    <ProveStep {session} {view} sheet={session.sheet} />
  {:else if session.step === 'sign-off'}
    <SignOffStep {session} {view} />
  {:else}
    <WalkStep
      {session}
      {view}
      sheet={session.sheet}
      path={session.path}
      bind:field
      onlog={() => log()}
      onstrike={strike}
      onbench={(part, title) => (dialog = { kind: 'bench', part, title })}
    />
  {/if}
{/if}

{#if dialog?.kind === 'plan' && view}
  <PlanDialog
    job={session.id}
    permit={view.job.permit}
    policy={view.policy}
    onkeep={(permit, policy) => session.plan(permit, policy)}
    onclose={close}
  />
{:else if dialog?.kind === 'strike'}
  {@const { entry } = dialog}
  <StrikeDialog onstrike={(why) => session.strike(entry, why)} onclose={close} />
{:else if dialog?.kind === 'bench'}
  {@const { part, title } = dialog}
  <BenchDialog
    job={session.id}
    {part}
    {title}
    onlog={(told) => session.tell('benched', part, told)}
    onclose={close}
  />
{:else if dialog?.kind === 'move' && view}
  <MoveDialog {view} onmove={() => session.move()} onclose={close} />
{:else if dialog?.kind === 'keys'}
  <KeysDialog onclose={close} />
{/if}

<style>
  .news {
    padding: 6px 20px;
    font-size: 0.875rem;
    background: var(--note-wash);
  }
  .away {
    padding: 3rem 20px;
    max-width: 40rem;
  }
</style>
