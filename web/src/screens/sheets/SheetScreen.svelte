<script lang="ts">
  import { InlineLoading, InlineNotification } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import { api, type Drawing, type Sheet, type SheetRevision, reason } from '../../lib/api/client';
  import Tabs from '../../lib/controls/Tabs.svelte';
  import DocumentEditor from '../../lib/documents/DocumentEditor.svelte';
  import { broughtIn, sheetDocuments } from '../../lib/documents/documents';
  import Revisions from '../../lib/documents/Revisions.svelte';
  import { familyWords, unbroken } from '../../lib/format/format';
  import CaseTab from './CaseTab.svelte';
  import CircuitTab from './CircuitTab.svelte';
  import { DRAFT_KEY, STARTER } from './draft';
  import SheetTables from './SheetTables.svelte';
  import ShorthandTab from './ShorthandTab.svelte';
  import TextPicture from './TextPicture.svelte';

  let { params }: { params: { key: string } } = $props();

  const TABS = ['Circuit', 'Case', 'Parts', 'Shorthand', 'Text', 'Revisions'] as const;
  type Tab = (typeof TABS)[number];

  let revision = $state.raw<SheetRevision>();
  let sheet = $state.raw<Sheet>();
  let drawings = $state.raw<Drawing[]>([]);
  let missing = $state('');
  let tab = $state<Tab>('Circuit');
  let withdrawn = $state(false);

  const fresh = $derived(params.key === 'new');

  $effect(() => {
    const key = params.key;
    untrack(() => load(key));
  });

  async function load(key: string) {
    missing = '';
    revision = undefined;
    sheet = undefined;
    withdrawn = false;
    if (key === 'new') return;
    try {
      const newest = await api.newestSheet(key);
      [sheet, drawings] = await Promise.all([
        api.sheet(key, newest.revision),
        api.drawings(key, newest.revision)
      ]);
      revision = newest;
      tab = 'Circuit';
    } catch (e) {
      missing = reason(e);
    }
  }

  async function saved(made: SheetRevision) {
    if (made.key === params.key) await load(made.key);
    else await push(`/sheets/${made.key}`);
  }

  async function withdraw() {
    await api.withdrawSheet(params.key);
    withdrawn = true;
  }

  async function restore() {
    await api.restoreSheet(params.key);
    withdrawn = false;
  }
</script>

<svelte:head><title>{revision?.title ?? 'New sheet'} · Jolly Chain</title></svelte:head>

{#snippet picture(text: string)}<TextPicture {text} />{/snippet}

{#if missing}
  <div class="page">
    <InlineNotification
      kind="error"
      title="This sheet cannot be shown"
      subtitle={missing}
      hideCloseButton
      lowContrast
    />
    <a href="/sheets" use:link>All sheets</a>
  </div>
{:else if fresh}
  <div class="page">
    <header>
      <h1>New sheet</h1>
      <p class="soft">
        A small valid sheet to start from. Problems show as you type; it is saved once there are none.
      </p>
    </header>
    <DocumentEditor
      documents={sheetDocuments}
      text={broughtIn(DRAFT_KEY) ?? STARTER}
      onsaved={saved}
      beside={picture}
    />
  </div>
{:else if !revision || !sheet}
  <div class="page"><InlineLoading description="Opening the sheet" /></div>
{:else}
  <div class="page">
    <header>
      <div>
        <h1>{unbroken(revision.title)}</h1>
        <p class="soft">
          {familyWords(revision.family)} · <span class="figure">{revision.key}</span> · revision {revision.revision}
          ·
          {Object.keys(sheet.parts).length} parts, {Object.keys(sheet.points).length} points
        </p>
      </div>
      <Tabs of="Sheet" names={TABS} bind:shown={tab} />
    </header>
    {#if withdrawn}
      <div class="gone card">
        <span>Withdrawn: it is out of the library, and its revisions and jobs stay.</span>
        <button type="button" class="quiet-button" onclick={restore}>Put it back</button>
      </div>
    {/if}
    {#if tab === 'Circuit'}
      <CircuitTab {sheet} {drawings} {revision} />
    {:else if tab === 'Case'}
      <CaseTab {sheet} />
    {:else if tab === 'Parts'}
      <SheetTables {sheet} />
    {:else if tab === 'Shorthand'}
      <ShorthandTab {revision} onsaved={saved} />
    {:else if tab === 'Text'}
      <DocumentEditor
        documents={sheetDocuments}
        text={revision.text}
        revision={revision.revision}
        onsaved={saved}
        beside={picture}
      />
    {:else}
      <Revisions
        documents={sheetDocuments}
        key={revision.key}
        newest={revision.revision}
        {withdrawn}
        onwithdraw={withdraw}
      />
    {/if}
  </div>
{/if}

<style>
  .page {
    max-width: 1600px;
    margin: 0 auto;
    padding: 14px 20px 40px;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 6px 2rem;
    margin-bottom: 12px;
  }
  h1 {
    font-size: 1.25rem;
    font-weight: 600;
  }
  p {
    font-size: 0.875rem;
  }
  .gone {
    display: flex;
    gap: 1rem;
    align-items: center;
    padding: 8px 14px;
    margin-bottom: 12px;
    font-size: 0.875rem;
  }
  @media (max-width: 672px) {
    .page {
      padding: 10px 10px 24px;
    }
  }
</style>
