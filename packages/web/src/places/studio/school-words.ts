/** The switches of the schools in words: what each is about, what its choices mean. Settings, never a sermon. */
import { SCHOOL_CHOICES, type SchoolSwitch } from '@finch/core/shapes';

export interface SwitchWords {
  readonly name: string;
  readonly about: string;
  readonly choices: Readonly<Record<string, string>>;
}

export const SWITCH_WORDS: Readonly<Record<SchoolSwitch, SwitchWords>> = {
  thumb: {
    name: 'Thumb',
    about: 'whether the thumb may fret the thickest string',
    choices: {
      'as the hand': 'as each hand has it',
      'behind the neck': 'behind the neck, always',
      'over the top': 'over the top for bass notes',
    },
  },
  fingering: {
    name: 'Fingering',
    about: 'one way to hold a grip, or any that is clean',
    choices: { comfortable: 'whatever is comfortable', prescribed: 'one prescribed' },
  },
  formNames: {
    name: 'Form names',
    about: 'what the five movable layouts are called',
    choices: {
      letters: 'letters, C A G E D',
      numbers: 'patterns by number',
      'root strings': 'by their root string',
    },
  },
  firstForm: {
    name: 'Pattern 1',
    about: 'where the count begins, when forms have numbers',
    choices: Object.fromEntries(SCHOOL_CHOICES.firstForm.map((form) => [form, `the ${form} form`])),
  },
  triadNames: {
    name: 'Close triads',
    about: 'what their inversions are told apart by',
    choices: { 'lowest note': 'the lowest note', 'root string': 'the number of the root’s string' },
  },
  chordNames: {
    name: 'Chord names',
    about: 'the exact symbol, or only the family of the sound',
    choices: { exact: 'exact, every extension', family: 'just the family' },
  },
  root: {
    name: 'Root',
    about: 'who plays it',
    choices: { 'in the bass': 'always in the bass', 'left to the bass': 'the bass player has it' },
  },
  fiveUnderRoot: {
    name: 'The 5 under the root',
    about: 'it muddies, or it fattens',
    choices: { avoid: 'avoid it', use: 'use it' },
  },
  outerStrings: {
    name: 'Outer strings',
    about: 'how full a grip is proposed first',
    choices: { full: 'full grips', 'inner four': 'only the inner four' },
  },
  stringDown: {
    name: '“One string down”',
    about: 'which way that goes',
    choices: {
      'to the thin side': 'toward string 1, the floor',
      'to the thick side': 'toward string 6, lower notes',
    },
  },
  fretDown: {
    name: '“Down a fret”',
    about: 'which way that goes',
    choices: { 'to the nut': 'toward the nut', 'to the body': 'toward the body' },
  },
};

export const SWITCHES = Object.keys(SCHOOL_CHOICES) as readonly SchoolSwitch[];
