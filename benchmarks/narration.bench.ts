import { readDesk } from '#core/narration/desk';
import { proposalsFrom } from '#core/narration/propose';
import { readPasted } from '#core/narration/source';
import { readCorpus } from './said/corpus';
import { typedWorkbook } from './said/read-step';

/**
 * How long a trainer works to make a checked draft of what was said before a camera. Every proposal is read; one that
 * asks takes an offer by a key, or is typed anew in full where none is offered, which is the dearest way; each is added
 * by a key. A keystroke takes 0.28 s and a decision 1.35 s (Card, Moran, Newell 1980, average typist), reading goes at
 * 238 words a minute (Brysbaert 2019), speaking at 130 (common practice).
 */
const KEY_S = 0.28;
const DECISION_S = 1.35;
const READ_PER_S = 238 / 60;
const SPOKEN_PER_MIN = 130;
/** To go to a proposal, to open it and to enter it. */
const KEYS_AROUND = 3;

const wordsIn = (text: string) => text.split(/\s+/).length;

let spoken = 0;
let seconds = 0;
let keys = 0;
for (const family of new Set(readCorpus().map((line) => line.family))) {
  const lines = readCorpus().filter((line) => line.family === family);
  const [first] = lines;
  if (!first || !/narrated|camera|video/.test(family)) continue;
  const { series } = first;
  const passages = await readPasted(lines.map(({ line }) => (/[.!?]$/.test(line) ? line : `${line}.`)).join('\n'));
  const narration = { id: 'narration', name: family, passages, ...proposalsFrom(passages, series) };
  const { proposals } = readDesk(typedWorkbook(series).workbook, narration);
  const whole = proposals.filter(({ isWhole }) => isWhole).length;
  const said = passages.reduce((sum, { text }) => sum + wordsIn(text), 0);
  spoken += said / SPOKEN_PER_MIN;
  for (const { proposal, parsed, isWhole } of proposals) {
    const offered = parsed.faults.length === 0 && parsed.doubts.every(({ offers }) => offers.length > 0);
    const pressed = isWhole ? 1 : KEYS_AROUND + (offered ? parsed.doubts.length : proposal.line.length);
    keys += pressed;
    seconds += pressed * KEY_S + DECISION_S + wordsIn(proposal.line) / READ_PER_S;
  }
  console.log(`${family}: ${passages.length} sentences, ${proposals.length} proposals, ${whole} of them whole`);
}
console.log(
  `${spoken.toFixed(1)} minutes of talk become a checked draft in ${(seconds / 60).toFixed(1)} minutes and ${keys} keys; ten minutes would take ${((10 * seconds) / 60 / spoken).toFixed(1)}`,
);
