import { Hono } from 'hono';
import { authRoutes } from './routes/auth';
import { backupRoutes } from './routes/backups';
import { deviceRoutes } from './routes/devices';
import { houseRoutes } from './routes/house';
import { jobRoutes } from './routes/jobs';
import { mediaRoutes } from './routes/media';
import { peopleRoutes } from './routes/people';
import { photoRoutes } from './routes/photos';
import { procedureRoutes } from './routes/procedures';
import { shelfRoutes } from './routes/shelf';
import { startRoutes } from './routes/start';
import { videoRoutes } from './routes/videos';
import type { Services } from './services/services';

/** All routes below /api. Its type is what the web app's client is made from. */
export function createApi(services: Services) {
  return new Hono()
    .route('/auth', authRoutes(services))
    .route('/people', peopleRoutes(services))
    .route('/', startRoutes(services))
    .route('/', shelfRoutes(services))
    .route('/', procedureRoutes(services))
    .route('/', jobRoutes(services))
    .route('/', deviceRoutes(services))
    .route('/', photoRoutes(services))
    .route('/', videoRoutes(services))
    .route('/', mediaRoutes(services))
    .route('/', houseRoutes(services))
    .route('/', backupRoutes(services));
}

export type Api = ReturnType<typeof createApi>;
