/**
 * What stands at the gate of a reader of XML: one pass over the text, each character looked at once, that refuses what would
 * cost a parser more than it is worth. It knows tags, attributes, comments and declarations, and builds nothing.
 */
import { fail, ok, type Result } from '../kernel/result';

export const XML_LIMITS = {
  characters: 8_000_000,
  depth: 40,
  /** A long piece for one guitar has about 20,000 elements; a small orchestra some 100,000. */
  elements: 150_000,
  /** No element of a score has ten. */
  attributesOfOne: 40,
  /** Characters between the brackets of one tag. */
  tag: 8_000,
  name: 120,
  /** Characters between two tags. */
  text: 20_000,
} as const;

const [QUOTE, APOSTROPHE, SLASH, EQUALS, GREATER, LESS] = ['"', "'", '/', '=', '>', '<'].map((one) =>
  one.charCodeAt(0),
);
const BANG = 33;
const ASK = 63;
const isSpace = (code: number) => code === 32 || (code >= 9 && code <= 13);

/**
 * @param root how the name of the outermost element begins
 * @returns the text without its declaration of a type and its mark of order. Problems: `xml.size`, `xml.entities`, `xml.depth`, `xml.count`, `xml.kind`,
 * `xml.form`; `at` is the line.
 */
export function throughGate(text: string, root: string): Result<string> {
  if (text.length > XML_LIMITS.characters) return fail('xml.size', 0, 'a file of at most 8 MB');
  let depth = 0;
  let elements = 0;
  let doctype: { from: number; to: number } | null = null;
  let end = 0;
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at)) {
    if (at - end > XML_LIMITS.text)
      return fail('xml.count', lineOf(text, at), `at most ${XML_LIMITS.text} characters between two tags`);
    const next = text.charCodeAt(at + 1);
    if (next === BANG || next === ASK) {
      const declared = declarationAt(text, at);
      if (!declared.ok) return fail(declared.problem.code, lineOf(text, at), declared.problem.detail);
      const { to, type } = declared.value;
      if (type && (doctype || elements > 0))
        return fail('xml.form', lineOf(text, at), 'one declaration of a type, before the first element');
      if (type) doctype = { from: at, to };
      at = end = to;
      continue;
    }
    const tag = tagAt(text, at);
    if (!tag.ok) return fail(tag.problem.code, lineOf(text, at), tag.problem.detail);
    if (tag.value.kind === 'closes') depth--;
    else {
      if (elements === 0 && !text.startsWith(root, at + 1))
        return fail('xml.kind', lineOf(text, at), 'a MusicXML score');
      elements++;
      if (tag.value.kind === 'opens') depth++;
    }
    if (depth < 0) return fail('xml.form', lineOf(text, at), 'an opening tag for every closing one');
    if (depth > XML_LIMITS.depth)
      return fail('xml.depth', lineOf(text, at), `elements at most ${XML_LIMITS.depth} deep`);
    if (elements > XML_LIMITS.elements)
      return fail('xml.count', lineOf(text, at), 'a smaller score, or one part of it');
    at = end = tag.value.to;
  }
  if (text.length - end > XML_LIMITS.text)
    return fail('xml.form', lineOf(text, end), 'nothing after the score');
  if (depth > 0) return fail('xml.form', lineOf(text, text.length), 'a closing tag for every opening one');
  const plain = doctype ? text.slice(0, doctype.from) + text.slice(doctype.to) : text;
  return ok(plain.replace(/^\uFEFF/, ''));
}

/** Line, from 1, of a place in a text; only ever asked once, where something is refused. */
function lineOf(text: string, at: number): number {
  let line = 1;
  for (let i = text.indexOf('\n'); i >= 0 && i < at; i = text.indexOf('\n', i + 1)) line++;
  return line;
}

const ENDS: readonly (readonly [begins: string, ends: string])[] = [
  ['<!--', '-->'],
  ['<![CDATA[', ']]>'],
  ['<?', '?>'],
];

/** A comment, a piece of plain text, an instruction, or the declaration of a type, which may declare nothing of its own. */
function declarationAt(text: string, at: number): Result<{ to: number; type: boolean }> {
  for (const [begins, ends] of ENDS) {
    if (!text.startsWith(begins, at)) continue;
    const end = text.indexOf(ends, at + begins.length);
    return end < 0
      ? fail('xml.form', 0, `an end (${ends}) for what begins here`)
      : ok({ to: end + ends.length, type: false });
  }
  const most = Math.min(text.length, at + XML_LIMITS.tag);
  for (let i = at + 2; i < most; i++) {
    const code = text.charCodeAt(i);
    if (code === GREATER) {
      const type = /^<!DOCTYPE\b/i.test(text.slice(at, at + 10));
      return type ? ok({ to: i + 1, type }) : fail('xml.entities', 0, ENTITIES);
    }
    if (text[i] === '[' || code === LESS) return fail('xml.entities', 0, ENTITIES);
  }
  return fail('xml.form', 0, 'an end (>) for the declaration that begins here');
}
const ENTITIES = 'a file without entities of its own; save it anew from your notation program';

/** One tag with its attributes, which must be quoted and few. */
function tagAt(
  text: string,
  from: number,
): Result<{ kind: 'opens' | 'closes' | 'stands alone'; to: number }> {
  const closes = text.charCodeAt(from + 1) === SLASH;
  const most = Math.min(text.length, from + XML_LIMITS.tag);
  let at = from + (closes ? 2 : 1);
  const nameFrom = at;
  while (at < most && !isSpace(text.charCodeAt(at)) && !'/><='.includes(text[at])) at++;
  if (at === nameFrom || at - nameFrom > XML_LIMITS.name || !/[\p{L}_]/u.test(text[nameFrom]))
    return fail('xml.form', 0, 'the name of an element after <');
  let attributes = 0;
  while (at < most) {
    const code = text.charCodeAt(at);
    if (code === GREATER) return ok({ kind: closes ? 'closes' : 'opens', to: at + 1 });
    if (code === SLASH && text.charCodeAt(at + 1) === GREATER && !closes)
      return ok({ kind: 'stands alone', to: at + 2 });
    if (code === LESS) return fail('xml.form', 0, 'an end (>) for the tag that begins here');
    if (code === EQUALS) {
      if (++attributes > XML_LIMITS.attributesOfOne)
        return fail('xml.count', 0, `at most ${XML_LIMITS.attributesOfOne} attributes on one element`);
      at++;
      while (at < most && isSpace(text.charCodeAt(at))) at++;
      const quote = text.charCodeAt(at);
      if (quote !== QUOTE && quote !== APOSTROPHE)
        return fail('xml.form', 0, 'quotes around every attribute');
      // Found within the tag or not at all: never to the end of the text.
      at++;
      while (at < most && text.charCodeAt(at) !== quote) at++;
    }
    at++;
  }
  return fail('xml.form', 0, `an end (>) within ${XML_LIMITS.tag} characters for the tag that begins here`);
}

/** The most a text has of one thing between two of another, by plain search: `<note` between `<measure`s. */
export function mostWithin(text: string, what: string, within: string): number {
  let most = 0;
  let count = 0;
  let border = text.indexOf(within);
  for (let at = text.indexOf(what); at >= 0; at = text.indexOf(what, at + what.length)) {
    while (border >= 0 && border < at) {
      count = 0;
      border = text.indexOf(within, border + within.length);
    }
    most = Math.max(most, ++count);
  }
  return most;
}
