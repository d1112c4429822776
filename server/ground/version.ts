/** As in package.json; a test holds the two together. */
export const PROGRAM_VERSION = '0.1.0';
