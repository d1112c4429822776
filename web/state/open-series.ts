import { seriesEdits } from '#core/edits/difference';
import type { Edit } from '#core/edits/edit';
import { mergeThree } from '#core/edits/merge';
import type { Series } from '#core/model/series';
import { ApiFault, isUnreachable } from '../ground/api';

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
  /** Told of a refusal, and once when the server cannot be reached. */
  readonly fail: (error: unknown) => void;
}

const RETRY_MS = 4000;

/**
 * A series open for changes. Each change shows at once; they are sent one after another, each on top of what the server
 * last answered, so that quick changes do not hinder one another. What somebody else changed meanwhile is merged in; a
 * server that cannot be reached is tried again; what is refused is taken back.
 */
export class OpenSeries {
  private base: Version;
  private shown: Series;
  private sending: Promise<void> | undefined;
  private unreachable = false;

  constructor(
    loaded: Version,
    private readonly ways: Ways,
  ) {
    this.base = loaded;
    this.shown = loaded.document;
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
    this.sending ??= this.sendAll().finally(() => {
      this.sending = undefined;
    });
  }

  private async sendAll(): Promise<void> {
    for (;;) {
      const { shown, base } = this;
      const edits = seriesEdits(base.document, shown);
      if (edits.length === 0) break;
      try {
        const saved = await this.ways.send(base.version, edits);
        this.unreachable = false;
        this.base = saved;
        this.display(this.shown === shown ? saved.document : mergeThree(shown, this.shown, saved.document).merged);
      } catch (error) {
        await this.mend(error);
      }
    }
    this.ways.saved();
  }

  private async mend(error: unknown): Promise<void> {
    if (error instanceof ApiFault && error.fault.code === 'stale') {
      const theirs = error.fault.detail as Version;
      this.display(mergeThree(this.base.document, this.shown, theirs.document).merged);
      this.base = theirs;
    } else if (isUnreachable(error)) {
      if (!this.unreachable) this.ways.fail(error);
      this.unreachable = true;
      await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
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
