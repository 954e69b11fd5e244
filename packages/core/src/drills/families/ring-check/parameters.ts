/** What ring check may be given. */
import { grip } from '../../parameters';

export const parameters = {
  grip,
};
