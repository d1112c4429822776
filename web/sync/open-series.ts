import { seriesEdits } from '#core/edits/difference';
import type { Edit } from '#core/edits/edit';
import { mergeThree } from '#core/edits/merge';
import type { Series } from '#core/model/series';
import { ApiFault } from '../ground/api';
import { isForLater } from './engine';

interface Version {
  readonly version: number;
  readonly document: Series;
}

interface Ways {
  /** Sends edits of a version; answers with the next one. */
  readonly send: (version: number, edits: readonly Edit[]) => Promise<Version>;
  readonly show: (series: Series) => void;
  /** Told when nothing is left to send. */
  readonly saved: () => void;
  /** Told of a refusal. */
  readonly fail: (error: unknown) => void;
  /** Keeps what is not sent yet where a reload does not lose it; nothing where all is sent. */
  readonly keep: (unsent: { readonly base: Version; readonly document: Series } | undefined) => void;
}

/**
 * A series open for changes. Each change shows at once; they are sent one after another, each on top of what the server
 * last answered, so that quick changes do not hinder one another. What somebody else changed meanwhile is merged in; a
 * server that cannot be reached is for whoever calls `send` to try again; what is refused is taken back.
 */
export class OpenSeries {
  private base: Version;
  private shown: Series;
  private sending: Promise<void> | undefined;

  constructor(
    loaded: Version,
    private readonly ways: Ways,
    /** What an earlier visit changed and never sent. */
    unsent: Series = loaded.document,
  ) {
    this.base = loaded;
    this.shown = unsent;
  }

  /** Takes what was loaded again, unless changes of one's own are on their way. */
  take(loaded: Version): void {
    if (this.sending || this.shown !== this.base.document || loaded.version <= this.base.version) return;
    this.base = loaded;
    this.display(loaded.document);
  }

  /** Turns `from`, as the person saw it, into `next`; changes made since `from` was shown stay. */
  change(from: Series, next: Series): void {
    this.display(this.shown === from ? next : mergeThree(from, next, this.shown).merged);
    this.ways.keep({ base: this.base, document: this.shown });
  }

  /** Sends what is not sent yet. Throws what keeps it from going for now. */
  send(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = undefined;
    });
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    let sent = false;
    for (;;) {
      const { shown, base } = this;
      const edits = seriesEdits(base.document, shown);
      if (edits.length === 0) break;
      sent = true;
      try {
        const saved = await this.ways.send(base.version, edits);
        this.base = saved;
        this.display(this.shown === shown ? saved.document : mergeThree(shown, this.shown, saved.document).merged);
      } catch (error) {
        this.mend(error);
      }
    }
    this.ways.keep(undefined);
    if (sent) this.ways.saved();
  }

  private mend(error: unknown): void {
    if (error instanceof ApiFault && error.fault.code === 'stale') {
      const theirs = error.fault.detail as Version;
      this.display(mergeThree(this.base.document, this.shown, theirs.document).merged);
      this.base = theirs;
    } else if (isForLater(error)) {
      throw error;
    } else {
      this.ways.fail(error);
      this.display(this.base.document);
    }
  }

  private display(series: Series): void {
    this.shown = series;
    this.ways.show(series);
  }
}
