/** What is loaded when the first screen stands comes this long after, so that it keeps nothing of it waiting. */
const AFTER_MS = 3000;

/** Resolves a little after the first screen: then comes what may be needed when the network is gone. */
export const afterFirstScreen: Promise<void> = new Promise((resolve) => {
  window.addEventListener('load', () => setTimeout(resolve, AFTER_MS));
});
