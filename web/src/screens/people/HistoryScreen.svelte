<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { link, router } from 'svelte-spa-router';
  import { api, type AuditLine, reason } from '../../lib/api/client';
  import Away from '../../lib/controls/Away.svelte';
  import { moment } from '../../lib/format/format';
  import { pathOf, shortKey, SUBJECTS } from './history';

  /** Who changed what, the latest first, as the database noted it. */
  const PAGE = 100;

  let lines = $state.raw<AuditLine[]>();
  let more = $state(false);
  let away = $state('');

  const asked = $derived(new URLSearchParams(router.querystring ?? ''));
  const subject = $derived(asked.get('subject') ?? '');
  const key = $derived(asked.get('key') ?? '');
  const by = $derived(asked.get('by') ?? '');

  $effect(() => {
    void load(subject, key, by);
  });

  async function load(ofSubject: string, ofKey: string, whose: string, before?: number) {
    try {
      away = '';
      const found = await api.audit(ofSubject, ofKey, whose, before);
      lines = before === undefined ? found : [...(lines ?? []), ...found];
      more = found.length === PAGE;
    } catch (e) {
      away = reason(e);
    }
  }

  const address = (to: Record<string, string>) => {
    const all = { subject, key, by, ...to };
    const kept = Object.entries(all).filter(([, value]) => value !== '');
    return `/history?${new URLSearchParams(Object.fromEntries(kept)).toString()}`;
  };
</script>

<svelte:head><title>Who changed what · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <h1>Who changed what</h1>
  <nav aria-label="Of what">
    <a href={address({ subject: '', key: '' })} use:link aria-current={subject === '' ? 'page' : undefined}
      >All</a
    >
    {#each SUBJECTS as one (one)}
      <a
        href={address({ subject: one, key: '' })}
        use:link
        aria-current={subject === one ? 'page' : undefined}>{one}</a
      >
    {/each}
  </nav>
  {#if key || by}
    <p class="soft">
      {#if key}of <b class="figure">{key}</b>{/if}
      {#if by}by <b>{by}</b>{/if}
      <a href={address({ key: '', by: '' })} use:link>Show all</a>
    </p>
  {/if}
  {#if away}
    <Away title="The changes cannot be shown" why={away} onretry={() => load(subject, key, by)} />
  {:else if !lines}
    <InlineLoading description="Looking" />
  {:else}
    <ol class="card rows">
      {#each lines as line (line.id)}
        {@const path = pathOf(line)}
        <li>
          <span class="when figure">{moment(line.at)}</span>
          <span class="who"
            >{#if line.by}<a href={address({ by: line.by })} use:link>{line.by}</a>{:else}<span class="soft"
                >Jolly Chain</span
              >{/if}</span
          >
          <span class="what">
            <a href={path ?? address({ subject: line.subject, key: line.key })} use:link
              >{line.subject}{line.subject === 'policy' ? '' : ` ${shortKey(line.key)}`}</a
            >
            <b>{line.act.replaceAll('_', ' ')}</b>
            <small class="soft">{line.told}</small>
          </span>
        </li>
      {:else}
        <li class="soft">Nothing yet.</li>
      {/each}
    </ol>
    {#if more}
      <button type="button" class="quiet-button" onclick={() => load(subject, key, by, lines?.at(-1)?.id)}
        >Older ones</button
      >
    {/if}
  {/if}
</div>

<style>
  .plain-page {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 1.25rem;
    font-size: 0.875rem;
  }
  nav a {
    color: var(--ink-soft);
    text-decoration: none;
    padding: 4px 0;
    border-bottom: 2px solid transparent;
  }
  nav a[aria-current] {
    color: var(--ink);
    border-color: var(--brass-line);
  }
  li {
    display: grid;
    grid-template-columns: 10.5rem 8rem minmax(0, 1fr);
    gap: 2px 1rem;
    padding: 8px 14px;
    font-size: 0.875rem;
    line-height: 1.4;
  }
  li a {
    color: var(--good);
    text-decoration: underline;
  }
  .what {
    overflow-wrap: anywhere;
  }
  small {
    display: block;
    font-size: 0.8125rem;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: auto 1fr;
    }
    .what {
      grid-column: 1 / -1;
    }
  }
</style>
