/** What is written down of the store as a whole, by key. */

/** The layout of its records. */
export const VERSION = 'version';
/** What is known of the records as they were looked at last; see `Sound`. */
export const SOUND = 'sound';
/** Names what the store holds since it was last emptied. */
export const EPOCH = 'epoch';
/** Stands from a wipe until there is a logbook again: a store without it that holds nothing has lost what it held. */
export const EMPTIED = 'emptied';
