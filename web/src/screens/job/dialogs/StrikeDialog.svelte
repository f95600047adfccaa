<script lang="ts">
  import { Modal, TextInput } from 'carbon-components-svelte';
  import type { Failure } from '../JobSession.svelte';
  import { Attempt } from './attempt.svelte';

  /** Why a piece of evidence no longer counts. Stays open, with the reason, until that is saved. */
  let {
    onstrike,
    onclose
  }: { onstrike: (why: string) => Promise<Failure | undefined>; onclose: () => void } = $props();

  let why = $state('');
  const attempt = new Attempt();

  function strike() {
    if (why.trim() !== '') void attempt.make(() => onstrike(why), onclose);
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="Strike this out?"
  primaryButtonText="Strike out"
  secondaryButtonText="Keep it"
  primaryButtonDisabled={attempt.sending || why.trim() === ''}
  selectorPrimaryFocus="#strike-why"
  shouldSubmitOnEnter
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={strike}
>
  <p>It stays visible with its reason and no longer counts.</p>
  <TextInput
    id="strike-why"
    labelText="Why"
    placeholder="probe slipped, wrong points, misread ..."
    bind:value={why}
    maxlength={500}
  />
  {#if attempt.error}<p class="failed" role="alert">{attempt.error}</p>{/if}
</Modal>

<style>
  p:first-child {
    margin-bottom: 1rem;
  }
</style>
