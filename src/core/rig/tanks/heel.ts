import type { Tank } from '../../logbook/index.js';
import { depthFor, fullLitres, litresAt, rodSpan, type Lean } from './shape.js';

/** What of a tank serves while it leans, litres: from full down to where its pick-up sucks air. */
export interface Heeled {
	/** below the pick-up on an even keel, and while it leans */
	readonly levelDeadL: number;
	readonly deadL: number;
	/** what a full tank gives, even and leaning */
	readonly levelServesL: number;
	readonly servesL: number;
}

/**
 * What a lean takes away of a fresh tank: the water below the plane through its pick-up, by the dip arithmetic. The pick-up hangs
 * as high over the floor at its place as the dead volume of the level tank says.
 *
 * @returns nothing for a tank without a pick-up or without a shape, or whose pick-up is outside of it
 */
export function heeledOf(tank: Tank, heel: Lean): Heeled | undefined {
	const { holds, shape, pickUp, deadL: dead = 0 } = tank;
	if (holds !== 'fresh' || !pickUp || !shape || shape.form === 'table' || !rodSpan(shape, pickUp))
		return undefined;
	const full = fullLitres(shape);
	const suctionMm = depthFor(shape, dead, {}, pickUp);
	const deadL = Math.min(full, litresAt(shape, suctionMm, heel, pickUp));
	return { levelDeadL: dead, deadL, levelServesL: Math.max(0, full - dead), servesL: full - deadL };
}

/** Litres of a tank that a lean puts out of reach, beyond those that are on an even keel; never less than nothing. */
export const heelLossL = (tank: Tank, heel: Lean | undefined): number => {
	const heeled = heel && heeledOf(tank, heel);
	return heeled ? Math.max(0, heeled.deadL - heeled.levelDeadL) : 0;
};
