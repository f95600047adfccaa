import {
  api,
  type BenchAnswer,
  type Entry,
  type Evidence,
  type JobView,
  type Meter,
  type PathTests,
  type Policy,
  Problem,
  type Proposal,
  type Seen,
  type Sheet,
  type Told,
  type VisitKind,
  reason
} from '../../lib/api/client';
import { nowIso } from '../../lib/format/format';
import { typed as kept } from '../../lib/device/typed';
import { outbox } from '../../lib/outbox/outbox.svelte';
import { session as atWork } from '../../lib/session/session.svelte';
import type { Taken } from '../../lib/input/shortcuts';
import {
  asEvidence,
  type Choice,
  chosenProbe,
  functionsOf,
  inState,
  type How,
  PLAIN,
  proposed,
  readsOhms,
  SUPPLY
} from './steps/walk/probe';

/** What is decided by what the job shows. */
const RESTS_ON_THE_JOB: VisitKind[] = ['renewed', 'proved'];

/** A reading alone, without points or a part in front. */
const BARE = /^\s*([-.<>~]?\d.*|ol|open|infinity|short|beeps?|no beep)\s*$/i;

/** After which it is looked again whether the last change is through. */
const SHORT_MS = 40;

export type Step = JobView['visit']['progress'][number]['step'];

/** The one that follows in a list, the first behind the last. */
function after<T>(all: T[], now: T): T {
  return all[(all.indexOf(now) + 1) % all.length] ?? now;
}

/** Why a change was not made, and whether the same would be refused again. */
export interface Failure {
  why: string;
  final: boolean;
  /** Whether it is taken once it is confirmed. */
  unlikely?: boolean;
}

/**
 * One job as it is worked on: what the server says of it, what is chosen and typed and not sent yet, and the one
 * way by which it changes. It draws nothing.
 */
export class JobSession {
  view = $state.raw<JobView>();
  sheet = $state.raw<Sheet>();
  meters = $state.raw<Meter[]>([]);
  /** Why the job cannot be shown. */
  missing = $state('');
  pathIndex = $state(0);
  /** A link and way of one's own choice, in place of what is proposed. */
  own = $state.raw<Choice>();
  /** Another of the proposals, in place of the first. */
  instead = $state.raw<Proposal>();
  how = $state<How>({ ...PLAIN });
  /** The step of the visit that is looked at. */
  step = $state<Step>('walk');
  /** What is wrong with the reading that was logged last. */
  error = $state('');
  busy = $state(false);
  /** Whether the job was changed from elsewhere since something was done here. */
  elsewhere = $state(false);

  #pathTests = $state.raw<PathTests[]>([]);
  #draft = $state('');

  readonly path = $derived(this.view?.assessment.paths[this.pathIndex]);
  readonly tests = $derived(this.#pathTests.find((t) => t.path === this.path?.id));
  // eslint-disable-next-line svelte/prefer-svelte-reactivity -- made anew with every view, never changed
  readonly parts = $derived(new Map(this.view?.assessment.parts.map((p) => [p.id, p]) ?? []));
  /** Whether the step that is looked at takes readings. */
  readonly measuring = $derived(['walk', 'confirm'].includes(this.step));
  readonly live = $derived(this.view?.job.permit === 'live');
  readonly closed = $derived(this.view?.job.closedAt !== undefined || this.view?.job.struckAt !== undefined);
  readonly proposal = $derived(this.instead ?? this.view?.plan.next[0]);
  readonly probe = $derived.by(() => {
    if (!this.path || !this.sheet) return undefined;
    if (this.own) return chosenProbe(this.tests, this.own);
    return this.proposal?.kind === 'measure' ? proposed(this.proposal, this.sheet) : undefined;
  });
  /** The link that the next reading bears on, or the supply. */
  readonly chosen = $derived(
    this.own?.riser ?? this.path?.risers.findIndex((r) => r.part === this.proposal?.across) ?? SUPPLY
  );

  constructor(readonly id: string) {
    this.#draft = kept.get(this.#draftKey);
  }

  get #draftKey(): string {
    return `draft ${this.id}`;
  }

  /** What is typed; it survives a reload until it is logged. */
  get draft(): string {
    return this.#draft;
  }

  set draft(typed: string) {
    this.#draft = typed;
    kept.set(this.#draftKey, typed);
  }

  async load(): Promise<void> {
    this.missing = '';
    try {
      const loaded = await api.job(this.id);
      const { sheetKey, sheetRevision } = loaded.job;
      [this.sheet, this.#pathTests, this.meters] = await Promise.all([
        api.sheet(sheetKey, sheetRevision),
        api.tests(sheetKey, sheetRevision),
        api.meters()
      ]);
      // what was sent meanwhile has shown a later one
      if (loaded.job.changes >= (this.view?.job.changes ?? 0)) this.#shown(loaded);
      void this.#lookIfHeard();
      // a reading that was typed before the page was left has its field again
      if (this.draft && !this.probe) this.selectLeast();
    } catch (e) {
      this.missing = reason(e);
    }
  }

  /** One change at a time: what an older answer shows must not take the place of a newer one. */
  async send(change: () => Promise<JobView>): Promise<Failure | undefined> {
    if (this.busy) return { why: 'The last change is still on its way.', final: false };
    this.busy = true;
    this.error = '';
    try {
      this.#shown(await change());
      return undefined;
    } catch (e) {
      // another's change that it rests on is shown, so that the same may be decided anew
      if (e instanceof Problem && e.status === 409) this.#heard ||= 'changed';
      return {
        why: reason(e),
        final: e instanceof Problem && !e.passing,
        unlikely: e instanceof Problem && e.needs === 'confirmed'
      };
    } finally {
      this.busy = false;
      void this.#lookIfHeard();
    }
  }

  /** The job as it is looked at, which what is decided rests on. */
  get #seen(): Seen {
    const { version = 0, changes = 0 } = this.view?.job ?? {};
    return { version, changes };
  }

  #shown(view: JobView): void {
    // a job opens where its work begins
    const opens = !this.view;
    this.view = view;
    if (opens && this.arriving) this.step = 'arrive';
    this.back();
    const across = view.plan.next[0]?.across;
    const shows = view.assessment.paths.findIndex((p) => p.risers.some((r) => r.part === across));
    if (across && shows >= 0 && !this.path?.risers.some((r) => r.part === across)) this.pathIndex = shows;
  }

  /** Adds evidence; where the server cannot be reached it waits in the outbox. */
  answer(evidence: Evidence): Promise<boolean> {
    return this.#enter({ evidence });
  }

  async #enter(said: { evidence?: Evidence; told?: Told }): Promise<boolean> {
    if (this.busy || this.closed || !this.view) return false;
    this.busy = true;
    this.error = '';
    this.elsewhere = false;
    try {
      const view = await outbox.send({
        id: crypto.randomUUID(),
        job: this.id,
        unit: this.view.job.unitTag,
        by: atWork.me?.login ?? '',
        since: nowIso(),
        ...said
      });
      if (view) this.#shown(view);
      return true;
    } catch (e) {
      this.error = (said.evidence && this.#otherPower(e)) || reason(e);
      return false;
    } finally {
      this.busy = false;
      void this.#lookIfHeard();
    }
  }

  /**
   * What is read without power was typed beside a state with it, or the other way round: a state of the right kind is
   * chosen, where all see it, and the next Enter logs it so.
   */
  #otherPower(e: unknown): string {
    const { probe, sheet, how, view } = this;
    if (!(e instanceof Problem && e.fields.situation) || !probe || !sheet || !view) return '';
    const on = !sheet.situations[how.situation || probe.situation]?.supplyOn;
    const fits = (id?: string) => id !== undefined && sheet.situations[id]?.supplyOn === on;
    const state = [
      view.evidence.findLast((x) => !x.struckAt && fits(x.item.situation))?.item.situation,
      sheet.complaints[view.job.complaint]?.situation,
      on ? undefined : Object.keys(sheet.situations).find(fits)
    ].find(fits);
    if (state === undefined) return '';
    inState(sheet, probe, how, state);
    return `That is read with the power ${on ? 'on' : 'off'}. Enter logs it in the state "${sheet.situations[state]?.title}"; choose another if it was another.`;
  }

  /** Entries of this job that wait for the server. */
  readonly waiting = $derived.by(() => outbox.of(this.id));

  /**
   * Follows what others do to the job, and what goes out of the outbox for it, while the page is looked at.
   *
   * @returns how to stop
   */
  follow(): () => void {
    const stop = outbox.onSent((job, view) => {
      if (job === this.id) this.#changed(view);
    });
    let stream: EventSource | undefined;
    const listen = () => {
      stream?.close();
      stream = undefined;
      if (document.hidden || typeof EventSource === 'undefined') return;
      stream = new EventSource(`/api/jobs/${this.id}/changes`);
      stream.addEventListener('changed', (e) => {
        this.#heard = e.data as string;
        void this.#lookIfHeard();
      });
    };
    document.addEventListener('visibilitychange', listen);
    listen();
    return () => {
      stop();
      stream?.close();
      document.removeEventListener('visibilitychange', listen);
    };
  }

  /** The mark that was told last and is not looked at yet. */
  #heard = '';

  /** The job is another than the one shown: what somebody has chosen and typed here stays as it is. */
  async #lookIfHeard(): Promise<void> {
    const { job } = this.view ?? {};
    // what is on its way is looked at first; it calls again
    if (!job || this.busy || !this.#heard) return;
    const mark = this.#heard;
    this.#heard = '';
    if (mark === `${job.version}.${job.changes}`) return;
    try {
      const now = await api.job(this.id);
      if (
        now.job.changes > (this.view?.job.changes ?? 0) ||
        now.job.version > (this.view?.job.version ?? 0)
      ) {
        this.#changed(now);
        this.elsewhere = true;
      }
    } catch {
      // the stream tells again once it is back
    }
  }

  #changed(view: JobView): void {
    if (this.own || this.instead) this.view = view;
    else this.#shown(view);
  }

  /** Goes on with what is typed anywhere; where nothing is to be measured, its place has still to be told. */
  startTyping(typed: string): void {
    this.draft += typed;
    if (this.probe) return;
    this.selectLeast();
    this.#nowhere = true;
  }

  /** Whether somebody began to type though no probe was proposed or chosen. */
  #nowhere = false;

  /** Logs what the meter shows at the probe. */
  async log(typed = this.draft): Promise<boolean> {
    if (!this.probe || this.busy || this.closed) return false;
    if (typed.trim() === '') {
      this.error = `Type what the meter shows, like ${this.probe.unit === 'Ω' ? '0.2 or OL' : '119.8'}.`;
      return false;
    }
    if (this.#nowhere && BARE.test(typed)) {
      this.draft = typed;
      this.error = `Where was ${typed.trim()} read? Put its points or its part in front, or choose a link in the chain.`;
      return false;
    }
    if (this.#wiresNotTold(typed)) return false;
    const logged = await this.answer(asEvidence(this.probe, typed, this.how));
    if (logged) this.draft = '';
    return logged;
  }

  /** Where a wire was to come off, it is said once that nobody told whether it did. */
  #wiresNotTold(typed: string): boolean {
    const { probe, how } = this;
    if (
      !readsOhms(probe, how) ||
      !probe?.liftedAt?.length ||
      how.freed ||
      this.#wiresAsked ||
      !/^\s*(\d|\.|o)/i.test(typed)
    ) {
      return false;
    }
    this.draft = typed;
    this.#wiresAsked = true;
    this.error = `Is the wire off at ${probe.liftedAt.join(' and ')}? Tick it if it is (w); log again if it is on.`;
    return true;
  }

  /** Whether that was said of this probe. */
  #wiresAsked = false;

  /** Goes on by the newest revision of its sheet. */
  async move(): Promise<Failure | undefined> {
    if (!this.view) return undefined;
    const { newestRevision } = this.view;
    const failure = await this.send(() => api.moveJob(this.id, newestRevision, this.#seen));
    if (!failure) await this.load();
    return failure;
  }

  async plan(permit: string, policy: Policy): Promise<Failure | undefined> {
    return this.send(() => api.planJob(this.id, permit, policy, this.#seen));
  }

  /** Looks at a step; nothing that was typed is lost. */
  show(step: Step): void {
    this.step = step;
    this.error = '';
  }

  /** The step after, or the one before. */
  turn(by: 1 | -1): void {
    const steps = this.view?.visit.progress.map((p) => p.step) ?? [];
    const to = steps[steps.indexOf(this.step) + by];
    if (to) this.show(to);
  }

  /** Where the work goes on once the fault is found. */
  readonly onward = $derived(
    this.view?.visit.progress.find(
      (p) => p.state === 'here' && !['supply', 'walk', 'confirm'].includes(p.step)
    )
  );

  /** The check of the guide that comes next, where nothing is left to ask of the circuit. */
  readonly causeCheck = $derived(
    !this.proposal && !this.probe && this.onward?.step === 'cause'
      ? this.view?.visit.cause.next[0]
      : undefined
  );

  /** Tells something of the visit; where the server cannot be reached it waits in the outbox. */
  async tell(kind: VisitKind, subject: string, value: string): Promise<boolean> {
    const at = this.onward?.step;
    const { arriving } = this;
    // what waits before it changes the job by one each
    const seen = this.#seen.changes + this.waiting.filter((w) => !w.refused).length;
    const rests = RESTS_ON_THE_JOB.includes(kind) ? { changes: seen } : {};
    const told = await this.#enter({ told: { kind, subject, value, ...rests } });
    if (this.step === 'arrive' && arriving && !this.arriving) this.show('walk');
    if (told && kind === 'stays') this.show('walk');
    // what was the last of a step leads on to the next; a cause is also asked for on the walk
    const here = this.step === at || (this.measuring && at === 'cause');
    if (here && this.onward && this.onward.step !== at) this.show(this.onward.step);
    return told;
  }

  /** Whether the work is still on arrival. */
  readonly arriving = $derived(
    this.view?.visit.progress.some((p) => p.step === 'arrive' && p.state === 'here') ?? false
  );

  /** Cautions read, and what is simple and was not answered passed over on purpose. */
  async arrived(): Promise<void> {
    for (const hazard of this.view?.visit.hazards ?? []) {
      if (hazard.answer === '' && !(await this.tell('read', hazard.id, ''))) return;
    }
    if (this.arriving) await this.tell('passed', 'arrive', '');
    this.show('walk');
  }

  /** Keeps what a plate, a part or a paper says; what is unlikely only once it is confirmed. */
  async keepFact(part: string, said: string, confirmed: boolean): Promise<Failure | undefined> {
    if (!this.view) return undefined;
    const { unitTag, sheetKey } = this.view.job;
    return this.#told(() =>
      api.keepFact(unitTag, crypto.randomUUID(), { sheet: sheetKey, part, said, confirmed })
    );
  }

  async strikeFact(id: string): Promise<Failure | undefined> {
    const tag = this.view?.job.unitTag ?? '';
    return this.#told(() => api.strikeFact(tag, id, 'Typed by mistake'));
  }

  /** What is known of the unit changes what follows from all that was read. */
  async #told(change: () => Promise<unknown>): Promise<Failure | undefined> {
    // plates are typed faster than a job is assessed: one waits for the other
    while (this.busy) await new Promise((r) => setTimeout(r, SHORT_MS));
    const failure = await this.send(async () => {
      await change();
      return api.job(this.id);
    });
    return failure;
  }

  /** A check of the bench; nothing of it is kept. */
  check(key: string, typed: Record<string, string>): Promise<BenchAnswer> {
    return api.check(key, typed);
  }

  async close(as: string, outcome: string): Promise<boolean> {
    const failure = await this.send(() => api.closeJob(this.id, as, outcome, this.#seen));
    this.error = failure?.why ?? '';
    return !failure;
  }

  async skip(): Promise<void> {
    const { proposal } = this;
    if (!this.own && proposal) await this.#without('skipped', proposal.id);
  }

  async unreachable(point: string): Promise<void> {
    await this.#without('unreachable', point);
  }

  async #without(list: 'skipped' | 'unreachable', item: string): Promise<void> {
    if (!this.view || this.closed) return;
    const { policy, job } = this.view;
    const failure = await this.plan(job.permit, { ...policy, [list]: [...(policy[list] ?? []), item] });
    this.error = failure?.why ?? '';
  }

  async strike(entry: Entry, why: string): Promise<Failure | undefined> {
    return this.send(() => api.strike(this.id, entry.id, why));
  }

  async importCsv(table: string): Promise<void> {
    const failure = await this.send(() => api.importEvidence(this.id, table));
    this.error = failure?.why ?? '';
  }

  /** Back to what is proposed first. */
  back(): void {
    this.own = undefined;
    this.instead = undefined;
    this.#asAsked();
  }

  propose(instead: Proposal): void {
    this.instead = instead;
    this.#asAsked();
  }

  choose(own: Choice): void {
    this.own = own;
    this.#nowhere = false;
    this.error = '';
    this.#asAsked();
  }

  /** Another probe is taken in its own way, with the same meter. */
  #asAsked(): void {
    this.#wiresAsked = false;
    const { celsius = '', reseated = false } = this.probe ?? {};
    this.how = { ...PLAIN, meter: this.how.meter, celsius, reseated };
  }

  /** Another way to take the reading: the next function, state or meter, or the wires off or on. */
  takeOtherwise(what: Taken): void {
    const { probe, sheet, how } = this;
    if (!probe || !sheet) return;
    if (what === 'wires') how.freed = !how.freed;
    else if (what === 'function')
      how.function = after(functionsOf(sheet, probe), how.function || probe.function);
    else if (what === 'state')
      inState(sheet, probe, how, after(Object.keys(sheet.situations), how.situation || probe.situation));
    else how.meter = after(['', ...this.meters.filter((m) => !m.retired).map((m) => m.id)], how.meter);
  }

  select(riser: number): void {
    this.choose({ riser, way: riser === SUPPLY ? 'drop' : this.live ? (this.own?.way ?? 'drop') : 'ohms' });
  }

  /** One link further along the chain, or back as far as there is something to measure. */
  along(by: 1 | -1): void {
    const last = (this.path?.risers.length ?? 1) - 1;
    this.select(Math.min(last, Math.max(this.#least, this.chosen + by)));
  }

  selectLeast(): void {
    this.select(Math.max(this.#least, this.chosen));
  }

  /** Without a permit the supply is not measured. */
  get #least(): number {
    return this.live ? SUPPLY : 0;
  }

  selectPart(part: string): void {
    const riser = this.path?.risers.findIndex((r) => r.part === part) ?? -1;
    if (riser >= 0) this.select(riser);
  }

  showPath(index: number): void {
    this.pathIndex = index;
    this.back();
  }
}
