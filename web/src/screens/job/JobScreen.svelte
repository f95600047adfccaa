<script lang="ts">
  import { InlineLoading, Modal, TextInput } from 'carbon-components-svelte';
  import { onMount, tick, untrack } from 'svelte';
  import {
    api,
    type Entry,
    type Evidence,
    type JobView,
    type Meter,
    type Policy,
    Problem,
    type Proposal,
    type PathTests,
    type Sheet,
    reason
  } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import ChainStrip from '../../lib/chain/ChainStrip.svelte';
  import StaircaseChart from '../../lib/chain/StaircaseChart.svelte';
  import UprightStaircase from '../../lib/chain/UprightStaircase.svelte';
  import { words } from '../../lib/format/format';
  import { Pending } from '../../lib/input/pending';
  import { keyMeaning, SHORTCUT_HELP } from '../../lib/input/shortcuts';
  import ChainTable from './ChainTable.svelte';
  import EvidenceDrawer from './EvidenceDrawer.svelte';
  import Flags from '../../lib/assessment/Flags.svelte';
  import JobStrip from './JobStrip.svelte';
  import NextPanel from './NextPanel.svelte';
  import PlanDialog from './PlanDialog.svelte';
  import { asEvidence, type Choice, chosenProbe, PLAIN, proposed, SUPPLY } from './probe';
  import SeenForm from './SeenForm.svelte';
  import StepRail from './StepRail.svelte';
  import Suspects from '../../lib/assessment/Suspects.svelte';

  let { params }: { params: { id: string } } = $props();

  const NARROW = 672;
  const UPRIGHT_ROW = 54;

  let view = $state.raw<JobView>();
  let sheet = $state.raw<Sheet>();
  let pathTests = $state.raw<PathTests[]>([]);
  let missing = $state('');
  let pathIndex = $state(0);
  let own = $state<Choice>();
  let instead = $state.raw<Proposal>();
  let planning = $state(false);
  let how = $state({ ...PLAIN });
  let meters = $state.raw<Meter[]>([]);
  let asTable = $state(false);
  let value = $state('');
  let field = $state<HTMLInputElement>();
  let error = $state('');
  let busy = $state(false);
  // whether the last change was refused for good
  let refused = false;
  let chartWidth = $state(700);
  let screenWidth = $state(1280);
  let now = $state(new Date());
  let striking = $state.raw<Entry>();
  let why = $state('');
  let help = $state(false);

  const narrow = $derived(screenWidth < NARROW);
  const path = $derived(view?.assessment.paths[pathIndex]);
  const tests = $derived(pathTests.find((t) => t.path === path?.id));
  const parts = $derived(new Map(view?.assessment.parts.map((p) => [p.id, p]) ?? []));
  const live = $derived(view?.job.permit === 'live');
  const proposal = $derived(instead ?? view?.plan.next[0]);
  const probe = $derived.by(() => {
    if (!path || !sheet) return undefined;
    if (own) return chosenProbe(tests, own);
    return proposal?.kind === 'measure' ? proposed(proposal, sheet) : undefined;
  });
  // what the next reading bears on: the link it is taken across, or the two points
  const chosen = $derived(
    own ? own.riser : (path?.risers.findIndex((r) => r.part === proposal?.across) ?? SUPPLY)
  );
  const closed = $derived(view?.job.closedAt !== undefined || view?.job.struckAt !== undefined);
  const draftKey = $derived(`draft ${params.id}`);
  const pending = $derived(new Pending<Evidence>(`pending ${params.id}`));

  $effect(() => {
    const id = params.id;
    untrack(() => load(id));
  });

  // another probe is taken in its own way, with the same meter
  $effect(() => {
    const { celsius = '', reseated = false } = probe ?? {};
    untrack(() => (how = { meter: how.meter, celsius, reseated }));
  });

  // what is typed survives a reload until it is logged
  $effect(() => {
    if (value) localStorage.setItem(draftKey, value);
    else localStorage.removeItem(draftKey);
  });

  onMount(() => {
    const ticking = setInterval(() => (now = new Date()), 20_000);
    return () => clearInterval(ticking);
  });

  async function load(id: string) {
    try {
      value = localStorage.getItem(`draft ${id}`) ?? '';
      const loaded = await api.job(id);
      [sheet, pathTests, meters] = await Promise.all([
        api.sheet(loaded.job.sheetKey, loaded.job.sheetRevision),
        api.tests(loaded.job.sheetKey, loaded.job.sheetRevision),
        api.meters()
      ]);
      view = loaded;
      proceed();
      await sendPending(loaded);
      // a reading that was typed before the page was left has its field again
      if (value && !probe) select(live ? SUPPLY : 0);
    } catch (e) {
      missing = reason(e);
    }
  }

  /** A reading whose answer was lost is in the job, or is sent again. */
  async function sendPending(loaded: JobView) {
    const last = pending.get();
    if (!last) return;
    const saved = loaded.evidence.some((e) => e.id === last.id);
    if (saved) pending.settled();
    if ((saved || (!closed && (await add(last.content)))) && value === last.content.value) value = '';
  }

  function proceed() {
    own = undefined;
    instead = undefined;
    const across = view?.plan.next[0]?.across;
    const shows = view?.assessment.paths.findIndex((p) => p.risers.some((r) => r.part === across)) ?? -1;
    if (across && shows >= 0 && !path?.risers.some((r) => r.part === across)) pathIndex = shows;
  }

  /** One change at a time: what an older answer shows must not take the place of a newer one. */
  async function change(send: () => Promise<JobView>): Promise<boolean> {
    if (busy) return false;
    busy = true;
    error = '';
    refused = false;
    try {
      view = await send();
      proceed();
      return true;
    } catch (e) {
      error = reason(e);
      refused = e instanceof Problem && !e.passing;
      return false;
    } finally {
      busy = false;
    }
  }

  async function add(evidence: Evidence): Promise<boolean> {
    if (busy) return false;
    const id = pending.idOf(evidence);
    const added = await change(() => api.addEvidence(params.id, id, evidence));
    if (added || refused) pending.settled();
    return added;
  }

  async function log(typed = value) {
    if (!probe || busy || closed) return;
    if (typed.trim() === '') {
      error = `Type what the meter shows, like ${probe.unit === 'Ω' ? '0.2 or OL' : '119.8'}.`;
      field?.focus();
      return;
    }
    if (await add(asEvidence(probe, typed, how))) {
      value = '';
      field?.blur();
    }
  }

  function answer(evidence: Evidence) {
    if (!busy && !closed) void add(evidence);
  }

  async function plan(permit: string, policy: Policy): Promise<boolean> {
    if (!view || closed) return false;
    const { version } = view.job;
    return change(() => api.planJob(params.id, permit, policy, version));
  }

  async function keepPlan(permit: string, policy: Policy) {
    if (await plan(permit, policy)) closeDialogs();
  }

  function skip() {
    if (!view || !proposal || own) return;
    const { policy, job } = view;
    void plan(job.permit, { ...policy, skipped: [...(policy.skipped ?? []), proposal.id] });
  }

  function unreachable(point: string) {
    if (!view) return;
    const { policy, job } = view;
    void plan(job.permit, { ...policy, unreachable: [...(policy.unreachable ?? []), point] });
  }

  function askStrike(entry: Entry | undefined) {
    if (!entry || closed) return;
    striking = entry;
    error = '';
    why = '';
  }

  /** What went wrong in a dialog is no matter of the reading beside it. */
  function closeDialogs() {
    if (striking || planning) error = '';
    striking = undefined;
    planning = false;
  }

  async function strike() {
    const entry = striking;
    if (!entry || busy || why.trim() === '') return;
    if (await change(() => api.strike(params.id, entry.id, why))) closeDialogs();
  }

  function select(riser: number) {
    own = { riser, way: riser === SUPPLY ? 'drop' : live ? (own?.way ?? 'drop') : 'ohms' };
    error = '';
  }

  function selectPart(part: string) {
    const riser = path?.risers.findIndex((r) => r.part === part) ?? -1;
    if (riser >= 0) select(riser);
  }

  function onkeydown(event: KeyboardEvent) {
    if (striking || help || planning || !view) return;
    const meaning = keyMeaning(event);
    if (!meaning) return;
    event.preventDefault();
    if ('text' in meaning) {
      value += meaning.text;
      if (!probe) select(Math.max(live ? SUPPLY : 0, chosen));
      void tick().then(() => field?.focus());
      return;
    }
    const last = (path?.risers.length ?? 1) - 1;
    switch (meaning.shortcut) {
      case 'over-limit':
        return void log('OL');
      case 'strike-last':
        return askStrike(view.evidence.findLast((e) => !e.struckAt));
      case 'help':
        help = true;
        return;
      case 'previous':
        return select(Math.max(live ? SUPPLY : 0, chosen - 1));
      case 'next':
        return select(Math.min(last, chosen + 1));
      case 'skip':
        return skip();
      case 'proposed':
        own = undefined;
        instead = undefined;
        return;
      case 'log':
        return void log();
    }
  }
</script>

<svelte:window {onkeydown} bind:innerWidth={screenWidth} />
<svelte:head><title>{view ? `${view.job.unitTag} · Jolly Chain` : 'Jolly Chain'}</title></svelte:head>

{#if missing}
  <div class="away">
    <Away
      title="This job cannot be shown"
      why={missing}
      onretry={() => {
        missing = '';
        load(params.id);
      }}
    />
  </div>
{:else if !view || !sheet || !path}
  <div class="away"><InlineLoading description="Opening the job" /></div>
{:else}
  <JobStrip {view} {now} {busy} onplan={closed ? undefined : () => (planning = true)} />
  <StepRail progress={view.progress} />
  <div class="bench">
    <div class="left">
      <section class="card chain" aria-label="Chain">
        <header>
          <h2>{path.title} path</h2>
          <button
            type="button"
            class="supply"
            aria-pressed={own?.riser === SUPPLY}
            disabled={!live}
            onclick={() => select(SUPPLY)}>Supply <b>{words(view.assessment.supply.verdict)}</b></button
          >
          <div class="views" role="group" aria-label="View">
            {#each view.assessment.paths as other, i (other.id)}
              <button
                type="button"
                aria-pressed={pathIndex === i}
                onclick={() => {
                  pathIndex = i;
                  own = undefined;
                }}>{other.title}</button
              >
            {/each}
            <button type="button" aria-pressed={asTable} onclick={() => (asTable = !asTable)}>Table</button>
          </div>
        </header>
        {#if asTable}
          <ChainTable {path} {parts} />
        {:else if narrow}
          <div class="upright">
            <UprightStaircase {path} rows={UPRIGHT_ROW} />
            <ChainStrip {path} {parts} selected={chosen} upright onselect={select} />
          </div>
        {:else}
          <div bind:clientWidth={chartWidth}>
            <StaircaseChart
              {path}
              {parts}
              selected={chosen}
              probes={probe && !closed ? [probe.red, probe.black] : []}
              width={chartWidth}
              onselect={select}
            />
            <ChainStrip {path} {parts} selected={chosen} onselect={select} />
          </div>
        {/if}
      </section>
      <EvidenceDrawer
        {view}
        {sheet}
        open={closed}
        onstrike={askStrike}
        onimport={(csv) => change(() => api.importEvidence(params.id, csv))}
        onproblem={(message) => (error = message)}
      />
      {#if !closed}<SeenForm {sheet} situation={path.situation} {busy} onanswer={answer} />{/if}
    </div>
    <div class="right">
      <div class="sticky">
        <NextPanel
          {view}
          {sheet}
          {tests}
          {probe}
          {proposal}
          {meters}
          {live}
          {busy}
          error={striking || planning ? '' : error}
          {closed}
          bind:own
          bind:instead
          bind:how
          bind:value
          bind:field
          onlog={() => log()}
          onanswer={answer}
          onskip={skip}
          onunreachable={unreachable}
        />
      </div>
      <Flags flags={view.assessment.flags} />
      <Suspects assessment={view.assessment} confirmBy={view.plan.confirmBy} onselect={selectPart} />
    </div>
  </div>
{/if}

{#if planning && view}
  <PlanDialog
    job={view.job.id}
    permit={view.job.permit}
    policy={view.policy}
    {busy}
    {error}
    onkeep={keepPlan}
    onclose={closeDialogs}
  />
{/if}

<Modal
  open={striking !== undefined}
  size="sm"
  modalHeading="Strike this out?"
  primaryButtonText="Strike out"
  secondaryButtonText="Keep it"
  primaryButtonDisabled={busy || why.trim() === ''}
  selectorPrimaryFocus="#strike-why"
  shouldSubmitOnEnter
  on:click:button--secondary={closeDialogs}
  on:close={closeDialogs}
  on:submit={strike}
>
  <p class="about">It stays visible with its reason and no longer counts.</p>
  <TextInput
    id="strike-why"
    labelText="Why"
    placeholder="probe slipped, wrong points, misread ..."
    bind:value={why}
    maxlength={500}
  />
  {#if striking && error}<p class="failed" role="alert">{error}</p>{/if}
</Modal>

<Modal open={help} passiveModal size="xs" modalHeading="Keys" on:close={() => (help = false)}>
  <dl class="keys">
    {#each SHORTCUT_HELP as [keys, meaning] (keys)}
      <dt class="figure">{keys}</dt>
      <dd>{meaning}</dd>
    {/each}
  </dl>
</Modal>

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
  .chain {
    padding: 10px 16px 12px;
  }
  .chain header {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 1.25rem;
    margin-bottom: 8px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .views {
    margin-left: auto;
    display: flex;
    gap: 1rem;
  }
  .views button,
  .supply {
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    padding: 2px 0;
    font: inherit;
    font-size: 0.875rem;
    color: var(--ink-soft);
    cursor: pointer;
  }
  .views button[aria-pressed='true'],
  .supply[aria-pressed='true'] {
    color: var(--ink);
    border-color: var(--brass-line);
  }
  .upright {
    display: grid;
    grid-template-columns: 92px minmax(0, 1fr);
    gap: 6px;
  }
  .upright :global(button) {
    height: 54px;
  }
  .away {
    padding: 3rem 20px;
    max-width: 40rem;
  }
  .about {
    margin-bottom: 1rem;
  }
  .keys {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 8px 20px;
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
