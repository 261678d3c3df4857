import fc from 'fast-check';

/**
 * Properties are tried on the same cases on every run, so that a run fails for what was changed and not by chance.
 * `SEED=random npm run unit` looks for new ones; what it finds is mended and added as a case of its own.
 */
const SEED = 20_270_616;
const wanted = process.env.SEED;

fc.configureGlobal(
	wanted === 'random' ? {} : { seed: wanted === undefined ? SEED : Number.parseInt(wanted, 10) }
);
