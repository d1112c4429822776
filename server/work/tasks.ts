import type { PAPERS } from '#core/cloth/mat';
import { releaseStops } from '#core/findings/check';
import type { Finding } from '#core/findings/finding';
import { sayFinding } from '#core/language/en/findings';
import type { Workbook } from '#core/model/procedure';
import { type Package, readPackage } from '#core/package/package';
import type { Restored } from '../backups/restore';
import { type UnpackedFile, unpackFile, withFolder } from '../files/package-file';
import { PhotoFiles } from '../files/photos';
import { badInput } from '../ground/fault';
import type { PrintedRelease } from '../print/instruction';
import type { RecordReader } from '../print/record';
import type { OpenJob } from '../store/jobs';
import type { PrintedSeal } from '../store/sealing';

/**
 * What takes long, so that it is done beside the server: each takes and gives plain data. What only one of them needs
 * is loaded when it is asked for.
 */
export const tasks = {
  instructionPdf: async (release: PrintedRelease, photos: string): Promise<Uint8Array> => {
    const { instructionPdf } = await import('../print/instruction');
    return instructionPdf(release, (hash) => new PhotoFiles(photos).read(hash));
  },
  recordPdf: async (
    job: OpenJob,
    seal: PrintedSeal | null,
    photos: string,
    reader: RecordReader,
  ): Promise<Uint8Array> => {
    const { recordPdf } = await import('../print/record');
    return recordPdf(job, seal, (hash) => new PhotoFiles(photos).read(hash), reader);
  },
  labelPdf: async (serial: string, series: string, address: string): Promise<Uint8Array> => {
    const { labelPdf } = await import('../print/label');
    return labelPdf(serial, series, address);
  },
  matPdf: async (workbook: Workbook, paper: (typeof PAPERS)[number], address: string): Promise<Uint8Array> => {
    const { matPdf } = await import('../print/mat');
    return matPdf(workbook, paper, address);
  },
  /** What stops a release, and in words. */
  stops: async (workbook: Workbook): Promise<{ finding: Finding; sentence: string }[]> =>
    releaseStops(workbook).map((finding) => ({ finding, sentence: sayFinding(finding, workbook) })),
  /** Restores a backup into a folder of its own, opens it there, and counts what is in it. */
  checkBackup: async (file: string, under: string): Promise<Restored> => {
    const { restoreBackup } = await import('../backups/restore');
    return withFolder(under, (folder) => restoreBackup(file, folder));
  },
  /** Reads a package that came as JSON. */
  readPackage: async (json: unknown): Promise<Package> => {
    const reading = readPackage(json);
    if (!reading.ok) throw badInput(reading.faults);
    return reading.package;
  },
  /** Reads a package file and lays its media into a folder. */
  unpackFile: async (path: string, folder: string): Promise<UnpackedFile> => unpackFile(path, folder),
};

export type Tasks = typeof tasks;
export type TaskName = keyof Tasks;
