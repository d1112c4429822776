import { join } from 'node:path';
import type { Accounts } from '../accounts/accounts';
import type { Backups } from '../backups/keeper';
import type { Database } from '../database/open';
import type { PhotoFiles } from '../files/photos';
import type { VideoFiles } from '../files/videos';
import type { ReachSettings } from '../ground/reach';
import type { Role } from '../ground/roles';
import type { Checking } from '../store/checking';
import type { Work } from '../work/work';

/** Offered on the sign-in page by one click; present only when the server runs on demo data. */
export interface DemoPeople {
  readonly people: readonly { username: string; name: string; role: Role; password: string }[];
}

/** Where in a data folder things lie. */
export function placesIn(folder: string) {
  return {
    database: join(folder, 'database'),
    photos: join(folder, 'photos'),
    videos: join(folder, 'videos'),
    uploads: join(folder, 'uploads'),
    backups: join(folder, 'backups'),
    secret: join(folder, 'secret'),
    requests: join(folder, 'requests.log'),
  };
}
export type Places = ReturnType<typeof placesIn>;

/** What the routes work with. */
export interface Services {
  readonly db: Database;
  /** Resolves when all that was written is on the disk itself. */
  readonly durable: () => Promise<unknown>;
  readonly accounts: Accounts;
  readonly photos: PhotoFiles;
  readonly videos: VideoFiles;
  readonly places: Places;
  /** Long work, done beside the server. */
  readonly work: Work;
  readonly checking: Checking;
  readonly backups: Backups;
  readonly reach: ReachSettings;
  /** What whoever makes the first account has to know; null where only this machine reaches the server. */
  readonly setupCode: string | null;
  readonly demo: DemoPeople | null;
  /** Fresh ids, for documents made on the server. */
  readonly newId: () => string;
  /** For what nobody foresaw. */
  readonly log: (error: unknown) => void;
}
