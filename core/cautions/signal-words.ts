import type { SignalWord } from '../model/procedure-words';

interface SignalDefinition {
  /** What the word stands for. */
  readonly meaning: string;
  /** Of the published safety colours: the panel behind the word. */
  readonly colour: 'red' | 'orange' | 'yellow' | 'blue';
  /** The colour as near as a screen shows it, and that of the word on it, in sRGB. */
  readonly panel: string;
  readonly word: string;
}

/**
 * The signal words as ANSI Z535.6 defines them for documents, with the colours of ANSI Z535.4 and ISO 3864-2 for the
 * panel; recalled from memory. NOTICE is for damage only and is no safety word in ISO 3864-2.
 */
export const SIGNALS: Readonly<Record<SignalWord, SignalDefinition>> = {
  DANGER: {
    meaning: 'will kill or seriously injure, if it is not avoided',
    colour: 'red',
    panel: '#b81d1d',
    word: '#ffffff',
  },
  WARNING: {
    meaning: 'could kill or seriously injure, if it is not avoided',
    colour: 'orange',
    panel: '#ff8200',
    word: '#000000',
  },
  CAUTION: {
    meaning: 'could injure slightly or moderately, if it is not avoided',
    colour: 'yellow',
    panel: '#ffd100',
    word: '#000000',
  },
  NOTICE: {
    meaning: 'could damage the pump or the tool; nobody is hurt',
    colour: 'blue',
    panel: '#0b559f',
    word: '#ffffff',
  },
};
