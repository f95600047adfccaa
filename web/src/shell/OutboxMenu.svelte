<script lang="ts">
  import { link } from 'svelte-spa-router';
  import { ago } from '../lib/format/format';
  import { outbox, type Waiting } from '../lib/outbox/outbox.svelte';
  import { session } from '../lib/session/session.svelte';
  import DropDown from './DropDown.svelte';

  /** What the server has not had yet, and what it would not have. */
  let open = $state(false);

  const refused = $derived(outbox.waiting.filter((w) => w.refused).length);

  const said = ({ evidence: e, told }: Waiting) =>
    e
      ? [e.across ?? [e.red, e.black].filter(Boolean).join('–'), e.observation, e.part, e.value]
          .filter(Boolean)
          .join(' ')
      : `${told?.kind ?? ''} ${told?.subject ?? ''} ${told?.value ?? ''}`;
</script>

{#if outbox.waiting.length > 0}
  <DropDown
    label={refused > 0 ? `${refused} refused` : `${outbox.waiting.length} waiting`}
    look={refused > 0 ? 'alarm' : 'badge'}
    bind:open
  >
    {#if outbox.away}<p class="soft">{outbox.away}</p>{/if}
    {#if outbox.full}
      <p class="failed">
        This device has no room left for what waits: keep this page open until it is sent, or make room.
      </p>
    {/if}
    <ul aria-label="Entries that wait">
      {#each outbox.waiting as w (w.id)}
        <li>
          {#if w.job}
            <a href={`/jobs/${w.job}`} use:link onclick={() => (open = false)}>{w.unit}</a>
            <span class="figure">{said(w)}</span>
          {/if}
          <small class="soft"
            >{ago(w.since)}{w.by && w.by !== session.me?.login ? `, waits for ${w.by}` : ''}</small
          >
          {#if w.refused}
            <p class="failed">{w.refused}</p>
            <button type="button" class="quiet-button" onclick={() => outbox.drop(w.id)}>Drop it</button>
          {/if}
        </li>
      {/each}
    </ul>
    {#each Object.entries(outbox.others) as [login, count] (login)}
      <p class="soft">{count} {count === 1 ? 'waits' : 'wait'} for {login}, who signs in here.</p>
    {/each}
    <button type="button" class="quiet-button" onclick={() => outbox.soon(0)}>Try now</button>
  </DropDown>
{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    padding: 8px 0;
    border-bottom: 1px solid var(--line);
    line-height: 1.4;
  }
  a {
    color: var(--good);
    margin-right: 0.5rem;
  }
  small {
    display: block;
  }
  .failed {
    padding-top: 2px;
  }
</style>
