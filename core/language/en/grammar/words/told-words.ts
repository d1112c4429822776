import { partsOf, type Word } from './words';

/* Words by which it is known how work is told. */

const NO_OWNERS =
  /^(?:nothing|everything|something|anything|everyone|that|there|here|let|what|who|she|where|how|when|manufacturer|maker|supplier)$/;
/** "Comes", "has to come". */
export const COMES =
  /^(?:(?:has to|have to|must|should|can|can now|will|needs? to|is to|are to) )?(?:comes?|came|go|goes|went) /;
/** What is not known yet is at least known to be in there when it comes out. */
export const COMES_OUT = /^comes? (?:straight |right )?(?:out|off)\b/;
export const COMES_WHERE = /^(?:out|off|away|apart|in|on|back|over|into|onto|from)$/;
/** "Cap back on", "the cover off", and then nothing more or something else. */
export const BARE =
  /^((?:(?:the|both|all) )?[a-z-]+(?: (?!back|go|goes|come|comes|came|went|is|are|was|were|stay|stays|sit|sits|remain|remains|and|or|of|on|in|at|to|with|for|from|it|them|is|off|out|the|a|an|all|both|each|every|your|its)[a-z0-9-]+){0,3}) (back on|back in|off|out|away|on|in)(?= ?(?:[,.;]|and\b|then\b|with\b|before\b|after\b|until\b|by hand\b|hand\b|finger\b|$))/;
export const BARE_WAY = /^(back on|back in|back off|back over|off|out|away|into|onto|over|in|on|back)(?: |$)/;
/** With which something else is reached: that comes first. */
export const MEANS: readonly string[] = [
  ...['removing', 'unscrewing', 'undoing', 'unbolting', 'loosening', 'slackening', 'detaching', 'disconnecting'],
];
export const OPENINGS = /^(?:before|prior|after|when|once|as|while|with|now|on|at|using|by)$/;
export const USING = /^(?:using|starting|working|holding|beginning)$/;
export const NAMED =
  /^(?:the|a|an|both|all|each|every|everything|it|them|your|its|their|this|that|these|those|our|my)$/;
/** Who works, and how far along. What one can, should or must do is read as an order anyhow. */
export const DOER =
  /^(?:(?:start|begin|finish|end|continue|carry on|go on|proceed)(?: off| up| out)? (?:by|with) (?=(?:\w+ly |always )?\S+ing )|(?:the )?(?:next|last|first|only) (?:step|thing|job|task) is (?=\S+ing )|(?!they (?:should|must|shall|can|will)\b)(?:i|we|you|they|he|she|one(?= (?:then |now |first |also |must |should |has to |can |always )*\w+s\b)|everybody|everyone|(?:the|your) (?:technician|mechanic|fitter|operator|engineer|trainee|apprentice)|i'm|we're|you're|they're|he's|she's|i've|we've|you've|i'll|we'll|you'll|i'd|we'd|you'd)(?: (?:am|are|is|was|were|have|had|already|will|now|then|just|also|first|simply|usually|always|normally|only|must|should|shall|can|going to|gonna|about to|want to|need to|have to|got to|like to|start by|begin by|(?:start|begin)(?= \w+ing )|go ahead and))* )/;
/** What one may do behind what one does: "..., you can turn it round once". */
export const ALLOWED =
  /^you (?:can|could|may|might) (?:also |then )?(?:turn|flip|use|reuse|re-use|swap|try) (?:it|them)\b/;
/** What one feels or sees is no order to feel or see. */
export const PERCEIVED = /^(?:feel|hear|see|notice|find|need|have|get|want|watch|look|let|use|know)$/;
/** What is done to something; with what makes it an order in brackets. */
export const PASSIVE =
  /^(?:((?:must|should|can|may|will|shall)(?: (?:then|now|also|next|always|only|first))? be|has to be|have to be|needs to be|need to be|will have to be|will need to be|going to have to be|(?:(?:is|are) )?(?:(?:now|then) )?(?:(?:free|ready) )?to be|needs?|wants?)|is|are|was|were|gets?)(?= (?!not|never|no longer))/;
/** Participles that say how something is, unless it is "then" done. */
export const STATES =
  /^(?:held|cracked|flattened|scored|chipped|torn|rounded|stripped|seized|burnt|swollen|pitted|marked|threaded|connected|mounted|sealed|bent|cut|supported|seated|fixed|broken|set|locked|coupled|screwed|guided|worn|damaged|pinned|bolted|glued|pressed|located|placed|stacked|split|capped|plugged|loaded)$/;
/** Which of them is done rather than so, where a tool is named: "marked with a punch", but not "held with a clip". */
export const DONE_WITH_TOOL = /^(?:marked|cut)$/;
export const JOINED = /^(?:,|and|until|so|that|if|where|what|which|as|when|before|after|because|while|then|once|how)$/;

/** "The rod's all the way back", "the cover's held with six nuts": how it is. */
const SAYS_HOW =
  /^(?:all|way|too|so|very|really|just|only|now|already|always|never|usually|probably|rough|loose|tight|left|worn|gone|stuck|hot|cold|warm|cool|broken|milky|wet|dry|dirty|bad|okay|ok|fine|done|closed|empty|bent|cracked|scored|pitted|been|got|sitting|seated|damaged|torn|held|made|supposed|showing|leaking|missing|heavy|fragile|brittle|sharp|live|under|soft|hard|blocked|seized|rusty|flush|level|behind|underneath|beneath|next|inside|fixed|secured|bolted|screwed|retained)$/;
/** Behind these the word is left as it was said. */
const SAID_ON =
  /^(?:at|in|on|off|out|not|the|a|an|still|there|up|down|apart|going|coming|getting|gonna|been|got|made|supposed|)$/;

/** "The screw's flanks" are the flanks of the screw; "the screw's tight" says that it is. */
export function withoutOwner(word: Word, at: number, words: readonly Word[]): Word[] {
  const next = words[at + 1]?.low ?? '';
  const owner = /^([a-z-]{3,})'s$/.exec(word.low)?.[1];
  // "The drain's at the bottom" is, and owns nothing.
  if (!owner || NO_OWNERS.test(owner) || SAID_ON.test(next)) return [word];
  const thing = { ...word, low: owner, parts: partsOf(owner) };
  if (!SAYS_HOW.test(next)) return [{ ...thing, as: owner }];
  const to = word.to - 2;
  return [
    { ...thing, to },
    { low: 'is', parts: ['is'], from: to, to: word.to },
  ];
}
