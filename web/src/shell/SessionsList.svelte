<script lang="ts">
  import { api, type OwnSession, reason } from '../lib/api/client';
  import { ago } from '../lib/format/format';

  /** Where one is signed in; each can be ended. */
  let sessions = $state.raw<OwnSession[]>();
  let error = $state('');

  const show = (list: Promise<OwnSession[]>) =>
    list.then(
      (all) => {
        sessions = all;
        error = '';
      },
      (e: unknown) => (error = reason(e))
    );
  show(api.sessions());
</script>

<ul>
  {#each sessions ?? [] as s (s.id)}
    <li>
      <span
        ><b>{s.device || 'unknown device'}</b>{s.here ? ', this one' : ''}
        <small class="soft">from {s.address}; signed in {ago(s.since)}, last used {ago(s.lastUsed)}</small
        ></span
      >
      {#if !s.here}
        <button type="button" class="quiet-button" onclick={() => show(api.endSession(s.id))}>End it</button>
      {/if}
    </li>
  {/each}
</ul>
{#if error}<p class="failed" role="alert">{error}</p>{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    min-height: 52px;
    border-bottom: 1px solid var(--line);
  }
  small {
    display: block;
  }
</style>
