/** A copy without the wrapping that screens and queries put around what they hold: for the core, a worker or a store. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
