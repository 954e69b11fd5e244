import { mostWithin, throughGate, XML_LIMITS } from './xml-gate';

const gate = (text: string) => {
  const read = throughGate(text, 'score');
  return read.ok ? read.value : `${read.problem.code} in line ${read.problem.at}`;
};

test('what is well formed goes through, without its declaration of a type and its mark of order', () => {
  const inner = '<score a="1" b=\'>\'>\n<!-- < a > comment --><c/><![CDATA[ <d> ]]></score>\n';
  expect(gate(`\uFEFF<?xml version="1.0"?><!DOCTYPE score PUBLIC "x" "y">${inner}`)).toBe(
    `<?xml version="1.0"?>${inner}`,
  );
});

test.each([
  ['<score>\n<a>\n</score>', 'xml.form in line 3'],
  ['<score/></score>', 'xml.form in line 1'],
  ['<score>\n<!-- never ends </score>', 'xml.form in line 2'],
  ['<score a=b/>', 'xml.form in line 1'],
  ['<score a="b/>', 'xml.form in line 1'],
  ['<score <a/>', 'xml.form in line 1'],
  ['<score>< a/></score>', 'xml.form in line 1'],
  ['<!DOCTYPE score [<!ENTITY a "b">]><score/>', 'xml.entities in line 1'],
  ['<score><!ENTITY a "b"></score>', 'xml.entities in line 1'],
  ['<!DOCTYPE a><!DOCTYPE a><score/>', 'xml.form in line 1'],
  ['<score/>\n<!DOCTYPE a>', 'xml.form in line 2'],
  [`<${'s'.repeat(XML_LIMITS.name + 1)}/>`, 'xml.form in line 1'],
  [
    `<score ${Array.from({ length: XML_LIMITS.attributesOfOne + 1 }, (_, i) => `a${i}=""`).join(' ')}/>`,
    'xml.count in line 1',
  ],
  [`<score a="${'x'.repeat(XML_LIMITS.tag)}"/>`, 'xml.form in line 1'],
  [`<score/>${' '.repeat(XML_LIMITS.text + 1)}`, 'xml.form in line 1'],
  [`<score>${'<a/>'.repeat(XML_LIMITS.elements)}</score>`, 'xml.count in line 1'],
  ['x'.repeat(XML_LIMITS.characters + 1), 'xml.size in line 0'],
  [`<score>${'<a>'.repeat(XML_LIMITS.depth)}`, 'xml.depth in line 1'],
])('%.40s is refused: %s', (text, problem) => expect(gate(text)).toBe(problem));

test('what is at a limit goes through', () => {
  const deep = XML_LIMITS.depth - 1;
  const many = Array.from({ length: XML_LIMITS.attributesOfOne }, (_, i) => `a${i}=""`).join(' ');
  for (const text of [
    `<score>${'<a>'.repeat(deep)}${'</a>'.repeat(deep)}</score>`,
    `<score ${many}/>`,
    `<score>${'x'.repeat(XML_LIMITS.text)}</score>`,
    `<score>${'<a/>'.repeat(XML_LIMITS.elements - 1)}</score>`,
  ])
    expect(gate(text)).toBe(text);
});

test('the most of one thing within another', () => {
  expect(mostWithin('n', 'n', 'm')).toBe(1);
  expect(mostWithin('m n n m n m n n n', 'n', 'm')).toBe(3);
  expect(mostWithin('', 'n', 'm')).toBe(0);
});
