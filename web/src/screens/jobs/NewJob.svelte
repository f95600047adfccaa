<script lang="ts">
  import { typed } from '../../lib/device/typed';
  import {
    Modal,
    RadioButton,
    RadioButtonGroup,
    Select,
    SelectItem,
    TextInput
  } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import {
    api,
    type JobSummary,
    type NewJob,
    Problem,
    type Sheet,
    type SheetSummary,
    type Unit,
    reason
  } from '../../lib/api/client';
  import { shortFor } from './tags';
  import FindSheet from './FindSheet.svelte';
  import { Pending } from '../../lib/input/pending';
  import { session } from '../../lib/session/session.svelte';
  import InTheirWords from '../../lib/input/InTheirWords.svelte';
  import NotYet from '../../lib/controls/NotYet.svelte';

  /** A new job in three fields: which unit, what is wrong, what is permitted. */
  let {
    tag: given = '',
    sheet: made = '',
    follows = undefined,
    onclose
  }: {
    tag?: string;
    /** The key of a sheet made for it. */
    sheet?: string;
    /** The visit that this one follows. */
    follows?: string | undefined;
    onclose: () => void;
  } = $props();

  const DRAFT = 'new job';
  const pending = new Pending<NewJob>('pending job');
  const draft = typed.read<{ tag?: string; title?: string }>(DRAFT) ?? {};

  let units = $state.raw<Unit[]>([]);
  let sheets = $state.raw<SheetSummary[]>([]);
  let jobs = $state.raw<JobSummary[]>([]);
  let sheet = $state.raw<Sheet>();
  let tag = $state(untrack(() => given) || (draft.tag ?? ''));
  let title = $state(draft.title ?? '');
  let sheetKey = $state(untrack(() => made));
  /** Nothing is chosen for who opens it: the complaint orders all suspects. */
  const NOT_CHOSEN = '?';
  let complaint = $state(NOT_CHOSEN);
  let complaintField = $state<HTMLSelectElement | null>(null);
  let words = $state('');
  let permit = $state<'isolated' | 'live'>('isolated');
  let technician = $state('');
  const apprentice = $derived(session.me?.role === 'apprentice');
  let finding = $state(false);
  let error = $state('');
  let busy = $state(false);

  const revision = $derived(sheets.find((s) => s.key === sheetKey));
  /** The tag that is meant as typed: a new unit's. */
  let asTyped = $state('');
  const known = $derived(
    units.find((u) => u.tag === tag.trim().toUpperCase()) ??
      (asTyped === tag.trim() ? undefined : shortFor(tag, units))
  );

  let sheetLoaded: Promise<unknown> = Promise.resolve();

  const listed = Promise.all([api.units(), api.sheets(), api.jobs()])
    .then(([allUnits, allSheets, recent]) => {
      units = allUnits;
      jobs = recent.jobs;
      // what was saved though its answer was lost is in the list by now
      if (jobs.some((j) => j.job.id === pending.get()?.id)) pending.settled();
      sheets = allSheets;
    })
    .catch((e: unknown) => (error = reason(e)));

  // whoever goes to write a sheet first finds the unit typed in again
  $effect(() => typed.write(DRAFT, { tag, title }));

  // a unit keeps the sheet it was last worked on with
  $effect(() => {
    const last = jobs.find((j) => j.job.unitTag === known?.tag)?.job.sheetKey;
    if (!made && last && sheets.some((s) => s.key === last)) sheetKey = last;
  });

  $effect(() => {
    const of = revision;
    if (!of) {
      sheet = undefined;
      complaint = NOT_CHOSEN;
      return;
    }
    sheetLoaded = api
      .sheet(of.key, of.revision)
      .then((loaded) => {
        sheet = loaded;
        // what was chosen meanwhile stays where this sheet has it
        if (complaint !== '' && !(complaint in loaded.complaints)) complaint = NOT_CHOSEN;
      })
      .catch((e: unknown) => (error = reason(e)));
  });

  /** Once it is chosen, Enter opens the job and not the list again. */
  function onComplaintKey(event: KeyboardEvent) {
    if (event.key !== 'Enter' || complaint === NOT_CHOSEN) return;
    event.preventDefault();
    void open();
  }

  async function open() {
    if (busy) return;
    if (tag.trim() === '') {
      error = 'Which unit? Type its tag, like LAU-2.';
      return;
    }
    busy = true;
    try {
      // fingers may be faster than the lists
      await listed;
      if (known) tag = known.tag;
      await tick();
      await sheetLoaded;
      if (sheetKey === '') {
        error = 'Choose the sheet of its circuit: probes are planned and weighed on it.';
        return;
      }
      if (complaint === NOT_CHOSEN) {
        error = 'What does the customer see? Choose it, or that it was not told.';
        // not while the key is down that opened the job: it would open the list
        setTimeout(() => complaintField?.focus(), 50);
        return;
      }
      const job: NewJob = {
        tag,
        sheet: sheetKey,
        complaint,
        permit,
        ...(words.trim() ? { customerWords: words.trim() } : {}),
        technician: technician.trim(),
        ...(follows ? { follows } : {}),
        ...(known ? {} : { unitTitle: title })
      };
      const id = pending.idOf(job);
      await api.openJob(id, job);
      pending.settled();
      typed.set(DRAFT, '');
      onclose();
      await push(`/jobs/${id}`);
    } catch (e) {
      error = reason(e);
      if (e instanceof Problem && !e.passing) pending.settled();
    } finally {
      busy = false;
    }
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="New job"
  primaryButtonText="Open the job"
  secondaryButtonText="Cancel"
  primaryButtonDisabled={busy}
  selectorPrimaryFocus="#new-tag"
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={open}
>
  <NotYet {error} />
  <div class="fields">
    <TextInput
      id="new-tag"
      labelText="Unit"
      placeholder="Tag, like LAU-2"
      list="known-units"
      bind:value={tag}
      maxlength={20}
      helperText={known
        ? `${known.tag === tag.trim().toUpperCase() ? '' : `${known.tag}: `}${known.title}, ${known.place}`
        : tag.trim()
          ? 'A new unit.'
          : ''}
    />
    <datalist id="known-units">
      {#each units as unit (unit.id)}<option value={unit.tag}>{unit.title}</option>{/each}
    </datalist>
    {#if known && known.tag !== tag.trim().toUpperCase()}
      <p>
        <button type="button" class="quiet-button" onclick={() => (asTyped = tag.trim())}
          >No, {tag.trim().toUpperCase()} is a new unit</button
        >
      </p>
    {/if}
    {#if tag.trim() && !known}
      <TextInput labelText="What it is" placeholder="Bunkhouse dryer" bind:value={title} maxlength={120} />
    {/if}
    <Select labelText="Circuit sheet" bind:selected={sheetKey}>
      <SelectItem value="" text="Choose the one wired like this unit" />
      {#each sheets as s (s.key)}<SelectItem value={s.key} text={s.title} />{/each}
    </Select>
    {#if sheetKey === ''}
      {#if finding}
        <FindSheet
          onchosen={(key) => {
            sheetKey = key;
            finding = false;
          }}
        />
      {/if}
      <p class="soft">
        {#if !finding}<button type="button" class="quiet-button" onclick={() => (finding = true)}
            >Find it by three answers</button
          >.
        {/if}
        No sheet fits? <a href="/sheets/type?job" use:link>Type its chain</a>, then go on here: the unit is
        kept.
      </p>
    {/if}
    <div class="customer" role="presentation" onkeydown={onComplaintKey}>
      <Select
        labelText="What the customer sees"
        disabled={!sheet}
        bind:selected={complaint}
        bind:ref={complaintField}
      >
        <SelectItem value={NOT_CHOSEN} text={sheet ? 'Choose' : 'Choose the circuit sheet first'} />
        {#each Object.values(sheet?.complaints ?? {}) as c (c.id)}<SelectItem
            value={c.id}
            text={c.title}
          />{/each}
        <SelectItem value="" text="Something else, or not told" />
      </Select>
      <InTheirWords
        labelText="In the customer's words (optional)"
        sheet={revision}
        bind:words
        onread={(meant) => (complaint = meant)}
      />
    </div>
    {#if session.lead}
      <TextInput
        labelText="Who does it"
        placeholder={session.me?.name ?? ''}
        bind:value={technician}
        maxlength={60}
        autocomplete="off"
      />
    {/if}
    <RadioButtonGroup legendText="Permit" bind:selected={permit}>
      <RadioButton labelText="Isolated only" value="isolated" />
      <RadioButton labelText="Live permitted" value="live" disabled={apprentice} />
    </RadioButtonGroup>
    <p class="soft">
      {#if apprentice}A lead may permit live work on the job, in its plan.{/if}
      Live probing is for people qualified and permitted to do it. Local codes and the maker's sheet come first.
    </p>
  </div>
</Modal>

<style>
  .customer {
    display: grid;
    gap: 0.75rem;
  }
  .customer :global(.bx--label--disabled),
  .customer :global(select:disabled) {
    color: var(--ink-soft);
  }
  .fields {
    display: grid;
    gap: 1.1rem;
  }
  p {
    font-size: 0.8125rem;
  }
  p button {
    padding: 0;
    font-size: inherit;
  }
  a {
    color: var(--good);
  }
</style>
