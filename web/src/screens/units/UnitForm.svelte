<script lang="ts">
  import { Modal, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, type Unit, reason } from '../../lib/api/client';
  import NotYet from '../../lib/controls/NotYet.svelte';

  /** A unit's plate and place. */
  let { unit, onclose, onkept }: { unit?: Unit; onclose: () => void; onkept: (unit: Unit) => unknown } =
    $props();

  const given = untrack(() => unit);
  let tag = $state(given?.tag ?? '');
  let title = $state(given?.title ?? '');
  let model = $state(given?.model ?? '');
  let serial = $state(given?.serial ?? '');
  let place = $state(given?.place ?? '');
  let error = $state('');
  let busy = $state(false);

  async function keep() {
    if (busy) return;
    if (tag.trim() === '') {
      error = 'Give it a tag, like LAU-2.';
      return;
    }
    busy = true;
    try {
      const version = given ? { version: given.version } : {};
      const kept = await api.keepUnit(tag.trim(), { title, model, serial, place, ...version });
      onclose();
      onkept(kept);
    } catch (e) {
      error = reason(e);
    } finally {
      busy = false;
    }
  }
</script>

<Modal
  open
  size="sm"
  modalHeading={given ? given.tag : 'New unit'}
  primaryButtonText="Keep"
  secondaryButtonText="Cancel"
  primaryButtonDisabled={busy}
  selectorPrimaryFocus={given ? '#unit-title' : '#unit-tag'}
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={keep}
>
  <NotYet {error} />
  <div class="fields">
    {#if !given}
      <TextInput
        id="unit-tag"
        labelText="Tag"
        placeholder="By which the shop calls it, like LAU-2"
        bind:value={tag}
        maxlength={20}
      />
    {/if}
    <TextInput
      id="unit-title"
      labelText="What it is"
      placeholder="Bunkhouse dryer"
      bind:value={title}
      maxlength={120}
    />
    <TextInput labelText="Model, from its plate" bind:value={model} maxlength={120} />
    <TextInput labelText="Serial number, from its plate" bind:value={serial} maxlength={120} />
    <TextInput labelText="Where it stands" bind:value={place} maxlength={120} />
  </div>
</Modal>

<style>
  .fields {
    display: grid;
    gap: 1rem;
  }
</style>
