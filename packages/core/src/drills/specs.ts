/**
 * What each family may be given, without what it makes of it: the contract checks recipes by this, and a page that only stores
 * them does not load the families.
 */
import { parameters as approach } from './families/approach/parameters';
import { parameters as bassWalk } from './families/bass-walk/parameters';
import { parameters as changeLoop } from './families/change-loop/recipe';
import { parameters as closeTriads } from './families/close-triads/parameters';
import { parameters as colourSwap } from './families/colour-swap/parameters';
import { parameters as degrees } from './families/degrees/parameters';
import { parameters as earPairs } from './families/ear-pairs/parameters';
import { parameters as embellish } from './families/embellish/parameters';
import { parameters as familyLadder } from './families/family-ladder/parameters';
import { parameters as fiveForms } from './families/five-forms/parameters';
import { parameters as formula } from './families/formula/parameters';
import { parameters as keyDetective } from './families/key-detective/parameters';
import { parameters as melodyOnTop } from './families/melody-on-top/parameters';
import { parameters as noteReading } from './families/note-reading/parameters';
import { parameters as numberCalls } from './families/number-calls/parameters';
import { parameters as openTask } from './families/open-task/parameters';
import { parameters as ownSmallPiece } from './families/own-small-piece/parameters';
import { parameters as pickingPattern } from './families/picking-pattern/parameters';
import { parameters as pieceSection } from './families/piece-section/parameters';
import { parameters as ringCheck } from './families/ring-check/parameters';
import { parameters as rootCall } from './families/root-call/recipe';
import { parameters as scaleInTheShape } from './families/scale-in-the-shape/parameters';
import { parameters as spellIt } from './families/spell-it/parameters';
import { parameters as stringWalk } from './families/string-walk/parameters';
import { parameters as strumReading } from './families/strum-reading/parameters';
import { parameters as singIt } from './families/sing-it/parameters';
import { parameters as tapIt } from './families/tap-it/parameters';
import { parameters as triadPairs } from './families/triad-pairs/parameters';
import { parameters as twoAString } from './families/two-a-string/parameters';
import { parameters as writeItOut } from './families/write-it-out/parameters';
import { parameters as warmUp } from './families/warm-up/parameters';
import type { Specs } from './parameters';
import type { DrillFamily } from './recipe';

/** In the order of the families. */
export const FAMILY_SPECS: readonly { readonly name: DrillFamily; readonly parameters: Specs }[] = [
  { name: 'warm up', parameters: warmUp },
  { name: 'string walk', parameters: stringWalk },
  { name: 'note reading', parameters: noteReading },
  { name: 'root call', parameters: rootCall },
  { name: 'formula', parameters: formula },
  { name: 'ring check', parameters: ringCheck },
  { name: 'family ladder', parameters: familyLadder },
  { name: 'five forms', parameters: fiveForms },
  { name: 'close triads', parameters: closeTriads },
  { name: 'degrees', parameters: degrees },
  { name: 'change loop', parameters: changeLoop },
  { name: 'bass walk', parameters: bassWalk },
  { name: 'scale in the shape', parameters: scaleInTheShape },
  { name: 'two a string', parameters: twoAString },
  { name: 'embellish', parameters: embellish },
  { name: 'spell it', parameters: spellIt },
  { name: 'ear pairs', parameters: earPairs },
  { name: 'sing it', parameters: singIt },
  { name: 'tap it', parameters: tapIt },
  { name: 'write it out', parameters: writeItOut },
  { name: 'number calls', parameters: numberCalls },
  { name: 'key detective', parameters: keyDetective },
  { name: 'approach', parameters: approach },
  { name: 'colour swap', parameters: colourSwap },
  { name: 'triad pairs', parameters: triadPairs },
  { name: 'melody on top', parameters: melodyOnTop },
  { name: 'strum reading', parameters: strumReading },
  { name: 'picking pattern', parameters: pickingPattern },
  { name: 'piece section', parameters: pieceSection },
  { name: 'own small piece', parameters: ownSmallPiece },
  { name: 'open task', parameters: openTask },
];
