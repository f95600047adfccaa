import { api, type SheetPreview, reason } from '../../lib/api/client';

const PAUSE = 150;

/** What a text is made of, in a situation and with a path first. */
type Look = (text: string, situation: string, path: string) => Promise<SheetPreview>;

/** A circuit being typed, as shorthand or whole, with what the server makes of it as one types. */
export class SketchDraft {
  text = $state('');
  preview = $state.raw<SheetPreview>();
  /** The text that the preview is of. */
  shown = $state('');
  error = $state('');
  /** The last that could be drawn; it stays while one types on. */
  drawn = $state.raw<SheetPreview>();
  #situation = '';
  #path = '';
  #asked = 0;
  readonly #look: Look;
  #waiting: ReturnType<typeof setTimeout> | undefined;

  constructor(text: string, look: Look = (...of) => api.previewShorthand(...of)) {
    this.text = text;
    this.#look = look;
    void this.look();
  }

  get current(): boolean {
    return this.shown === this.text;
  }

  /** Looks again once one has stopped typing. */
  typed(text: string): void {
    this.text = text;
    clearTimeout(this.#waiting);
    this.#waiting = setTimeout(() => void this.look(), PAUSE);
  }

  chooseSituation(id: string): void {
    this.#situation = id;
    void this.look();
  }

  choosePath(id: string): void {
    this.#path = id;
    void this.look();
  }

  /** Whether what is drawn is of an earlier text. */
  get stale(): boolean {
    return this.drawn !== this.preview;
  }

  async look(): Promise<void> {
    const mine = ++this.#asked;
    const text = this.text;
    try {
      const preview = await this.#look(text, this.#situation, this.#path);
      if (mine !== this.#asked) return;
      this.preview = preview;
      this.shown = text;
      this.error = '';
      if (preview.drawing) this.drawn = preview;
    } catch (e) {
      if (mine === this.#asked) this.error = reason(e);
    }
  }

  /** Writes something where it belongs: behind a link, or as lines of their own. */
  say(assumption: { line: number; column: number; say: string }): void {
    const lines = this.text.split('\n');
    const line = lines[assumption.line - 1];
    if (assumption.line === 0 || line === undefined) {
      this.typed(`${this.text.trimEnd()}\n${assumption.say}\n`);
      return;
    }
    const at = assumption.column - 1;
    lines[assumption.line - 1] = `${line.slice(0, at)} ${assumption.say}${line.slice(at)}`;
    this.typed(lines.join('\n'));
  }
}
