import { makeDrill, itemKey, type GripItem } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { gradeGrip } from '../effort';
import { mod12, parseChord, pitchClassOf } from '../theory';
import { readNote } from '../theory/note';
import { must } from '../kernel';
import { drillFaults, graphFaults } from './faults';
import { firstSyllabus } from './first-syllabus';
import { ownDrills } from './skill';
import { skillsOf } from './skills-of';

const context = { hand: averageHand, instrument: standardGuitar };
const drills = firstSyllabus.skills.flatMap((skill) =>
  skill.practice.map(({ recipe }) => must(makeDrill(recipe, context))),
);

describe('the first syllabus', () => {
  test('has at least 24 skills whose drills really train them, without cycles', () => {
    expect(firstSyllabus.skills.length).toBeGreaterThanOrEqual(24);
    expect([...graphFaults(firstSyllabus), ...drillFaults(firstSyllabus.skills, context)]).toEqual([]);
  });

  test('every grip in it sounds the chord it is named for and nothing else', () => {
    const grips = drills
      .flatMap((drill) => drill.items)
      .filter((item): item is GripItem => item.kind === 'grip');
    expect(grips.length).toBeGreaterThan(60);
    for (const grip of grips) {
      const chord = must(parseChord(grip.chord));
      const heard = new Set(
        grip.frets.flatMap((fret, s) => (fret === null ? [] : [mod12(grip.tuning[s] + fret)])),
      );
      const tones = new Set(chord.tones.map((tone) => tone.pitchClass));
      // A bass that walks is named behind the slash.
      const bass = readNote(grip.chord.split('/')[1] ?? '');
      if (bass) tones.add(pitchClassOf(bass.note));
      expect([itemKey(grip), [...heard].filter((pc) => !tones.has(pc))]).toEqual([itemKey(grip), []]);
      const missing = chord.tones.filter((tone) => tone.required && !heard.has(tone.pitchClass));
      expect([itemKey(grip), missing.map((tone) => tone.degree)]).toEqual([itemKey(grip), []]);
      expect(pitchClassOf(chord.root)).toBeGreaterThanOrEqual(0);
    }
  });

  test('skills marked as barres need one and the others do not', () => {
    for (const skill of firstSyllabus.skills) {
      const made = ownDrills(skill).map((recipe) => must(makeDrill(recipe, context)));
      expect([skill.id, made.every((drill) => drill.hasBarre && drill.heaviestGrip > 45)]).toEqual([
        skill.id,
        skill.barre,
      ]);
    }
  });

  test('a loop credits its grips, its change and its progression', () => {
    const loop = drills.find((drill) =>
      drill.items.some((item) => item.kind === 'progression' && item.numerals.join() === 'I,V,vi,IV'),
    );
    const ids = skillsOf({ items: loop?.items ?? [] }, firstSyllabus).map((found) => found.skill.id);
    expect(ids).toEqual(expect.arrayContaining(['open.c', 'open.g', 'near.c-g', 'numbers.1564']));
    expect(ids).not.toContain('roots.6');
  });

  test('a movable barre is told from the same frets lower down', () => {
    const item = (chord: string, frets: number[]): GripItem => ({
      kind: 'grip',
      frets,
      chord,
      capo: 0,
      tuning: standardGuitar.openPitches,
      fingers: must(gradeGrip(frets, averageHand, standardGuitar)).fingering.fingers,
    });
    const ids = (grip: GripItem) => skillsOf({ items: [grip] }, firstSyllabus).map((found) => found.skill.id);
    expect(ids(item('F', [1, 3, 3, 2, 1, 1]))).toEqual(['low.e-major']);
    expect(ids(item('A', [5, 7, 7, 6, 5, 5]))).toEqual(['high.e-form']);
  });
});
