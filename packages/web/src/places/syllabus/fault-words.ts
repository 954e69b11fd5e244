/** Faults of a syllabus, their cures and its changes in words, by the names of its skills. */
import type { SyllabusDifference, SyllabusEdit, SyllabusFault } from '@finch/core/syllabus';
import { plural } from '../../words';

export type NameOf = (id: string) => string;

/** A fault: what is wrong in a few words, and what it does. */
export interface FaultSaid {
  readonly title: string;
  readonly told: string;
}

export function sayFault({ code, at, detail }: SyllabusFault, nameOf: NameOf): FaultSaid {
  const [first = ''] = at;
  const name = nameOf(first);
  switch (code) {
    case 'syllabus.empty':
      return { title: 'No skill', told: 'A syllabus has one skill or more.' };
    case 'syllabus.twice':
      return { title: `${name} is there twice`, told: `Two skills have the id ${first}.` };
    case 'syllabus.strand':
      return { title: `${name}: no strand`, told: `There is no strand “${detail}”.` };
    case 'syllabus.need':
      return {
        title: `${name}: no way in`,
        told: `It needs ${nameOf(detail)}, which is not there any more.`,
      };
    case 'syllabus.cycle':
      return at.length === 1
        ? { title: `${name} needs itself`, told: 'Nobody could ever start it.' }
        : {
            title: `A ring: ${at.map(nameOf).join(', ')}`,
            told: `${at.map((id, i) => `${nameOf(id)} needs ${nameOf(at[(i + 1) % at.length])}`).join('; ')}. Nobody could ever start one of them.`,
          };
    case 'syllabus.behind':
      return {
        title: `${plural(at.length, 'skill')} without a way in`,
        told: `${at.slice(0, 4).map(nameOf).join(', ')}${at.length > 4 ? ' and more' : ''} wait for what is named above, and come free with it.`,
      };
    case 'syllabus.untrained':
      return { title: `${name}: no drill`, told: 'Nothing trains it.' };
    case 'syllabus.drill': {
      const [number, problem] = detail.split(': ');
      return {
        title: `${name}: drill ${number} does not train it`,
        told: problem
          ? 'It cannot be made for a grown hand on a guitar in standard tuning.'
          : 'What it plays is not what this skill is told by.',
      };
    }
    case 'syllabus.course':
      return { title: `${name} names what is gone`, told: `${nameOf(detail)} is not there any more.` };
  }
}

/** What a change does, as a button says it: "Need Am instead". */
export function sayEdit(edit: SyllabusEdit, nameOf: NameOf): string {
  switch (edit.do) {
    case 'need':
      if (edit.instead !== undefined) return `Need ${nameOf(edit.need)} instead`;
      return edit.beside === undefined
        ? `${nameOf(edit.skill)} needs ${nameOf(edit.need)}`
        : `${nameOf(edit.skill)} needs ${nameOf(edit.beside)} or ${nameOf(edit.need)}`;
    case 'drop need':
      return `Drop “${nameOf(edit.skill)} needs ${nameOf(edit.need)}”`;
    case 'set':
      return edit.to.strand === undefined ? `Change ${nameOf(edit.skill)}` : `Put it in ${edit.to.strand}`;
    case 'add':
      return edit.at === undefined ? `Add ${edit.skill.name}` : `Put ${edit.skill.name} back`;
    case 'take out':
      return `Take ${nameOf(edit.skill)} out`;
    case 'drop drill':
      return `Drop drill ${edit.at + 1} of ${nameOf(edit.skill)}`;
    case 'leave out':
      return `Leave it out of ${nameOf(edit.course)}`;
  }
}

/** "3 new, 1 taken out, 5 changed"; null where nothing differs. */
export function sayDifference({ added, gone, changed, frame }: SyllabusDifference): string | null {
  const parts = [
    added.length ? `${added.length} new` : '',
    gone.length ? `${gone.length} taken out` : '',
    changed.length ? `${changed.length} changed` : '',
  ].filter(Boolean);
  if (parts.length) return parts.join(', ');
  return frame ? 'its name, strands or ways in changed' : null;
}
