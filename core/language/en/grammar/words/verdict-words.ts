/* Words for what is not used again, however that is told. */

/** How what is worn or damaged is called. */
export const WORN =
  'cracked|broken|scored|worn|bent|pitted|chipped|grooved|damaged|torn|swollen|burnt|burned|galled|scuffed|corroded|rusted|clogged|seized|hardened|brittle|glazed|dented|nicked|scratched|discolou?red|deformed';

/** Verbs that order it: "replace", "scrap". */
export const RENEWING = 'replace|renew|change|scrap|discard|bin';
/** What is said of it: "is scrap", "gets replaced". */
export const RENEWED =
  'scrap(?:ped)?|junk|rubbish|renewed|replac(?:ed|ing)|chang(?:ed|ing)|rejected|discarded|binned|done for|finished|no good|had it|for the bin|in the bin|worn out|shot';
