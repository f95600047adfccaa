<script lang="ts">
  import { api, type FactorSetup, reason } from '../lib/api/client';
  import Field from '../lib/controls/Field.svelte';
  import { session } from '../lib/session/session.svelte';

  /** Sets up one's own second factor: scan, type the code once, keep the recovery codes. */
  let { ondone }: { ondone: () => void } = $props();

  let setup = $state.raw<FactorSetup>();
  let recovery = $state.raw<string[]>();
  let code = $state('');
  let error = $state('');
  let busy = $state(false);

  api.beginFactor().then(
    (begun) => (setup = begun),
    (e: unknown) => (error = reason(e))
  );

  async function confirm(event: SubmitEvent) {
    event.preventDefault();
    if (busy) return;
    busy = true;
    error = '';
    try {
      recovery = (await api.confirmFactor(code)).codes;
    } catch (e) {
      error = reason(e);
    } finally {
      busy = false;
    }
  }

  async function done() {
    await session.load().catch(() => undefined);
    ondone();
  }
</script>

{#if recovery}
  <p>
    From now on a code is asked for when you sign in. Write these recovery codes down and keep them away from
    the phone: each lets you in once if the phone is lost. They are not shown again.
  </p>
  <ul class="figure" aria-label="Recovery codes">
    {#each recovery as c (c)}<li>{c}</li>{/each}
  </ul>
  <button type="button" class="main-button" onclick={done}>I have written them down</button>
{:else if setup}
  <p>Scan this with an authenticator program on your phone, or type the secret into it.</p>
  <svg viewBox={`0 0 ${setup.size} ${setup.size}`} role="img" aria-label="QR code of the secret">
    <rect width={setup.size} height={setup.size} fill="#fff" />
    <path d={setup.path} fill="#000" />
  </svg>
  <p class="on-phone"><a href={setup.uri}>On this phone: open it in the authenticator</a></p>
  <p class="figure secret">{setup.secret.replace(/(.{4})/g, '$1 ').trim()}</p>
  <form onsubmit={confirm}>
    <Field
      label="Code that it shows now"
      required
      inputmode="numeric"
      autocomplete="one-time-code"
      maxlength={8}
      bind:value={code}
    />
    <button class="main-button" type="submit" disabled={busy}>Turn it on</button>
  </form>
{/if}
{#if error}<p class="failed" role="alert">{error}</p>{/if}

<style>
  p {
    font-size: 0.9375rem;
    line-height: 1.4;
    padding-bottom: 10px;
  }
  svg {
    display: block;
    width: 200px;
    height: 200px;
    margin: 0 auto 10px;
    shape-rendering: crispEdges;
  }
  p {
    max-width: none;
  }
  a {
    color: var(--good);
  }
  .on-phone {
    text-align: center;
  }
  @media (min-width: 672px) {
    .on-phone {
      display: none;
    }
  }
  .secret {
    text-align: center;
    overflow-wrap: anywhere;
  }
  ul {
    list-style: none;
    margin: 0 0 14px;
    padding: 12px 16px;
    columns: 2;
    line-height: 1.8;
    background: var(--field);
  }
  form {
    display: flex;
    gap: 12px;
    align-items: end;
  }
</style>
