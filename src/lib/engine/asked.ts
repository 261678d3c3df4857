/** An answer to come; nobody may wait for it any more. */
export type Asked<T> = Promise<T> & { readonly giveUp?: () => void };
