/** Longest serial number that is taken, as where it is typed. */
const LONGEST = 60;

/** What the label of a pump says to any camera: the address of the pump's own page. */
export function pumpAddress(origin: string, serial: string): string {
  return `${origin}/pumps/${encodeURIComponent(serial)}`;
}

/**
 * The serial number in a code that was scanned: of a label that was printed here, wherever the server stood then, or of a
 * maker's plate that has the number and nothing else. Undefined for everything else, such as the address of a website.
 */
export function serialIn(code: string): string | undefined {
  const said = code.trim();
  const labelled = /^https?:\/\/[^/]+\/pumps\/([^/?#]+)$/i.exec(said)?.[1];
  const serial = labelled === undefined ? said : decoded(labelled)?.trim();
  if (!serial || serial.length > LONGEST || /[\n\r\t]/.test(serial)) return undefined;
  return labelled === undefined && /^\w+:\/\/|^(?:mailto|tel|wifi|begin):/i.test(serial) ? undefined : serial;
}

function decoded(text: string): string | undefined {
  try {
    return decodeURIComponent(text);
  } catch {
    return undefined;
  }
}
