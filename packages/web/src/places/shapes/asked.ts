/** What is asked of a grip, as the controls of the Shapes bench hold it, and the limits of the search it means. */
import type { Form, LimitStep, ShapeLimits, Style, Use } from '@finch/core/shapes';

/** `null` and `any` ask nothing. */
export interface Asked {
  rootInBass: boolean;
  open: 'any' | 'none' | 'some';
  barre: boolean;
  effortUpTo: number;
  strings: Record<number, 'any' | 'must' | 'leave'>;
  rootString: number | null;
  form: Form | null;
  inversion: string | null;
  top: string | null;
  fromFret: number;
  toFret: number;
  use: Use | null;
  style: Style | null;
}

export const NOTHING_ASKED: Asked = {
  rootInBass: true,
  open: 'any',
  barre: true,
  effortUpTo: 100,
  strings: {},
  rootString: null,
  form: null,
  inversion: null,
  top: null,
  fromFret: 0,
  toFret: 15,
  use: null,
  style: null,
};

/** The limits of the search that the controls mean. */
export function limitsOf(asked: Asked): Partial<ShapeLimits> {
  const by = (what: 'must' | 'leave') =>
    Object.entries(asked.strings)
      .filter(([, how]) => how === what)
      .map(([string]) => Number(string));
  return {
    bass: asked.rootInBass && asked.inversion === null ? 'root' : 'any',
    allowOpen: asked.open !== 'none',
    wantOpen: asked.open === 'some',
    allowBarre: asked.barre,
    maxEffort: asked.effortUpTo,
    mustSound: by('must'),
    mustMute: by('leave'),
    rootString: asked.rootString,
    form: asked.form,
    inversion: asked.inversion,
    top: asked.top,
    minFret: asked.fromFret,
    maxFret: Math.max(asked.fromFret, asked.toFret),
  };
}

/** The controls after a step that fills an empty list was taken. */
export function givenWay(asked: Asked, way: LimitStep): Asked {
  const next: Asked = { ...asked };
  way.limits.forEach((limit, i) => {
    const to = way.to[i];
    if (limit === 'maxEffort') next.effortUpTo = to ?? 100;
    else if (limit === 'maxFret') next.toFret = to ?? 15;
    else if (limit === 'minFret') next.fromFret = to ?? 0;
    else if (limit === 'bass' || limit === 'allowRootless') next.rootInBass = false;
    else if (limit === 'allowOpen' || limit === 'wantOpen') next.open = 'any';
    else if (limit === 'allowBarre') next.barre = true;
    else if (limit === 'mustSound' || limit === 'mustMute') next.strings = {};
    else if (limit === 'rootString') next.rootString = null;
    else if (limit === 'form') next.form = null;
    else if (limit === 'inversion') next.inversion = null;
    else if (limit === 'top') next.top = null;
  });
  return next;
}
