<script lang="ts">
  import { Modal, TextInput } from 'carbon-components-svelte';
  import type { Failure } from '../JobSession.svelte';

  /** Why a piece of evidence no longer counts. Stays open, with the reason, until that is saved. */
  let {
    onstrike,
    onclose
  }: { onstrike: (why: string) => Promise<Failure | undefined>; onclose: () => void } = $props();

  let why = $state('');
  let error = $state('');
  let sending = $state(false);

  async function strike() {
    if (sending || why.trim() === '') return;
    sending = true;
    const failure = await onstrike(why);
    sending = false;
    if (failure) error = failure.why;
    else onclose();
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="Strike this out?"
  primaryButtonText="Strike out"
  secondaryButtonText="Keep it"
  primaryButtonDisabled={sending || why.trim() === ''}
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
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
</Modal>

<style>
  p:first-child {
    margin-bottom: 1rem;
  }
</style>
