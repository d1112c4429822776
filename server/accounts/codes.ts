/** Why somebody with the right password is not let in; told beside the codes of the accounts library. */
export const SWITCHED_OFF = 'SWITCHED_OFF';
export const KNOWN_PASSWORD = 'KNOWN_PASSWORD';
