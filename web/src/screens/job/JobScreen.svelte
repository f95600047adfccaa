<script lang="ts">
  import { InlineLoading, Modal, TextInput } from 'carbon-components-svelte';
  import { onMount, untrack } from 'svelte';
  import { api, type Entry, type JobView, Problem, type Sheet } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import ChainStrip from '../../lib/chain/ChainStrip.svelte';
  import StaircaseChart from '../../lib/chain/StaircaseChart.svelte';
  import UprightStaircase from '../../lib/chain/UprightStaircase.svelte';
  import { words } from '../../lib/format/format';
  import { keyMeaning, SHORTCUT_HELP } from '../../lib/input/shortcuts';
  import ChainTable from './ChainTable.svelte';
  import EvidenceDrawer from './EvidenceDrawer.svelte';
  import Flags from '../../lib/assessment/Flags.svelte';
  import JobStrip from './JobStrip.svelte';
  import { asEvidence, nextChoice, type Choice, probeAt, SUPPLY } from './probe';
  import ProbeCard from './ProbeCard.svelte';
  import StepRail from './StepRail.svelte';
  import Suspects from '../../lib/assessment/Suspects.svelte';

  let { params }: { params: { id: string } } = $props();

  const NARROW = 672;
  const UPRIGHT_ROW = 54;

  let view = $state.raw<JobView>();
  let sheet = $state.raw<Sheet>();
  let missing = $state('');
  let pathIndex = $state(0);
  let choice = $state<Choice>({ riser: SUPPLY, way: 'drop', why: '' });
  let asTable = $state(false);
  let value = $state('');
  let field = $state<HTMLInputElement>();
  let error = $state('');
  let busy = $state(false);
  let chartWidth = $state(700);
  let screenWidth = $state(1280);
  let now = $state(new Date());
  let striking = $state.raw<Entry>();
  let why = $state('');
  let help = $state(false);

  // one id for what is being typed, so that a repeated send is one reading
  let pending: { id: string; text: string } | undefined;

  const narrow = $derived(screenWidth < NARROW);
  const path = $derived(view?.assessment.paths[pathIndex]);
  const parts = $derived(new Map(view?.assessment.parts.map((p) => [p.id, p]) ?? []));
  const live = $derived(view?.job.permit === 'live');
  const probe = $derived(path && sheet ? probeAt(path, sheet, choice.riser, choice.way) : undefined);
  const closed = $derived(view?.job.closedAt !== undefined || view?.job.struckAt !== undefined);
  const draftKey = $derived(`draft ${params.id}`);

  $effect(() => {
    const id = params.id;
    untrack(() => load(id));
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
      sheet = await api.sheet(loaded.job.sheetKey, loaded.job.sheetRevision);
      view = loaded;
      proceed();
    } catch (e) {
      missing = e instanceof Problem ? e.message : String(e);
    }
  }

  function proceed() {
    if (view && path) choice = nextChoice(path, view.assessment, live);
  }

  async function log(typed = value) {
    if (!probe || busy || closed) return;
    if (typed.trim() === '') {
      error = `Type what the meter shows, like ${probe.unit === 'Ω' ? '0.2 or OL' : '119.8'}.`;
      field?.focus();
      return;
    }
    pending = pending?.text === typed ? pending : { id: crypto.randomUUID(), text: typed };
    busy = true;
    error = '';
    try {
      view = await api.addEvidence(params.id, pending.id, asEvidence(probe, typed));
      pending = undefined;
      value = '';
      field?.blur();
      proceed();
    } catch (e) {
      error = e instanceof Problem ? e.message : String(e);
    } finally {
      busy = false;
    }
  }

  function askStrike(entry: Entry | undefined) {
    if (!entry || closed) return;
    striking = entry;
    why = '';
  }

  async function strike() {
    const entry = striking;
    if (!entry || why.trim() === '') return;
    try {
      view = await api.strike(params.id, entry.id, why);
      striking = undefined;
      proceed();
    } catch (e) {
      error = e instanceof Problem ? e.message : String(e);
      striking = undefined;
    }
  }

  function select(riser: number) {
    choice = { riser, way: riser === SUPPLY ? 'drop' : live ? choice.way : 'ohms', why: 'your choice' };
    error = '';
  }

  function selectPart(part: string) {
    const riser = path?.risers.findIndex((r) => r.part === part) ?? -1;
    if (riser >= 0) select(riser);
  }

  function onkeydown(event: KeyboardEvent) {
    if (striking || help || !view) return;
    const meaning = keyMeaning(event);
    if (!meaning) return;
    event.preventDefault();
    if ('text' in meaning) {
      value += meaning.text;
      field?.focus();
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
        return select(Math.max(live ? SUPPLY : 0, choice.riser - 1));
      case 'next':
        return select(Math.min(last, choice.riser + 1));
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
{:else if !view || !sheet || !path || !probe}
  <div class="away"><InlineLoading description="Opening the job" /></div>
{:else}
  <JobStrip {view} {now} />
  <StepRail {view} />
  <div class="bench">
    <div class="left">
      <section class="card chain" aria-label="Chain">
        <header>
          <h2>{path.title} path</h2>
          <button
            type="button"
            class="supply"
            aria-pressed={choice.riser === SUPPLY}
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
                  proceed();
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
            <ChainStrip {path} {parts} selected={choice.riser} upright onselect={select} />
          </div>
        {:else}
          <div bind:clientWidth={chartWidth}>
            <StaircaseChart {path} {parts} selected={choice.riser} width={chartWidth} onselect={select} />
            <ChainStrip {path} {parts} selected={choice.riser} onselect={select} />
          </div>
        {/if}
      </section>
      <EvidenceDrawer {view} {sheet} open={closed} onstrike={askStrike} />
    </div>
    <div class="right">
      <div class="sticky">
        {#if closed}
          <section class="card outcome">
            <h2>{view.job.struckAt ? 'Struck out' : 'Closed'}</h2>
            <p>{view.job.struckAt ? view.job.struckWhy : view.job.outcome}</p>
          </section>
        {:else}
          <ProbeCard
            {probe}
            {sheet}
            why={choice.why}
            way={choice.way}
            {live}
            {busy}
            {error}
            bind:value
            bind:field
            onway={(way) =>
              (choice = { ...choice, way, riser: way === 'drop' ? choice.riser : Math.max(0, choice.riser) })}
            onlog={() => log()}
          />
        {/if}
      </div>
      <Flags flags={view.assessment.flags} />
      <Suspects assessment={view.assessment} onselect={selectPart} />
    </div>
  </div>
{/if}

<Modal
  open={striking !== undefined}
  size="sm"
  modalHeading="Strike this out?"
  primaryButtonText="Strike out"
  secondaryButtonText="Keep it"
  primaryButtonDisabled={why.trim() === ''}
  selectorPrimaryFocus="#strike-why"
  shouldSubmitOnEnter
  on:click:button--secondary={() => (striking = undefined)}
  on:close={() => (striking = undefined)}
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
  .outcome {
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.45;
  }
  .outcome h2 {
    margin-bottom: 4px;
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
