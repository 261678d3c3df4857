/** An answer to come, and a way to say that nobody waits for it any more. */
export type Asked<T> = Promise<T> & { readonly giveUp?: () => void };
