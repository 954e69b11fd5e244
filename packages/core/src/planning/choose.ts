/**
 * Which blocks a lesson is made of and how long each is: worth added up, under the rules of a careful teacher, each of which is
 * a row of an integer programme and holds exactly or is lifted by name. In what order they come is asked afterwards.
 */
import { LIFTED_IN_TURN, type BlockKind, type LiftedRule } from './plan';
import { IntegerProgramme } from './integer-programme';

/** A block that might be in the lesson. */
export interface Choice {
  readonly id: string;
  readonly kind: BlockKind;
  readonly skillId: string;
  readonly strand: string;
  /** Drill family of its longest part. */
  readonly family: string;
  readonly worth: number;
  /** Chance that it comes clean over .85 already. */
  readonly held: boolean;
  /** Whether it is music: a piece, a progression, a strum, the new thing put to use. */
  readonly use: boolean;
  /** Music that was never played before: new in its own way. */
  readonly unmet: boolean;
  /** Music that is played already, and well enough to be a pleasure. */
  readonly known: boolean;
  /** Whether a hand plays in it. */
  readonly plays: boolean;
  /** Share of its minutes in which a barre is pressed. */
  readonly barreShare: number;
  readonly lengths: readonly number[];
  /** For a use: skills that it exercises. */
  readonly exercises: readonly string[];
  /** Set on a use made for one new skill: it makes sense only beside that skill's own block. */
  readonly onlyWith?: string;
}

export interface Chosen<C extends Choice = Choice> {
  readonly choice: C;
  readonly minutes: number;
}

export interface ChooseLimits {
  /** Minutes to fill with the choices. */
  readonly minutes: number;
  /** Of the whole lesson, for shares of it. */
  readonly lessonMinutes: number;
  readonly mostNew: number;
  readonly leastNew: number;
  readonly barreMinutes: number;
  readonly mostBlocks: number;
  /** One of these skills is in whatever it is worth: what slipped most, else whatever is in trouble. */
  readonly first: readonly string[];
  /** Skills that were promised: each is in. */
  readonly promised: readonly string[];
  /** Of each of these sets of skills so many are mended. */
  readonly mended: readonly { readonly skillIds: readonly string[]; readonly least: number }[];
  readonly strands: number;
  /** Strands of which something is in: they were not played for long. */
  readonly unseen: readonly string[];
  /** Pieces and progressions that are played already, where there are any. */
  readonly knownMusic: number;
  /** Least and most share of what is played that is music. */
  readonly music: { readonly least: number; readonly most: number };
  /** What stands in the lesson already: opener, locked blocks. */
  readonly there: {
    readonly strands: readonly string[];
    readonly playingMinutes: number;
    readonly useMinutes: number;
    readonly reviewMinutes: number;
    readonly barreBlocks: number;
    readonly otherBlocks: number;
  };
  /** Minutes of rest that may be laid in, or that must be. */
  readonly rest: { readonly minutes: readonly number[]; readonly must: boolean };
}

export interface Choosing<C extends Choice = Choice> {
  readonly chosen: readonly Chosen<C>[];
  readonly restMinutes: number;
  readonly value: number;
  /** No choice of these is worth more. */
  readonly bound: number;
  readonly lifted: readonly LiftedRule[];
}

export const CHOOSE = {
  /** Minutes after which 63 % of a block's worth is there; of music later. */
  scale: 3.5,
  useScale: 5,
  /** What the second new thing of one kind of movement costs, in worth of the best choice. */
  alike: 0.25,
} as const;

const named = (id: string, minutes: number): string => `${id}@${minutes}`;

/** A programme that can be asked again with another set of blocks forbidden. */
export class Chooser<C extends Choice> {
  private readonly byId: Map<string, C>;
  private readonly forbidden: (readonly string[])[] = [];

  constructor(
    choices: readonly C[],
    private readonly limits: ChooseLimits,
  ) {
    this.byId = new Map(choices.map((choice) => [choice.id, choice]));
  }

  private get choices(): readonly C[] {
    return [...this.byId.values()];
  }

  /** It turned out that it cannot be. */
  drop(id: string): void {
    this.byId.delete(id);
  }

  /** More is known of it now. */
  put(choice: C): void {
    this.byId.set(choice.id, choice);
  }

  /** These blocks together are not chosen again, at any length. */
  forbid(ids: readonly string[]): void {
    this.forbidden.push(ids);
  }

  /** The best choice, rules lifted in turn where none fits; null where nothing fills the minutes. @param seconds at most, for each try */
  async best(seconds: number): Promise<Choosing<C> | null> {
    // None, each alone, then ever more of them: as few as can be.
    const together = LIFTED_IN_TURN.map((_, i) => LIFTED_IN_TURN.slice(0, i + 1)).slice(1);
    for (const lifted of [[], ...LIFTED_IN_TURN.map((rule) => [rule]), ...together]) {
      const found = await this.asked(new Set(lifted), seconds);
      if (found) return { ...found, lifted };
    }
    return null;
  }

  private async asked(
    lifted: ReadonlySet<LiftedRule>,
    seconds: number,
  ): Promise<Omit<Choosing<C>, 'lifted'> | null> {
    const solved = await this.programme(lifted).solve(seconds);
    if (!solved) return null;
    const chosen: Chosen<C>[] = [];
    let restMinutes = 0;
    for (const name of solved.taken) {
      const at = name.lastIndexOf('@');
      if (at < 0) continue;
      const choice = this.byId.get(name.slice(0, at));
      const minutes = Number(name.slice(at + 1));
      if (choice) chosen.push({ choice, minutes });
      else if (name.startsWith('rest@')) restMinutes = minutes;
    }
    return { chosen, restMinutes, value: solved.value, bound: solved.bound };
  }

  private programme(lifted: ReadonlySet<LiftedRule>): IntegerProgramme {
    const { choices, limits } = this;
    const { there, minutes, lessonMinutes } = limits;
    const model = new IntegerProgramme();
    const top = Math.max(0, ...choices.map(({ worth }) => worth));
    const taken = (choice: C, weight: number | ((minutes: number) => number) = 1) =>
      choice.lengths.map(
        (length) => [named(choice.id, length), typeof weight === 'number' ? weight : weight(length)] as const,
      );
    const all = (which: (choice: C) => boolean, weight: number | ((minutes: number) => number) = 1) =>
      choices.filter(which).flatMap((choice) => taken(choice, weight));
    const long = (length: number) => length;

    for (const choice of choices) {
      const scale = choice.use ? CHOOSE.useScale : CHOOSE.scale;
      for (const length of choice.lengths)
        model.add(named(choice.id, length), choice.worth * (1 - Math.exp(-length / scale)));
      model.bound(`once ${choice.id}`, { most: 1 }, taken(choice));
    }
    for (const length of limits.rest.minutes) model.add(named('rest', length), -0.001 * top * length);
    const rests = limits.rest.minutes.map((length) => [named('rest', length), 1] as const);
    model.bound('one rest', limits.rest.must ? { least: 1, most: 1 } : { most: 1 }, rests);
    model.bound('minutes', { least: minutes, most: minutes }, [
      ...all(() => true, long),
      ...limits.rest.minutes.map((length) => [named('rest', length), length] as const),
    ]);

    const isNew = ({ kind }: C) => kind === 'new';
    model.bound(
      'new',
      { least: lifted.has('something new') ? 0 : limits.leastNew, most: limits.mostNew },
      all(isNew),
    );
    if (!lifted.has('blocks'))
      model.bound(
        'blocks',
        { most: limits.mostBlocks },
        all(() => true),
      );
    this.boundUses(model, lifted, taken);
    if (!lifted.has('promised'))
      for (const id of limits.promised)
        if (choices.some(({ skillId }) => skillId === id))
          model.bound(
            `promised ${id}`,
            { least: 1 },
            all(({ skillId }) => skillId === id),
          );
    if (!lifted.has('mended')) this.boundMended(model, all);
    model.bound(
      'unmet music',
      { most: 1 },
      all(({ unmet }) => unmet),
    );
    // Something that is played already comes round where there is any, and no shorter than what never was.
    const known = (choice: C) => choice.known;
    if (!lifted.has('music') && choices.some(known)) {
      model.bound('known music', { least: limits.knownMusic }, all(known));
      model.bound('known music first', { most: 0 }, [
        ...all(({ unmet }) => unmet, long),
        ...all(known, (length) => -length),
      ]);
    }

    if (!lifted.has('music')) {
      const { least, most } = limits.music;
      // Music between two shares of all that is played: uses less so much of every playing minute.
      const over = (share: number) => [
        ...all(({ use }) => use, long),
        ...all(
          ({ plays }) => plays,
          (length) => -share * length,
        ),
      ];
      const stands = (share: number) => share * there.playingMinutes - there.useMinutes;
      model.bound('music at least', { least: stands(least) }, over(least));
      model.bound('music at most', { most: stands(most) }, over(most));
    }
    if (!lifted.has('reviews'))
      model.bound(
        'reviews',
        { most: lessonMinutes / 2 - there.reviewMinutes },
        all(({ kind }) => kind === 'review', long),
      );
    this.boundLongest(model);
    model.bound(
      'barre minutes',
      { most: limits.barreMinutes },
      choices.flatMap((choice) => taken(choice, (length) => length * choice.barreShare)),
    );
    // Between two barre blocks something else stands.
    const barres = ({ barreShare }: C) => barreShare > 0;
    model.bound('barre blocks', { most: there.otherBlocks + 1 - there.barreBlocks }, [
      ...all(barres),
      ...all((choice) => !barres(choice), -1),
      ...rests.map(([name]) => [name, -1] as const),
    ]);
    for (const family of new Set(choices.map((choice) => choice.family)))
      model.bound(`family ${family}`, { most: 2 }, [
        ...all((choice) => choice.family === family),
        ...all((choice) => choice.family !== family, -2),
      ]);
    if (!lifted.has('strands')) this.boundStrands(model, all);
    if (!lifted.has('strands'))
      for (const strand of limits.unseen.filter((one) => choices.some((choice) => choice.strand === one)))
        model.bound(
          `unseen ${strand}`,
          { least: 1 },
          all((choice) => choice.strand === strand),
        );
    for (const strand of new Set(choices.filter(isNew).map((choice) => choice.strand))) {
      model.add(`alike ${strand}`, -CHOOSE.alike * top);
      model.bound(`alike ${strand}`, { most: 1 }, [
        ...all((choice) => isNew(choice) && choice.strand === strand),
        [`alike ${strand}`, -1],
      ]);
    }
    for (const [i, ids] of this.forbidden.entries())
      model.bound(
        `forbidden ${i}`,
        { most: ids.length - 1 },
        all(({ id }) => ids.includes(id)),
      );
    return model;
  }

  /** As many of what is in trouble as there can be, up to what is asked. */
  private boundMended(
    model: IntegerProgramme,
    all: (which: (choice: C) => boolean) => (readonly [string, number])[],
  ): void {
    const { promised, first, mended } = this.limits;
    const among = (skillIds: readonly string[]) => (choice: C) =>
      choice.onlyWith === undefined && skillIds.includes(choice.skillId);
    const rows = [
      ['first', first, Math.min(1, first.length)],
      ...mended.map(({ skillIds, least }, i) => [`mended ${i}`, skillIds, least] as const),
    ] as const;
    for (const [name, skillIds, least] of rows) {
      const there = this.choices.filter(among(skillIds)).length;
      if (there > 0) model.bound(name, { least: Math.min(least, there) }, all(among(skillIds)));
    }
    // What comes first cannot be the use of what is only begun after it.
    for (const one of this.choices.filter(among([...promised, ...first])).filter(({ use }) => use))
      for (const fresh of this.choices.filter(
        ({ kind, skillId }) => kind === 'new' && one.exercises.includes(skillId),
      ))
        model.bound(
          `before ${one.id} ${fresh.id}`,
          { most: 1 },
          all(({ id }) => id === one.id || id === fresh.id),
        );
  }

  /** A new thing comes with a use of it, and a use of a new thing with the thing itself. */
  private boundUses(
    model: IntegerProgramme,
    lifted: ReadonlySet<LiftedRule>,
    taken: (choice: C, weight?: number) => (readonly [string, number])[],
  ): void {
    const news = this.choices.filter(({ kind }) => kind === 'new');
    for (const one of news) {
      const uses = this.choices.filter(({ use, exercises }) => use && exercises.includes(one.skillId));
      // What is heard or named and has no use of its own is not asked for one.
      if (!lifted.has('use of the new') && (one.plays || uses.length > 0))
        model.bound(`use of ${one.id}`, { most: 0 }, [
          ...taken(one),
          ...uses.flatMap((use) => taken(use, -1)),
        ]);
    }
    for (const use of this.choices.filter(({ onlyWith }) => onlyWith !== undefined)) {
      const own = news.filter(({ skillId }) => skillId === use.onlyWith);
      model.bound(`only with ${use.id}`, { most: 0 }, [
        ...taken(use),
        ...own.flatMap((one) => taken(one, -1)),
      ]);
    }
  }

  /** Where a held block lasts so long, one that is not held lasts longer. */
  private boundLongest(model: IntegerProgramme): void {
    const open = this.choices.filter((choice) => !choice.held);
    for (const choice of this.choices.filter(({ held }) => held))
      for (const length of choice.lengths)
        model.bound(`shorter ${named(choice.id, length)}`, { most: 0 }, [
          [named(choice.id, length), 1],
          ...open.flatMap((one) =>
            one.lengths
              .filter((longer) => longer > length)
              .map((longer) => [named(one.id, longer), -1] as const),
          ),
        ]);
  }

  private boundStrands(
    model: IntegerProgramme,
    all: (which: (choice: C) => boolean, weight?: number) => (readonly [string, number])[],
  ): void {
    const { there, strands } = this.limits;
    const open = [...new Set(this.choices.map(({ strand }) => strand))].filter(
      (strand) => !there.strands.includes(strand),
    );
    for (const strand of open) {
      model.add(`strand ${strand}`, 0);
      model.bound(`strand ${strand}`, { most: 0 }, [
        [`strand ${strand}`, 1],
        ...all((choice) => choice.strand === strand, -1),
      ]);
    }
    model.bound(
      'strands',
      { least: strands - there.strands.length },
      open.map((strand) => [`strand ${strand}`, 1]),
    );
  }
}
