import { kindFromName } from '../../../../reading/en/kind-words';

/** Whether a name ends as names of parts do. */
export function isPartNoun(name: string): boolean {
  if (OF_CANNED_MOTOR.test(name)) return true;
  // An end float is measured, and floats nowhere.
  if (/\b(?:end|axial) float$/i.test(name)) return false;
  return kindFromName(name) !== 'other' || UNDRAWN.test(name.toLowerCase().split(/\s+/).at(-1) ?? '');
}

/** "The rotor can"; any other can is none of the pump's. */
export const OF_CANNED_MOTOR = /\b(?:rotor|stator|motor|containment) cans?$/i;

/** What pumps have, and no picture shows by its kind. */
const UNDRAWN =
  /^(?:actuator|adapter|adaptor|arm|armature|assemblie|assembly|badge|band|base|baseplate|basket|bell|bellow|belt|board|bobbin|boot|bracket|brush|bumper|cable|cage|cam|carrier|cartridge|catch|chain|choke|clevis|coil|column|commutator|connection|connector|core|coupler|cowl|cradle|crank|crankcase|crosshead|cup|cushion|deflector|diffuser|disc|disk|dowel|drum|eccentric|elbow|element|end|eyelet|fan|feet|ferrule|filter|flapper|flinger|float|flow ?meter|foot|fork|frame|girdle|governor|grommet|group|guide|half|halves|handle|hanger|harness|head|hinge|hook|hub|insert|intake|jacket|jaw|joint|knob|lamination|lance|latch|lead|lever|lid|lining|link|linkage|lobe|magnet|manifold|mesh|meter|mount|mounting|muffler|nameplate|nose|nozzle|orifice|pad|paddle|panel|part|pawl|pedal|pin|pipework|piping|pivot|pointer|poppet|pot|probe|profile|pull-out|pulley|pushrod|rack|rail|receiver|reducer|regulator|reservoir|restrictor|retainer|rib|rivet|rocker|roller|saddle|scoop|screen|segment|sensor|separator|set|sheave|shell|shield|shoe|shroud|shuttle|silencer|skid|slide|slinger|slipper|sock|solenoid|spider|splitter|spout|sprocket|stabiliser|stabilizer|stack|stage|star|stator|stay|stem|stirrup|stop|strainer|strap|strip|stub|stuffing|suction|sump|support|switch|swivel|tail|tank|tappet|tensioner|terminal|thermostat|throat|tie|tongue|transducer|tray|trigger|trim|trunnion|tube|tubing|turbine|union|unit|vane|venturi|volute|wearpad|web|weight|wheel|wick|winding|window|wire|worm|yoke)s?$/;
