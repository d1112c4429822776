import type { Accounts } from '../accounts/accounts';
import type { PhotoFiles } from '../files/photos';
import type { VideoFiles } from '../files/videos';
import type { Role } from '../ground/roles';
import type { Database } from '../store/database';

/** Offered on the sign-in page by one click; present only when the server runs on demo data. */
export interface DemoPeople {
  readonly people: readonly { username: string; name: string; role: Role; password: string }[];
}

/** What the routes work with. */
export interface Services {
  readonly db: Database;
  readonly accounts: Accounts;
  readonly photos: PhotoFiles;
  readonly videos: VideoFiles;
  readonly demo: DemoPeople | null;
  /** Fresh ids, for documents made on the server. */
  readonly newId: () => string;
  readonly log: (line: string) => void;
}
