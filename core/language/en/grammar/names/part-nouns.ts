import { kindFromName } from '../../../../reading/en/kind-words';

/** Whether a name ends as names of parts do. */
export function isPartNoun(name: string): boolean {
  return kindFromName(name) !== 'other' || UNDRAWN.test(name.toLowerCase().split(/\s+/).at(-1) ?? '');
}

/** What pumps have, and no picture shows by its kind. */
const UNDRAWN =
  /^(?:actuator|armature|arm|assembl(?:y|ies)|badge|base|baseplate|basket|bell|belt|board|bobbin|boot|bumper|cable|cam|carrier|cartridge|catch|chain|coil|column|cowl|crosshead|cup|deflector|disc|disk|drum|element|end|feet|filter|flapper|flinger|flow ?meter|foot|float|fork|governor|group|half|halves|handle|harness|hinge|hook|insert|intake|jacket|joint|knob|lance|latch|lever|link|linkage|magnet|mesh|meter|muffler|nameplate|nose|pad|panel|part|pedal|pin|pipework|piping|pivot|pulley|pull-out|pushrod|rail|regulator|reservoir|rocker|roller|screen|segment|sensor|set|sheave|shield|shoe|shroud|silencer|skid|solenoid|spider|spout|sprocket|stack|stage|star|stem|stop|strainer|strap|strip|stub|stuffing|suction|sump|support|switch|tail|tappet|terminal|thermostat|throat|tongue|transducer|trigger|unit|wearpad|weight|wheel|wick|winding|wire|worm|yoke)s?$/;
