import type { DeviceHub } from '#core/devices/hub';
import type { Accounts } from '../accounts/accounts';
import type { Database } from '../database/open';
import type { Places } from '../files/layout';
import type { PhotoFiles } from '../files/photos';
import type { VideoFiles } from '../files/videos';
import type { ReachSettings } from '../ground/reach';
import type { Role } from '../ground/roles';
import type { WorkshopKey } from '../seal/workshop-key';
import type { Checking } from '../store/checking';
import type { Work } from '../work/work';
import type { Backups } from './backups';

/** Offered on the sign-in page by one click; present only when the server runs on demo data. */
export interface DemoPeople {
  readonly people: readonly { username: string; name: string; role: Role; password: string }[];
}

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
  /** Connected wrenches and the like. */
  readonly devices: DeviceHub;
  /** Signs the records of finished jobs. */
  readonly workshopKey: WorkshopKey;
  readonly reach: ReachSettings;
  /** What whoever makes the first account has to know; null where only this machine reaches the server. */
  readonly setupCode: string | null;
  readonly demo: DemoPeople | null;
  /** Fresh ids, for documents made on the server. */
  readonly newId: () => string;
  /** For what nobody foresaw. */
  readonly log: (error: unknown) => void;
}
