<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { api, type GuideRevision, type GuideView, reason } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import Tabs from '../../lib/controls/Tabs.svelte';
  import DocumentEditor from '../../lib/documents/DocumentEditor.svelte';
  import { broughtIn, guideDocuments } from '../../lib/documents/documents';
  import Revisions from '../../lib/documents/Revisions.svelte';
  import { familyWords } from '../../lib/format/format';
  import { DRAFT_KEY, STARTER } from './draft';
  import GuideTables from './GuideTables.svelte';

  let { params }: { params: { key: string } } = $props();

  const TABS = ['Causes', 'Text', 'Revisions'] as const;

  let revision = $state.raw<GuideRevision>();
  let guide = $state.raw<GuideView>();
  let away = $state('');
  let tab = $state<(typeof TABS)[number]>('Causes');

  const fresh = $derived(params.key === 'new');

  $effect(() => {
    const key = params.key;
    untrack(() => load(key));
  });

  async function load(key: string) {
    away = '';
    revision = undefined;
    if (key === 'new') return;
    try {
      const newest = await api.newestGuide(key);
      guide = await api.guide(key, newest.revision);
      revision = newest;
      tab = 'Causes';
    } catch (e) {
      away = reason(e);
    }
  }

  async function saved(made: GuideRevision) {
    if (made.key === params.key) await load(made.key);
    else await push(`/guides/${made.key}`);
  }
</script>

<svelte:head><title>{revision?.title ?? 'Guide'} · Jolly Chain</title></svelte:head>

<div class="plain-page">
  {#if away}
    <Away title="This guide cannot be shown" why={away} onretry={() => load(params.key)} />
  {:else if fresh}
    <h1>New guide</h1>
    <DocumentEditor documents={guideDocuments} text={broughtIn(DRAFT_KEY) ?? STARTER} onsaved={saved} />
  {:else if !revision || !guide}
    <InlineLoading description="Opening the guide" />
  {:else}
    <header>
      <div>
        <h1>{revision.title}</h1>
        <p class="soft">
          {familyWords(revision.family)} · <span class="figure">{revision.key}</span> · revision {revision.revision}
          ·
          <a
            href={`/api/guides/${revision.key}/revisions/${revision.revision}/yaml`}
            download={`${revision.key}.yaml`}>Export</a
          >
        </p>
      </div>
      <Tabs of="Guide" names={TABS} bind:shown={tab} />
    </header>
    {#if tab === 'Causes'}
      <GuideTables {guide} />
    {:else if tab === 'Text'}
      <DocumentEditor
        documents={guideDocuments}
        text={revision.text}
        revision={revision.revision}
        onsaved={saved}
      />
    {:else}
      <Revisions documents={guideDocuments} key={revision.key} newest={revision.revision} />
    {/if}
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 6px 2rem;
    margin-bottom: 12px;
  }
  p {
    font-size: 0.875rem;
  }
  a {
    color: var(--good);
  }
</style>
