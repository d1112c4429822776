import { closeSync, fsyncSync, openSync } from 'node:fs';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** How the database writes to the disk; a test puts others in their place to pull the plug or to fill the disk. */
export interface DiskOps {
  /** Brings what was written to a file onto the disk itself; `path` is named for folders and files alike. */
  readonly sync: (path: string, file: number | undefined) => void;
  /** Runs before each write; throws an error with a code such as ENOSPC to refuse it. */
  readonly beforeWrite?: (path: string, file: number, bytes: number, position: number) => void;
}

const realDisk: DiskOps = {
  sync: (path, file) => {
    if (file !== undefined) return fsyncSync(file);
    const folder = openSync(path, 'r');
    try {
      fsyncSync(folder);
    } finally {
      closeSync(folder);
    }
  },
};

/** The parts of the database's own file layer that are reached into here. */
interface FileLayer {
  onAbort?: () => void;
  readonly FS: { readonly ErrnoError: new (errno: number) => Error };
  readonly NODEFS: {
    realPath(node: unknown): string;
    convertNodeCode(error: { code: string }): number;
    readonly stream_ops: {
      fsync?: (stream: Stream) => number;
      write(stream: Stream, buffer: Uint8Array, offset: number, length: number, position: number): number;
    };
  };
}

interface Stream {
  readonly node: unknown;
  readonly nfd?: number;
}

/**
 * The folder of the database. The file layer it builds on drops every request to sync; here each one reaches the disk,
 * so that what was committed is there after a power cut.
 */
export class SyncedFiles extends NodeFS {
  constructor(
    folder: string,
    private readonly onAbort: () => void,
    private readonly disk: DiskOps = realDisk,
  ) {
    super(folder);
  }

  override async init(...args: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const made = await super.init(...args);
    const hook = (layer: unknown) => this.hook(layer as FileLayer);
    made.emscriptenOpts.preRun = [...[made.emscriptenOpts.preRun ?? []].flat(), hook];
    return made;
  }

  private hook(layer: FileLayer): void {
    const { disk } = this;
    const { NODEFS, FS } = layer;
    const asErrno = <T>(work: () => T): T => {
      try {
        return work();
      } catch (error) {
        throw new FS.ErrnoError(NODEFS.convertNodeCode(error as { code: string }));
      }
    };
    layer.onAbort = this.onAbort;
    NODEFS.stream_ops.fsync = (stream) => {
      asErrno(() => disk.sync(NODEFS.realPath(stream.node), stream.nfd));
      return 0;
    };
    const { beforeWrite } = disk;
    if (!beforeWrite) return;
    const { write } = NODEFS.stream_ops;
    NODEFS.stream_ops.write = (stream, buffer, offset, length, position) => {
      asErrno(() => beforeWrite(NODEFS.realPath(stream.node), stream.nfd ?? -1, length, position));
      return write(stream, buffer, offset, length, position);
    };
  }
}
