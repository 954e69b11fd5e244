import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { findShapes, type GradedGrip } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { paperCard } from './shape-paper';

const [grip] = findShapes({
  chord: must(parseChord('Bbm7')),
  hand: averageHand,
  instrument: standardGuitar,
  limits: { bass: 'root' },
}) as GradedGrip[];

test('a grip on paper has its name in signs, how it is called, its effort, and what this student calls it', () => {
  const card = paperCard(grip, 'Bbm7', null);
  expect(card.name).toBe('B♭m7');
  expect(card.under).toMatch(new RegExp(`; effort ${Math.round(grip.effort.total)}$`));
  const hooked = paperCard(grip, 'Bbm7', {
    subject: '',
    nickname: 'the ladder',
    picture: null,
    version: 1,
  } as never);
  expect(hooked.under).toContain('“the ladder”');
  expect(
    paperCard(grip, 'Bbm7', { subject: '', nickname: '', picture: null, version: 1 } as never).under,
  ).toBe(card.under);
});

test('a bass that is no tone of the chord has no degree on the card', () => {
  const slash = { ...grip, degrees: grip.degrees.map((degree, i) => (i === 0 ? 'bass' : degree)) };
  expect(paperCard(slash, 'Bbm7/C', null).degrees?.[0]).toBeNull();
  expect(paperCard(slash, 'Bbm7/C', null).degrees?.slice(1)).toEqual(grip.degrees.slice(1));
});
