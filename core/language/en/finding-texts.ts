import type { RuleId } from '../../findings/finding';

interface RuleTexts {
  /** What the rule looks for, as the catalogue says it. */
  readonly looksFor: string;
  /** Why it matters at the bench. */
  readonly reason: string;
}

export const FINDING_TEXTS: Readonly<Record<RuleId, RuleTexts>> = {
  covered: {
    looksFor:
      'a part taken while something is in its way; a stop where the series says so, a warning where the order of the steps tells it',
    reason: 'It cannot be reached, and forcing it breaks what is in the way.',
  },
  'still-tight': {
    looksFor: 'a part taken off while the fasteners that hold it are tight',
    reason: 'It is forced off against its fasteners and cracks, or flies off.',
  },
  'not-there': {
    looksFor: 'a step that acts on a part where it is not, or looks at one that is in the bin',
    reason: 'The technician looks for a part that is not there.',
  },
  'too-many': {
    looksFor: 'a step that names more pieces of a part than there are at the place',
    reason: 'Either the step or the parts list has the number of another series.',
  },
  'partly-there': {
    looksFor: 'a step for several places that finds its part at some of them only',
    reason: 'At the other places there is nothing to do, and the technician wonders why.',
  },
  'aid-not-there': {
    looksFor: 'a guide pin, wedge or block taken out that nothing put in',
    reason: 'The technician looks for an aid that is not there.',
  },
  'wrong-places': {
    looksFor: 'a step that names places where its part does not sit',
    reason: 'The technician goes to a place where there is no such part.',
  },
  buried: {
    looksFor:
      'a part put back while one that came off after it, and lies under it, is still out; a stop where the series says so or the part belongs inside',
    reason: 'The technician finds the part left over when everything above it is closed.',
  },
  'shaft-elsewhere': {
    looksFor: 'a step that needs the shaft at a position where nothing turned it to',
    reason: 'The part cannot be reached, or goes in askew.',
  },
  empty: { looksFor: 'a procedure without steps', reason: 'There is nothing a technician could carry out.' },
  'left-on-cloth': {
    looksFor: 'a part that is taken off and never goes back',
    reason: 'A part left over means the pump leaks or fails and comes apart again.',
  },
  'left-in-tray': {
    looksFor: 'a renewed part whose replacement is never fitted',
    reason: 'The old part is thrown away and the pump is closed without a new one.',
  },
  'how-many': {
    looksFor: 'a part named in the plural of which nobody said how many there are',
    reason:
      'The cloth, the kit and the list of parts to get need the number: without it nobody notices that one is missing.',
  },
  'aid-left-in': {
    looksFor: 'a guide pin, wedge or block that is put in and never taken out',
    reason: 'The pump is closed or started on it, and it breaks what it held.',
  },
  'change-missed': {
    looksFor: 'a change that the procedure means to make and does not reach',
    reason: 'The pump goes back as it came, and the customer paid for a conversion.',
  },
  'loose-at-end': {
    looksFor: 'fasteners, or some of a group, that are loosened or started by hand and never torqued',
    reason: 'They work loose while the pump runs.',
  },
  'not-refilled': {
    looksFor: 'something drained that is never filled again, where the step calls it oil, grease or fluid',
    reason: 'The pump is started dry and is damaged in minutes.',
  },
  'filled-open': {
    looksFor: 'oil filled while a plug, seal or gasket is still out',
    reason: 'The oil runs out on the bench, and the level is wrong afterwards.',
  },
  'not-closed': {
    looksFor: 'a valve opened at the end that nothing closed before the pump was opened',
    reason: 'Liquid under pressure stood in the pump while somebody took it apart.',
  },
  'not-drained': {
    looksFor: 'oil filled again that no step drained before the pump was opened',
    reason: 'The old oil runs over the bench, or stays in and is topped up.',
  },
  'run-dry': {
    looksFor: 'a test that runs the pump before the oil that was drained is filled again',
    reason: 'Bearings and gears run dry for the first minutes, and are spoilt.',
  },
  'closed-late': {
    looksFor: 'an isolation or a valve closed when the pump is open already',
    reason: 'It protects nobody who has opened the pump before.',
  },
  'not-restored': {
    looksFor: 'an isolation, lock or closed valve that is never undone',
    reason: 'The pump is handed back locked, or runs against a closed valve.',
  },
  'restored-open': {
    looksFor: 'power or supply given back while a part is out or a joint is not torqued',
    reason: 'The pump can start while somebody works on it.',
  },
  'tested-locked': {
    looksFor: 'a test that needs the pump to run while it is still isolated or locked',
    reason: 'The test cannot be done, or somebody takes the lock off in a hurry.',
  },
  'faces-wrong': {
    looksFor: 'a part refitted another way round, or turned otherwise, than the series says or than it was found',
    reason: 'One of the two is wrong, and the technician believes the step in hand.',
  },
  'faces-clash': {
    looksFor: 'a facing said for the bench that contradicts the one in the pump, for how the housing lies',
    reason: 'Turning the housing over silently flips up and down.',
  },
  'faces-unsaid': {
    looksFor: 'a part that goes in one way round, refitted without saying which, or how it is turned',
    reason: 'The wrong way round it seals nothing, or binds.',
  },
  unrecorded: {
    looksFor: 'a part that goes in one way round, taken off with neither note nor photo while nothing says how it sits',
    reason: 'Once it is on the cloth nobody knows which way round it was.',
  },
  'stack-order': {
    looksFor: 'parts of a stack fitted in another order than from the bottom of the bore to its mouth',
    reason: 'The stack goes together as drawn or not at all; one ring out of its place leaks.',
  },
  'stack-count': {
    looksFor: 'a stack that holds more or fewer of a part than the series says there are at each place',
    reason: 'A stack one ring short leaks from the first start.',
  },
  swapped: {
    looksFor: 'a matched part fitted at another position than its own, where the procedure does not mean to',
    reason: 'Matched parts have run in together; changed over they bind, knock or leak.',
  },
  unmarked: {
    looksFor: 'matched parts taken off before anything marks which is which',
    reason: 'Off the pump they look alike, and nobody can say where each belongs.',
  },
  'marked-late': {
    looksFor: 'a part marked when it is off, where there is only one',
    reason: 'A mark shows how it sat only while it sits there.',
  },
  'torque-misplaced': {
    looksFor: 'a torque told while the pump is still being taken down',
    reason: 'The technician tightens what has to come off, and the figure is missing where it is needed.',
  },
  'torque-early': {
    looksFor: 'a fastener torqued while a part that it holds is still out',
    reason: 'It has to come out again, and the torque is forgotten the second time.',
  },
  'lock-early': {
    looksFor: 'a split pin, tab or wire fitted before the thread it locks is torqued',
    reason: 'The thread cannot be torqued any more, and stays as it is.',
  },
  'lock-before-torque': {
    looksFor: 'a torque that comes when the pin, tab or wire is in already',
    reason: 'Turning a locked thread shears the lock or spoils the slot.',
  },
  'second-figure': {
    looksFor: 'the same fastener torqued to two different figures',
    reason: 'Nobody knows which of the two holds.',
  },
  'hole-occupied': {
    looksFor: 'all fasteners of a group put in while guide pins stand in some of the holes',
    reason: 'The holes are taken; the last fasteners go in when the pins are out.',
  },
  'key-size': {
    looksFor: 'another size of key or socket on the way back than on the way down',
    reason: 'One of the two does not fit, and rounds the head.',
  },
  'wrench-loosens': {
    looksFor: 'a torque wrench used to loosen or take off',
    reason: 'Loosening ruins the setting of the wrench; every torque after it is wrong.',
  },
  'power-tightens': {
    looksFor: 'an impact, air or power tool used to put together',
    reason: 'It overtightens before anyone can stop it, and strips or cracks.',
  },
  'no-wrench': {
    looksFor: 'a torque for which no torque wrench is listed',
    reason: 'Without the wrench the figure is guessed.',
  },
  'wrench-range': {
    looksFor:
      'a torque outside the range of every torque wrench listed, or a torque wrench whose calibration has expired',
    reason: 'The wrench cannot be set to the figure, or nobody knows whether it reaches it.',
  },
  implausible: {
    looksFor: 'a torque that the thread cannot bear or that holds nothing, by its size and class',
    reason:
      'Below 20 % of the proof load a joint works loose, above 90 % the bolt breaks; the figure or its unit is a slip.',
  },
  'joint-order': {
    looksFor: 'an order of tightening that leaves a fastener out, takes one twice, or goes to a neighbour too soon',
    reason: 'A fastener left out stays loose; neighbours in a row close the joint on one side first.',
  },
  'joint-passes': {
    looksFor: 'passes that do not rise to the figure',
    reason: 'The joint is left below its figure, or pulled past it and let back.',
  },
  'figure-differs': {
    looksFor: 'a torque that differs from the one on the torque sheet by more than 2 %',
    reason: 'One of the two is wrong, and nobody knows which.',
  },
  'odd-unit': {
    looksFor: 'one figure in pounds among newtons, or the other way round, without the second reading',
    reason: 'Pounds taken for newtons are a third too much.',
  },
  'no-unit': {
    looksFor: 'a torque told in words without a unit of torque',
    reason: 'Inch pounds read as foot pounds are twelve times too much.',
  },
  'no-figure': { looksFor: 'a torque step without a figure', reason: 'Everyone tightens to a figure of their own.' },
  'pass-missing': {
    looksFor: 'a torque called a first pass that no further pass follows',
    reason: 'The joint stays at a share of its figure, and works loose.',
  },
  'two-figures': {
    looksFor: 'a torque given in two units that disagree by more than 2 %',
    reason: 'Two people with two wrenches tighten the same joint differently.',
  },
  'thread-condition': {
    looksFor: 'a torque figure that does not hold for what is on the thread',
    reason: 'Compound and grease change the preload that a torque gives, by a third and more.',
  },
  'no-source': {
    looksFor: 'a torque figure that does not say where it comes from',
    reason: 'Nobody can check a figure whose origin is forgotten.',
  },
  reused: {
    looksFor: 'a part that is always renewed, or was cut, and goes back in; a stop where it was cut',
    reason: 'A seal or pin that was disturbed once does not hold a second time.',
  },
  untouched: {
    looksFor: 'an always-renewed part that rides along in one that comes off, while no step names it',
    reason: 'The old seal goes back unseen, inside a part that looks finished.',
  },
  'renewed-early': {
    looksFor: 'a part renewed while it is in the pump, that a later step takes off',
    reason: 'The part cannot be reached yet, and the new one comes out again.',
  },
  'kit-short': {
    looksFor: 'kits laid out that hold fewer pieces than are renewed',
    reason: 'The last ones are missing when everything else is done.',
  },
  'not-in-kit': {
    looksFor: 'a part that is renewed and that none of the kits laid out holds',
    reason: 'The pump is open on the bench and the part has still to be ordered.',
  },
  'kit-unused': {
    looksFor: 'more kits laid out than the renewals use up',
    reason: 'New parts left in the tray look like parts forgotten in the pump.',
  },
  'no-spare': {
    looksFor: 'a look or measurement that says renew, with no kit piece, part number or step behind it',
    reason: 'The pump stands open while somebody finds out what to order.',
  },
  swells: {
    looksFor:
      'grease, oil or compound on a part whose material it attacks; a stop where the published rating is the worst',
    reason: 'The part swells or softens, jams or leaks, and nobody sees why.',
  },
  'old-compound': {
    looksFor: 'compound put on a thread that was in use and that nothing cleans first',
    reason: 'Old compound keeps the new one from holding, and its crumbs damage the pump.',
  },
  'sets-first': {
    looksFor: 'a torque that comes after the compound on the thread has set, by the minutes of the steps between',
    reason: 'Turned after it has set, the compound is torn and holds nothing, and the figure is not reached.',
  },
  'soak-short': {
    looksFor: 'a part that has to soak, fitted before its time is up, by the minutes of the steps between',
    reason: 'Packing that is not soaked through runs dry, burns and has to come out again.',
  },
  'dry-seal': {
    looksFor: 'a seal fitted with nothing on it; a warning where the series wants something there',
    reason: 'A dry seal is cut or twisted on the way in, and runs hot at the first start.',
  },
  'compound-missing': {
    looksFor: 'a part that wants paste, sealant or locker, fitted or torqued without it',
    reason: 'It leaks, seizes or works loose.',
  },
  'both-compounds': {
    looksFor: 'two compounds on one thread in one step',
    reason: 'Two compounds on one thread hold less than either.',
  },
  'nothing-applied': {
    looksFor: 'a step that lubricates or applies compound and does not say which',
    reason: 'Everyone takes what stands nearest, and some of it attacks the seal.',
  },
  'spring-release': {
    looksFor: 'a part under spring tension taken off without being compressed or eased out',
    reason: 'The spring throws it at whoever stands there.',
  },
  'not-isolated': {
    looksFor: 'something loosened or taken off before the drive is isolated or locked out',
    reason: 'A motor on automatic control starts without warning.',
  },
  'weak-isolation': {
    looksFor: 'isolation at a controller or stop button and nowhere else',
    reason: 'The controller starts the pump again by itself.',
  },
  'pressure-kept': {
    looksFor:
      'something loosened or taken off before the pressure of every line is released, unless the series holds none',
    reason: 'Stored pressure throws parts and drives liquid through the skin.',
  },
  'pressure-first': {
    looksFor: 'pressure released before the drive is isolated',
    reason: 'The drive can start and build the pressure up again.',
  },
  heavy: {
    looksFor: 'parts of 16 kg and more, with all that sits in them, moved without a word about the lift',
    reason: 'It slips, crushes a hand or hurts a back.',
  },
  'lift-short': {
    looksFor: 'lifting gear whose load is less than what it lifts',
    reason: 'The gear fails with the part in the air.',
  },
  'brittle-pry': {
    looksFor: 'a brittle part pried off or levered, in the step or in another method of it',
    reason: 'Ceramic and carbon crack when one side is pried, and the splinters cut.',
  },
  'limits-contradict': {
    looksFor: 'limits of a measurement that exclude one another, or a new part',
    reason: 'No part can pass, or every part does.',
  },
  'no-limits': {
    looksFor: 'a measurement without a limit',
    reason: 'How much is too much is left to whoever measures.',
  },
  'no-gauge': {
    looksFor: 'a measurement for which no measuring tool is listed',
    reason: 'It is measured with what is at hand, or not at all.',
  },
  'gauge-range': {
    looksFor: 'a measuring tool that does not reach the size to be measured',
    reason: 'The reading cannot be taken.',
  },
  'nothing-to-look-for': {
    looksFor:
      'a look that says neither what to look for nor what is in order; a warning where it says "good" and no more',
    reason: 'Everybody sees something else.',
  },
  'never-looked': {
    looksFor: 'a part that carries a look in the series, comes off, and is never looked at',
    reason: 'Worn parts go back in.',
  },
  'look-early': {
    looksFor: 'a look or measurement told while the part is under a cover that comes off later',
    reason: 'Nobody can see or measure it yet.',
  },
  'odd-verdict': {
    looksFor: 'a look that lets a cracked, torn or broken part be used again',
    reason: 'It fails when the pump is under pressure.',
  },
  'look-late': {
    looksFor: 'a look that may lead to renewal, told when the part is back in',
    reason: 'What is found then means taking the pump apart again.',
  },
  'no-last-look': {
    looksFor: 'a part that goes in one way round, covered before a photo shows how it sits',
    reason: 'Covered, it can only be checked by taking the pump apart again.',
  },
  'no-as-found': {
    looksFor: 'a teardown with no photo before anything is cleaned or renewed',
    reason: 'Six weeks later nobody can show the customer what was found.',
  },
  'text-differs': {
    looksFor:
      "the trainer's own words that name a figure, tool, size, number, part, place or facing other than the step",
    reason: 'The technician reads the words, the checks read the step; both have to say the same.',
  },
  'no-such-step': {
    looksFor: 'words that refer to a step number the procedure does not have',
    reason: 'The words come from another procedure, or steps were deleted since.',
  },
  'unlisted-tool': {
    looksFor: 'a tool told in words only, so that the tool list lacks it',
    reason: 'It is missed at the bench in the middle of the work.',
  },
  vague: {
    looksFor: 'words with nothing behind them: "to specification", "as required", "as shown" without a picture',
    reason: 'Everybody reads something else into it.',
  },
  'long-sentence': {
    looksFor: 'a sentence of more than 20 words',
    reason: 'It is read with gloves on and one eye on the pump; past twenty words it is read twice.',
  },
  'two-actions': {
    looksFor: 'a sentence that tells two things to do one after the other',
    reason: 'The second is forgotten, or done without the check that belongs to the first.',
  },
  'house-term': {
    looksFor: 'a word that this workshop says otherwise',
    reason: 'Two words for one thing read as two things.',
  },
  'paths-disagree': {
    looksFor: 'answers that leave the pump in different states',
    reason: 'What one technician finds done, another finds undone, and the next step fits only one of them.',
  },
  'methods-disagree': {
    looksFor: 'a method that leaves the pump in a different state than the step itself',
    reason: 'The next step fits only one of the methods.',
  },
  'too-many-ways': {
    looksFor: 'more ways through the questions at once than are followed',
    reason: 'On the ways left out nothing is checked.',
  },
  'dead-path': {
    looksFor: 'steps that no answer leads to; a warning for questions on which nothing depends',
    reason: 'The technician never sees the step, or answers for nothing.',
  },
  unconfirmed: {
    looksFor: 'drafted steps that nobody has looked at',
    reason: 'A draft knows the order, not the pump.',
  },
};
