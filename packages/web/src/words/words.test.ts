import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { changeLoop, drillTitle } from '@finch/core/drills';
import { averageHand, makeHand, standardGuitar } from '@finch/core/fretboard';
import { EFFORT_PARTS, gradeGrip } from '@finch/core/effort';
import { parseFrets } from '@finch/core/grips';
import { must } from '@finch/core/kernel';
import {
  chordText,
  degreeText,
  knowsProblem,
  knowsWord,
  say,
  sayError,
  sayProblem,
  spokenChord,
} from './index';

/** Every code of a kind that a part of the house can make, read from its sources. */
function codesIn(part: string, pattern: RegExp): Set<string> {
  const found = new Set<string>();
  const walk = (folder: string) => {
    for (const name of readdirSync(folder)) {
      const path = join(folder, name);
      if (statSync(path).isDirectory()) walk(path);
      else if (/\.ts$/.test(name) && !/\.test\.ts$/.test(name))
        for (const match of readFileSync(path, 'utf8').matchAll(pattern)) found.add(match[1]);
    }
  };
  walk(join(__dirname, '../../..', part, 'src'));
  return found;
}

test('every reason the core can give has words', () => {
  const codes = codesIn(
    'core',
    /'((?:because|left|brings|title|question|ask|check|move|sheet|found|why|advice|report)\.[a-z0-9-]+)'/g,
  );
  expect(codes.size).toBeGreaterThan(60);
  expect(
    [...codes, ...EFFORT_PARTS.map((part) => `effort.${part}`), 'effort.none'].filter(
      (code) => !knowsWord(code),
    ),
  ).toEqual([]);
});

test('every sentence of a letter that the server writes has words', () => {
  const codes = [...codesIn('server', /'(letter\.pain-[a-z-]+)'/g)];
  expect(codes.length).toBeGreaterThan(3);
  expect(codes.filter((code) => !knowsWord(code))).toEqual([]);
});

test('every problem that core, contract and server can answer has words', () => {
  const made = /(?:fail\(|new Refusal\(|\bcode: )\s*'([a-z][a-z0-9-]*(?:\.[a-z0-9-]+)*)'/g;
  const codes = ['core', 'contract', 'server'].flatMap((part) => [...codesIn(part, made)]);
  expect(codes.length).toBeGreaterThan(120);
  // Reasons are codes too, worded elsewhere; faults of a chart have words and a place of their own.
  const reason =
    /^(because|left|brings|title|question|ask|check|move|sheet|found|why|advice|report|letter|name|effort|chart|practise|import)\./;
  const silent = [...new Set(codes)].filter((code) => !reason.test(code) && !knowsProblem(code));
  expect(silent).toEqual([]);
});

test('a field that a request got wrong is called as on screen', () => {
  const said = (at: string) => sayProblem({ code: 'request.body', at, detail: 'a name' });
  expect(said('name')).toBe('The name: a name.');
  expect(said('plan.blocks.3.minutes')).toBe('The minutes: a name.');
  expect(said('something.else')).toBe('Not taken: a name.');
});

test('the parts of a grip are said with their numbers', () => {
  const effort = must(gradeGrip(must(parseFrets('133211')), averageHand, standardGuitar));
  const said = Object.fromEntries(effort.parts.map((part) => [part.name, say(part.why)]));
  expect(said.barre).toBe('index on 6 strings, pressing 3, fret 1');
  expect(said.fingers).toBe('4 fingers: 1, 2, 3, 4');
  expect(said.mutes).toBe('nothing here');
  const thumb = must(
    gradeGrip(
      must(parseFrets('2x0232')),
      must(makeHand({ thumbOver: true, sizeFactor: 1.12 })),
      standardGuitar,
    ),
  );
  expect(say(thumb.parts[7].why)).toBe('thumb over string 6, fret 2');
});

test.each([
  ['Bbm7', 'B♭m7'],
  ['F#m7b5', 'F♯m7♭5'],
  ['Abmaj7', 'A♭△7'],
  ['C/E', 'C/E'],
  ['Ebadd9', 'E♭add9'],
  ['Gdim', 'Gdim'],
])('%s is drawn %s', (symbol, drawn) => {
  expect(chordText(symbol)).toBe(drawn);
});

test('chords and degrees are spoken in full', () => {
  expect(spokenChord('Abm6')).toBe('A flat minor 6');
  expect(spokenChord('F#m7b5')).toBe('F sharp minor 7 flat 5');
  expect(degreeText('b3')).toBe('♭3');
});

test('a refusal names the thing and the next step', () => {
  expect(sayProblem({ code: 'chord.quality', at: '4', detail: 'Abm6' })).toBe(
    'Not read from character 5 on. A♭m6?',
  );
  expect(sayProblem({ code: 'chord.german-h', at: '0', detail: 'B7' })).toContain('Read it as B7');
  expect(sayProblem({ code: 'unheard.of', at: 'minutes', detail: '10 to 180 minutes' })).toBe(
    'The minutes: 10 to 180 minutes.',
  );
  expect(sayError(new TypeError('x is not a function'))).toContain('Something went wrong in this window');
});

test('a loop of more than two grips is named by all of them', () => {
  const grip = (chord: string) => ({ chord, frets: [null, 3, 2, 0, 1, 0] });
  const loop = (...chords: string[]) =>
    say(drillTitle(changeLoop({ grips: chords.map(grip), beatsEach: 4 })));
  expect(loop('C', 'Bbm')).toBe('C → B♭m');
  expect(loop('C', 'Am', 'F')).toBe('C → Am → F');
});

test('why a number is what it is: a fall, what slips, what is stuck, days away, with tempo where there was one', () => {
  const on = Date.UTC(2026, 9, 16, 12);
  const told = (code: string, values: Record<string, number | string>) =>
    say({ code: `why.${code}`, values });
  const fall = { from: 87, to: 36, on, missed: 3, of: 4, slow: 72, fast: 80, target: 60 };
  expect(told('fall', fall)).toBe(
    'Fell from 87 to 36 on 16 Oct: 3 of 4 takes not clean, at 72 to 80 bpm, over the 60 aimed at.',
  );
  expect(told('fall', { ...fall, fast: 60, slow: 60 })).toBe(
    'Fell from 87 to 36 on 16 Oct: 3 of 4 takes not clean, at 60 bpm.',
  );
  expect(told('slipping', { was: 90, on, missed: 1, slow: 0, fast: 0, last: on })).toBe(
    'Was 90 on 16 Oct. Its last take, on 16 Oct, was not clean.',
  );
  expect(told('slipping', { was: 90, on, missed: 3, slow: 36, fast: 40, last: on })).toBe(
    'Was 90 on 16 Oct. Its last 3 takes, at 36 to 40 bpm, were not clean; the latest on 16 Oct.',
  );
  const stuck = { takes: 16, since: on, recent: 8, clean: 0, best: 63, slow: 34, fast: 34 };
  expect(told('stuck', stuck)).toBe(
    '16 takes since 16 Oct. Of the last 8, at 34 bpm, none came clean; the best had 63 of 100 steps clean.',
  );
  expect(told('stuck', { ...stuck, clean: 2 })).toBe(
    '16 takes since 16 Oct. Of the last 8, at 34 bpm, 2 came clean.',
  );
  expect(told('stuck', { ...stuck, best: 0 })).toBe(
    '16 takes since 16 Oct. Of the last 8, at 34 bpm, none came clean.',
  );
  expect(told('away', { lost: 1, days: 57, last: on })).toBe('No take for 57 days: that took 1 point.');
  expect(say({ code: 'advice.slower', values: { bpm: 31 } })).toBe(
    'Try 31 bpm, and go up after two clean takes.',
  );
});
