/** What a bass walk may be given. */
import { chord, key, oneOf, tempo, whole, yesOrNo } from '../../parameters';

export const parameters = {
  /** The chord the walk leaves and the one it arrives at. */
  from: chord,
  to: chord,
  /** The scale it steps through, by name. */
  key,
  way: oneOf(['up', 'down']),
  by: oneOf(['scale', 'half steps']),
  /** Whether it walks back to the first chord. */
  back: yesOrNo,
  beatsEach: whole(2, 8, [2, 3, 4, 8]),
  tempoBpm: tempo,
};
