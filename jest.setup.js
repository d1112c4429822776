import { register } from 'tsx/esm/api';

/** The runner loads suites as Node does; this lets it load TypeScript. */
register();
