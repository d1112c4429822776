import { singular } from './words';

/*
 * Words of the trade by what they are in a sentence. Common practice throughout; a name of the series goes before all
 * of them.
 */

const set = (text: string): ReadonlySet<string> => new Set(text.split(/\s+/).filter(Boolean));

const TOOL_HEADS = set(`wrench spanner socket ratchet driver screwdriver puller extractor hammer mallet drift punch
  chisel pliers plier tongs tweezer tweezers pick hook scribe scriber scraper brush rag cloth towel bar lever crowbar
  jack press vice vise clamp sling hoist crane strap gauge gage calliper callipers caliper calipers micrometer
  micrometre ruler mirror grinder file stone reamer gun compressor pusher mandrel cutter knife shears scissors stopwatch
  pan tray bucket syringe funnel marker pen tool iron stick jaw jaws block blade screwdrivers lathe torch grips cutters
  feeler feelers indicator jackscrew jackscrews device handle needle spatula spreader tester magnet multimeter thermometer tachometer sandpaper`);
/** Words that are tools only with one of these before them: a key in a shaft is none. */
const TOOL_PAIRS =
  /^(?:(?:hex|allen|hexagon|star) keys?|(?:plastic|wooden|wood|brass|nylon|threaded|steel|soft) (?:rods?|dowels?|bars?|sticks?|rings?|tubes?|sleeves?|pins?|wedges?|chocks?)|(?:emery|abrasive|sand|glass) (?:cloth|paper)|oil stone|(?:grinding|wire|flap|polishing|buffing) wheels?|straight ?edges?|heat gun|compressed air|air (?:line|gun)|fitting sleeve|seal bullet|press tool|drift pins?|guide sleeve|lifting eye|eye bolts?)$/;

/** Tools of which no pump has a part; it may well have a pan, a clamp or a block. */
export const ONLY_TOOLS =
  /\b(?:wrench|spanner|screwdriver|puller|extractor|hammer|mallet|drift|chisel|pliers|scraper|crowbar|micrometer|calliper|caliper|hoist|crane|straight ?edge|(?:pry|lever|brass|steel|wooden|tommy) ?bar|brass rod|dial (?:gauge|indicator)|lifting (?:eye|beam|tube|tool|bar|lug|strap|frame|bracket))s?$/;

/** "The lifting beam", "the assembly fork": tools by what they are for. */
const MADE_FOR =
  /^(?:lifting|hoisting|jacking|jack|forcing|pusher|push-off|extracting|extraction|mounting|assembly|pressing|release|fitting) (?:beam|tube|tool|bar|lug|plate|sleeve|fork|bush|collar|frame|bracket|arm|yoke|fixture|jig|rod|mandrel|stud|strap|pin|ring|bolt|screw)s?$/;

/** Whether a name is that of a tool, by its last words. */
export function isToolName(words: readonly string[]): boolean {
  const last = singular(words.at(-1) ?? '');
  const [before = ''] = words.slice(-2);
  // "The inner magnet" is a part of a coupling.
  if (last === 'magnet' && /^(?:inner|outer|drive|driven|internal|external|rotor|impeller)$/.test(before)) return false;
  if (
    MADE_FOR.test(words.slice(-2).join(' ')) ||
    /^(?:special|dedicated|supplied|provided|service)$/.test(words[0] ?? '')
  )
    return true;
  return TOOL_HEADS.has(last) || TOOL_PAIRS.test(words.slice(-2).join(' '));
}

const SUBSTANCES =
  set(`grease oil lube threadlock loctite sealant compound seize anti-seize antiseize jelly vaseline locker thread-locker
  threadlocker sealer goop magnalube never-seize neverseize moly sae tape paste lubricant soap water solvent cleaner degreaser paraffin kerosene diesel spirit spirits
  alcohol glycol glycerine glycerin vinegar acid air coolant wax detergent thinner dope adhesive glue
  ipa isopropanol acetone ethanol methanol descaler antifreeze turpentine petrol gasoline bleach lacquer varnish primer antirust wine beer milk juice product liquid fluid medium slurry`);
const SUBSTANCE_PAIRS = /^(?:liquid gasket|gasket (?:compound|maker|paste)|pipe dope|soapy water|petroleum jelly)$/;

export function isSubstance(said: readonly string[]): boolean {
  // "Loctite 243" is one, whatever its number.
  const words = said.length > 1 && /^\d+$/.test(said.at(-1) ?? '') ? said.slice(0, -1) : said;
  return SUBSTANCES.has(words.at(-1) ?? '') || SUBSTANCE_PAIRS.test(words.slice(-2).join(' '));
}

/** What is said of a part and is none: what is cleaned, greased or looked at on it. */
const FEATURES =
  set(`bore tip thread groove edge face flat surface opening keyway slot hole port lip recess shoulder land
  raceway leg end step space cavity void tab pocket seating register spigot passage channel gallery tang lug inside outside bottom top corner diameter length stroke gap
  clearance cone taper counterbore bevel area finish journal spline dia id od tightness rim flank tooth
  setting alignment adjustment play runout backlash height depth thickness width pressure flow speed temperature resistance weight level tension
  run-out wear preload half float straightness squareness condition colour color position movement direction shape rotation insulation noise vibration leakage travel sound smell`);
/** Words for parts that name none. */
export const ANY_PARTS =
  /^(?:parts?|components?|pieces?|items?|things?|everything|stuff|bits|rest|others?|fasteners?|hardware|internals)$/;
/** What comes off when something is cleaned. */
export const DIRT =
  /^(?:dirt|junk|gunk|crud|grit|rust|residues?|deposits?|scale|paint|debris|swarf|chips|sludge|tape|gasket|glue|traces?|remains?|product|lime|corrosion|dust|mud|film|slurry|sand|silt|mud|limescale|calcium|ice|leaves|scratch(?:es)?|marks?|stains?|nicks?|scores?|excess|surplus|spills?|burrs?)$/;
const NOT_PARTS_IN_PAIRS =
  /^(?:sealing (?:face|surface|edge|cone|area)|oil hole|inner step|free length|contact face|running surface)$/;

export function isFeature(said: readonly string[]): boolean {
  const words = said.length > 1 && /^(?:total|overall|complete|remaining)$/.test(said[0] ?? '') ? said.slice(1) : said;
  if (/^(?:end|axial|side) (?:float|play|clearance)$/.test(words.join(' '))) return true;
  const last = singular(words.at(-1) ?? '');
  const pair = [...words.slice(-2, -1), last].join(' ');
  return NOT_PARTS_IN_PAIRS.test(pair) || (FEATURES.has(last) && words.length <= 2);
}

/** What an end of a part is told by, before "down" or "toward the pressure". */
const ENDS =
  set(`lip lips side hole face end edge groove mark chamfer number numbers lettering letters notch notches flat
  taper spring port ports tab arrow shoulder opening cup hollow inlet outlet cone bevel slot seal seals writing logo
  stamp dot step flange head nose`);

export function isEnd(word: string): boolean {
  return ENDS.has(word) || ENDS.has(singular(word));
}

/** Words that say which of several by where it is, as an alternation. */
export const BY_PLACE = 'upper|lower|top|bottom|front|rear|back|left|right|inner|outer|inside|outside';

/** Words that say which of two, and name nothing by themselves. */
export const SAYS_WHICH = new RegExp(
  `^(?:${BY_PLACE}|inlet|outlet|suction|discharge|delivery|pressure|male|female|high-pressure|low-pressure|drive|driven|driving|idler|non-drive|inboard|outboard|stationary|rotating|fixed|moving|large|small|long|short|thick|thin|end|side)$`,
);

export const BENCH =
  /\b(?:bench|table|surface|floor|blocks?|stands?|timbers?|wood|pallet|trestle|ground|its (?:\w+ )?(?:side|face|back|end|flange|nose|feet|foot)|(?:one|on) side|workbench)\b/;
/** No block to lay things on. */
export const PUMPS_BLOCK =
  /\b(?:cent(?:re|er)|valve|bearing|cylinder|manifold|pump|fluid|seal|port|distributor|gear|main|end) block$/;
export const CLOTH =
  /\b(?:cloth|tray|rag|paper|towel|box|shelf|sheet|mat|rack|trolley|basket|bin|hook|nail|peg|drawer|bag|tub)\b/;
export const VICE = /\b(?:vice|vise|jaws|clamp|chuck|fixture)\b/;

const MANNERS =
  set(`crosswise crossways diagonal diagonally alternately square squarely straight flush home tight snug level dry clean
  clockwise counterclockwise counter-clockwise anticlockwise anti-clockwise together first last again once twice fully
  slowly evenly gently carefully hand-tight finger-tight sideways upright overnight lengthwise vertically horizontally
  only well hard still complete forward backward backwards further alone opposite loosely beforehand smooth slow even easy quick open shut`);

/** A word that says how: most end in "-ly". */
export function isManner(word: string): boolean {
  return (
    MANNERS.has(word) ||
    (/..ly$/.test(word) &&
      !/^(?:only|jelly|assembly|supply|fly|family|moly|poly|ply|belly|especially|particularly|mainly|apply|reapply|reply|rely)$/.test(
        word,
      ))
  );
}

/** Runs of words that say how, from their beginning. */
export const MANNER_PHRASE =
  /^(?:once more|as a (?:set|pair|kit|unit|whole)|in sets|(?:very|quite|really|extremely|rather) \w+ly|star(?! pattern)(?= |$)|(?:in a )?(?:cross|criss-cross|star|diagonal|crosswise)(?:-| )pattern|(?:about |roughly )?(?:half|(?:one|a|two) thirds?|(?:one|a|three) quarters?|\d+ (?:percent|per cent|%)) full(?= (?:of|with)|,|$)|(?:one|a|half a|a half|a quarter|two|three|four|\d[\d/-]*) (?:full )?turns? each|(?:one|two|three|four|\d|single) pass(?:es)?|in (?:the )?(?:sequence|order) \d+ (?:to|-|–) \d+|in the same (?:way|manner)|nice and \w+|(?:real|really|very|pretty) (?:good|well|slow|easy|tight|gently|carefully)|(?<pair>[a-z]\w+) to \k<pair>(?= |$)|every time|each time|by hand|by eye|by feel|(?:just |only )?(?:hand|finger)[- ]tight|just enough(?: to \w+)?|enough to \w+|opposite (?:pairs?|sides?|corners?|nuts?|bolts?|screws?)|one (?:by|at a|after) (?:one|time|another)|one after the other|a (?:bit|little|turn|half turn|quarter turn)(?: at a time)?|half a turn|(?:one|a) (?:full|complete|whole) (?:turn|revolution)|one turn|a (?:half|quarter)(?: turn)?|(?:\d+|two|three|four|several|a few) (?:(?:full|complete|whole|more) )?(?:turns?|times|degrees|passes|steps|stages|rounds)|(?:over|along) (?:its|the|their) (?:whole|full|entire) \w+|all the way (?:round|around)|all the way|all round|all around|(?:the )?same (?:number of )?turns|(?<each>\w+) by \k<each>|a \w+(?: turn)? at a time|one \w+ at a time|side by side|opposite (?:each|one) (?:other|another)|end for end|the (?:same|right|other) way (?:round|up|around)|(?:same|right) way (?:round|up)|\w+ at a time|dead (?:flush|square|straight|level|tight)|upside down|(?:the )?same way(?! (?:round|up|around|as)\b)|in (?:the|its) (?:\w+ )?direction(?: (?:it|they) \w+| of \w+(?: \w+)?)?|back and forth|to and fro|from side to side|up and down(?! (?:the|its|it)\b)|in and out(?! of\b)|(?:as )?(?:seen|viewed|looking) (?:from|at|on)(?: (?:the|its) (?:[\w-]+ ?){1,3}?(?= ?[,.;]| and | then | until | with |$))?|side to side|(?:left and right|right and left|front and back|top and bottom) (?:in turn|alternately)|in turn|in pairs|at once|at the same time|with care|into (?:place|position)|on top(?! of (?:the|a|an)\b)(?: of (?:each other|one another|each|them|it|that))?|on edge|from behind|at the same time|each$|as well|too\b|in (?:place|position)|as far as (?:(?:it|they)(?:'ll| will)? go(?:es)?|you can|possible|(?:the|its|that) \w+)|as far as|a couple of (?:times|turns)|each (?:in turn|time)|halfway|half way|in (?:a |the |that |this )?\w* ?(?:pattern|order|sequence|line)|in (?:two|three|four|several|\d) (?:passes|steps|stages|rounds|goes))\b/;

/** What fasteners do: "the screws *securing* the cover". */
export const SECURES =
  /^(?:securing|retaining|holding|fastening|fixing|attaching|connecting|joining|mounting|covering|locking|clamping|supporting)$/;

/** What opens a caution that stands as a sentence. */
export const CAUTION_OPENING =
  /^(?!watch (?:that |how |whether |if )?(?:it|they|the \w+) (?:strokes?|runs?|turns?|moves?|cycles?|primes?|pumps?|stays?|holds?|builds?|starts?|comes?|goes?|go|rises?|drops?)\b)(?:(?:be|being) (?:(?:very|really|extra|especially|quite|always) )?(?:careful|gentle|patient|aware|prepared|ready)|go easy\b|pay attention\b|(?:take|taking) (?:great |good )?care|careful(?= ?,| not| with| when| here| you|$)|watch(?:ing)?(?: out)?\b(?!(?: \w+){0,4} for (?:\w+ )?(?:leaks?|bubbles?|drips?|smoke|movement))|mind (?:the|your|you|that|not|it|it's|they|they're)(?= |$)|beware|do not|don't|dont|never|avoid|avoiding|guarding against|make sure (?:not|you do not|you don't|never)|wear (?:your|a|an|the|eye|ear|face|safety|protective|rubber|leather|cut|hearing|heat|gloves|goggles|glasses|mask)\b|put on (?:your |the |safety |protective )?(?:gloves|goggles|glasses|safety|protect|eye|face|hearing|apron)|keep (?:your )?(?:hands|fingers|clear|away)|(?:wash|rinse|scrub) (?:your |the )?(?:hands?|eyes|skin|face)\b|stay clear|stand clear|no (?:impact|torque|air|power|screwdriver|grease|oil|sealant)\b|not too)/;
export const SIGNAL_WORD = /^(?:attention|caution|warning|danger)$/;
export const SIGNAL_OPENING = /^(danger|warning|caution|notice|attention|important|note)\s*(?::|-|!|,)\s*/;
/** What opens a remark that is to be kept as said. */
export const REMARK_OPENING =
  /^(?:get (?:somebody|someone|a (?:mate|colleague|second (?:person|man|pair of hands))|help)\b|(?:it's a |this is a |a )?(?:two|three|2|3)[- ](?:people|persons?|man|men)(?: job| lift| needed| required| at least)*(?= ?[,.]|$)|(?:you|we)(?:'re)? (?:want|allow|accept|after|aim for|look for|looking for) (?:about |around |between |at least |at most |no more than |not more than |up to |max |min |a maximum of |a minimum of )*[\d.,]|make (?:sure|certain)|ensure|(?:you|we) need (?!to)|see (?:to it )?that|see to it|be sure|keep|leave|save (?:the|it|them|your)|remember|use (?:\S+ )?\S+ only|use only|use (?:\S+ ){1,5}?(?:if (?:it|they)(?:'s|'re)? |(?:if|when|where) (?:it is |they are )?(?:needed|necessary|required|stuck|tight|seized|stiff|stubborn))|(?:note|record|write down) (?:(?:[\w-]+ ){1,2}(?:and|\+) [\w-]+ (?:order|positions?|orientation|location|sequence|direction|side)(?= |$)|that|which|how|where|the|its|their|all|position|order|orientation|location|marks?|values?|readings?)|take (?:good )?note (?:of|that|how|which|where)|stop (?:when|if|as soon as|once)|count (?:how|in turns)|(?:max|maximum|min|minimum|limits?|nominal|allowed|permitted)(?: [\w-]+){0,4}(?: is| are|:)? [\d.,]+|(?:[\w-]+ )?(?:clearance|gap|play|runout|backlash|tolerance)(?: [\w-]+){0,4} (?:max|min|maximum|minimum|up to|not over|below|above|[<>])(?: \.)? ?[\d.,]+|should (?:be|turn|move|run|feel|not)|must (?:be|turn|move|not)|(?:[\w-]+ ){0,2}\w+ing (?:it |them |this |dry )?(?:destroys|damages|ruins|kills|breaks|burns|cracks|wrecks|shortens|spoils)|it (?:should|must|has to|will)|they (?:should|must|have to|will)|(?:each|every|all|both)(?: one| of them)? (?:should|must|has to|have to)|you(?:'ll||'d| (?:should|shouldn't|will|won't|may|can|can't|might))(?: not| never| also| then| now)* (?:feel|hear|see|notice|need|find))\b/;
/** "It should turn with no more than 5 N·m": what it may take. */
export const MAY_TAKE =
  /^(?:it|they|the \w+) (?:should|must|has to|have to|needs? to|ought to) (?:turn|rotate|move|run|spin)\b[^,;]*\b(?:no more than|not more than|less than|under|below|at most|max|maximum)\b/;
/** "Use soapy water for the rubber parts". */
export const USE_FOR = /^use (?:the )?\S+(?: \S+)? (?:for|on) /;
/** "Work your way round": how, and nothing that is put there. */
export const OWN_WAY = /^(?:work|make|feel|ease|go)(?:ing)? (?:your|our|my|its|the) way\b/;
/** What one will find, which is nothing to do. */
export const EXPECTATION =
  /^(?:you|we) (?:need|will need)\b(?! to)|^you(?:'ll||'d| (?:should|shouldn't|will|won't|may|can|can't|might))(?: not| never| also| then| now)* (?:feel|hear|see|notice|need|find)\b/;
export const REASON_OPENING =
  /^(?:because|since|as it (?!comes|goes|slides|moves|turns|drops|falls|slips|lifts|leaves|enters|appears|warms|cools|runs|fills|drains|rises|gets|starts|begins|nears|reaches)|otherwise|or else|so that|so the|in order to|to let|so it|so they|so you|that way|this (?:way|keeps|stops|prevents|is because|makes|lets|protects|avoids)|that (?:keeps|stops|prevents|makes|lets|is why)|it keeps|the reason)\b/;
export const CONDITION_OPENING =
  /^(?:if|in case|(?:on|with|for|in) (?:some|certain|older|newer|a few|most|many) (?:\w+ )?(?:pumps?|models?|units?|versions?|machines?|ones|heads?|types?)\b|(?:by|on|with) (?:damage|wear|doubt)\b|should the|unless|when there is|where fitted and)\b/;
/** Conditions that ask nothing: they are said along. */
export const EASY_CONDITION =
  /^(?:if|where|when) (?:necessary|needed|required|fitted|present|possible|you can(?=,|$)|you (?:want|like|prefer|wish)(?= ?[,.]|$)|there is one)\b/;
export const REPEAT_OPENING =
  /^(?:repeat|do (?:the same|this|that|it|likewise)|same (?:again|on|at|for|with|thing|story|procedure|deal|drill)|the same (?:again|on|for|with|goes)|(?:re)?assembly is\b|(?:re-?)?(?:assembly|assemble|fitting|fit|installation) (?:is |it )?(?:in |the )*(?:reverse|opposite)\b|likewise|ditto|keep going (?:un)?till|(?:carry on|continue|go on|keep going) (?:like (?:that|this)|with the (?:others?|rest|next)|until all|till all)|again (?:on|for)|now the other|then the other|do the (?:left|right|other|first|second|next)|(?:and )?so on)\b/;

/** What holds other parts, by the last word of its name. */
export const FASTENS = /(?:bolt|screw|nut|stud)s?$/i;

/** Phrases that open what is told and say nothing. */
export const FIRST_OF_ALL =
  /^(?:so (?=the )|(?:going|putting (?:it|them|everything|this)|moving|getting)(?: all)? back together(?: again| now)?(?: ,)?|back together(?: again| now)? ,|(?:on|for|during|as for|time for|now for)(?: the)? (?:re-?assembly|assembly|dismantling|disassembly|teardown|refitting) ,|(?:(?:the|our|your) )?(?:first|next|last|second|only|other) (?:thing|step|job)(?: (?:that )?(?:i|we|you)(?:'re|'ll|'ve|'d)?(?: (?:are|will|have|need|want|gonna|going|got|to|can|should|now))* do)?(?: (?:now|here|next))? is(?: to)?(?! [a-z-]+ing )|what (?:i|we|you)(?:'re|'ll|'d)?(?: (?:are|will|gonna|going|to|want|now|can))* do(?: (?:now|here|next|first))? is(?: to)?|go ahead and|first of all|first off|to (?:begin|start)(?= ,)|for this(?: ,)?(?= (?:you|we|i)\b)|(?:the )?first thing ,|at first|to start with|to begin with|after that(?: ,)?|(?:once|when|now) (?:that's|that is|this is|it's) (?:all )?done(?: ,)?|(?:with )?that done ,|at (?:this|that) (?:point|stage|time)(?: ,)?|from (?:here|there)(?: ,)?(?= (?:on )?(?:you|we|i|i'm|you're|we're|just|simply|,)\b)|(?:so )?let's|let us|it(?:'s| is) time to|here we go(?! over)|there we go|let me see|let's see|(?:folks|guys|(?:everyone|everybody)(?! [a-z]+s )|lads|team|gentlemen|people(?= ,))(?: ,)?|(?:reach|go|get)(?: in| up| under| behind| round)(?: there)? and|comes(?= (?:the )?(?:[\w-]+ ){1,4}:)|(?:we|i|you)(?:'ll)? (?:start|begin)(?: off)? with (?:the )?(?:[\w-]+ ){1,3}, so|all right|of course|you know|basically|alright|always|usually|normally|here(?= (?:i|we|you|they)\b))(?: |$)/;
/** Words said before the verb that say nothing. */
export const FILLERS =
  set(`kindly actually then next now firstly secondly finally please just simply so okay ok also and well right
  afterwards lastly again first alright to`);
export const FILLER_PHRASE =
  /^(?:(?:you|we|i|you'll|we'll|i'll|you'd|he|she|the technician) (?:(?:will |now |then |just |can |also |have to |need to |want to |should |must |may |are going to |got to |like to )+)?|(?:the )?next (?:step|thing|up)(?: is(?: to)?)?,?|it's time to|time to|(?:it is|it's) (?:(?:always |usually |often )?(?:a good idea|best|better|important|worth|easier|necessary|wise|required|needed|recommended|advisable) )?to(?= \w+ (?:the|a|an|all|both|each|every|your|its|out|off|up|\d)\b)|it (?:helps|pays) to|(?:the )?(?:best|easiest|safest) (?:thing |way )?(?:is )?to|(?:you'd|you had) better|let me|try to (?!start\b)|want to|need to)\s*/;

/** No direction at all, said as if it were one. */
export const NO_DIRECTION =
  /^(?:(?:in )?(?:the )?same way (?:round |around |up )?as (?:the )?(?:others?|old ones?|first ones?|before|found|it was|they were|it came out|they came out)|as (?:shown|found|it was|they were|it came out|they came out|in the (?:picture|photo|diagram|figure|drawing))|(?:in )?the (?:right|correct|proper) way (?:round|around))\b/;

/** No figure at all, said as if it were one. */
export const NO_FIGURE =
  /^(?:to |at |per |as |according to |by )?(?:the )?(?:manufacturer'?s? |maker'?s? |factory |specified |correct |proper |required |right |given |usual |normal )*(?:spec|specs|specification|specifications|specified|shown|torque|value|figure|figures|manual|table|diagram|drawing|data ?sheet|instructed)\b/;
