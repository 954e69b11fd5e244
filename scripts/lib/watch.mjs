// Watches a program that must run: when it ends and nobody asked it to, it is started again, and that is said. One that ends
// again and again is given up.
import { isEnding } from './signals.mjs';

const MOST_ENDS = 5;
const WITHIN_MS = 60_000;

/**
 * `name` is how it is called, `whenEnded` calls back once when it ends, with how; `again` starts it again and says false or throws
 * when it does not come back; `giveUp` is told in words when it is given up, `say` what happens.
 */
export function watch({ name, whenEnded, again, giveUp, say, mostEnds = MOST_ENDS, now = Date.now }) {
  let ends = [];
  const ended = async (how) => {
    if (isEnding()) return;
    ends = [...ends.filter((at) => at > now() - WITHIN_MS), now()];
    if (ends.length > mostEnds)
      return giveUp(
        `${name} ended ${ends.length} times within a minute (${how}). Nothing that was stored is lost.`,
      );
    say(`${name} ended (${how}); starting it again.`);
    const began = now();
    const back = await comesBack(again, say);
    if (isEnding()) return;
    if (!back) return giveUp(`${name} did not come back. Nothing that was stored is lost.`);
    say(`${name} is back after ${((now() - began) / 1000).toFixed(1)} s.`);
    whenEnded(ended);
  };
  whenEnded(ended);
}

/** Twice: the database may be on its way while the server is begun. */
async function comesBack(again, say) {
  for (let tries = 0; tries < 2; tries++) {
    try {
      if ((await again()) !== false) return true;
    } catch (error) {
      say(error.message);
    }
  }
  return false;
}
