import { join } from 'node:path';

/** Where in a data folder things lie. */
export function placesIn(folder: string) {
  return {
    database: join(folder, 'database'),
    photos: join(folder, 'photos'),
    videos: join(folder, 'videos'),
    uploads: join(folder, 'uploads'),
    backups: join(folder, 'backups'),
    secret: join(folder, 'secret'),
    workshopKey: join(folder, 'workshop-key'),
    requests: join(folder, 'requests.log'),
  };
}
export type Places = ReturnType<typeof placesIn>;
