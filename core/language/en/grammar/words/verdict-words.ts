/* Words for what is not used again, however that is told. */

/** Verbs that order it: "replace", "scrap". */
export const RENEWING = 'replace|renew|change|scrap|discard|bin';
/** What is said of it: "is scrap", "gets replaced". */
export const RENEWED =
  'scrap(?:ped)?|junk|rubbish|renewed|replac(?:ed|ing)|chang(?:ed|ing)|rejected|discarded|binned|done for|finished|no good|had it|for the bin|in the bin|worn out|shot';
