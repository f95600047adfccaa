import { Problem } from '../api/client';

/** The revision a text is written from. Saved over another's it is held up once; whoever has read that may save over it. */
export class Base {
  revision = $state<number>();
  /** What another changed meanwhile, as the lines of a unified diff. */
  theirs = $state.raw<string[]>([]);

  constructor(revision?: number) {
    this.revision = revision;
  }

  refused(why: unknown) {
    if (why instanceof Problem && why.status === 409) this.revision = undefined;
    this.theirs = why instanceof Problem ? why.changes : [];
  }
}
