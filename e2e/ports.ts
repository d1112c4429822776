/** The servers of the browser tests listen here and on the ports after it, one a worker. */
export const PORT = 4399;
export const WORKSHOPS = 3;
