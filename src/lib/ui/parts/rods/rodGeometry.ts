import { tickStep } from 'd3-array';
import type { DayFlag } from '$core/now';
import { fromBase, type UnitChoice } from '$core/units';

/** What a rod is drawn from, litres. */
export interface RodFacts {
	readonly holds: 'fresh' | 'grey' | 'black';
	readonly usableL: number;
	readonly litres: number;
	readonly low: number;
	readonly high: number;
	/** fresh: the reserve; waste: the room to keep free */
	readonly reserveL: number;
	/** what of a fresh tank is kept for drinking */
	readonly drinkingL?: number | undefined;
	readonly flags: readonly DayFlag[];
}

export interface Tick {
	readonly y: number;
	readonly label: string | undefined;
}

export interface PlacedFlag extends DayFlag {
	readonly y: number;
}

export interface RodGeometry {
	readonly ticks: readonly Tick[];
	readonly levelY: number;
	/** the damp edge: from the high to the low of the belief */
	readonly damp: { readonly y: number; readonly height: number };
	/** the wet part that is sure */
	readonly wet: { readonly y: number; readonly height: number };
	readonly kept: { readonly y: number; readonly height: number };
	/** kept for drinking */
	readonly drinking: { readonly y: number; readonly height: number };
	readonly flags: readonly PlacedFlag[];
}

/** About so many notches bear a figure. */
const NOTCHES = 5;
/** Flags nearer to each other than this would overlap, px. */
const FLAG_ROOM = 24;

function ticksOf(usableL: number, heightPx: number, units: UnitChoice): readonly Tick[] {
	const full = fromBase(usableL, units.volume);
	const step = tickStep(0, full, NOTCHES);
	const halves = Math.floor((2 * full) / step + 1e-9);
	return Array.from({ length: halves + 1 }, (_, i) => ({
		y: heightPx * (1 - (i * step) / 2 / full),
		label: i % 2 === 0 ? String((i * step) / 2) : undefined
	}));
}

/** Puts flags where their levels are; one that would lie on another gives way, the binding one never. */
function placeFlags(flags: readonly DayFlag[], y: (litres: number) => number): readonly PlacedFlag[] {
	const placed: PlacedFlag[] = [];
	const bySoonest = [...flags].sort((a, b) => Number(b.binds) - Number(a.binds));
	for (const flag of bySoonest) {
		const at = y(flag.litres);
		if (placed.every((other) => Math.abs(other.y - at) >= FLAG_ROOM)) placed.push({ ...flag, y: at });
	}
	return placed.sort((a, b) => a.y - b.y);
}

/** Where everything on a rod stands; y counts down from its top, px. */
export function rodGeometry(facts: RodFacts, heightPx: number, units: UnitChoice): RodGeometry {
	const y = (litres: number): number => heightPx * (1 - Math.min(Math.max(litres / facts.usableL, 0), 1));
	const heightOf = (litres: number): number => heightPx * Math.min(1, litres / facts.usableL);
	const keptHeight = heightOf(facts.reserveL);
	const drinkingHeight = heightOf(facts.drinkingL ?? 0);
	return {
		ticks: ticksOf(facts.usableL, heightPx, units),
		levelY: y(facts.litres),
		damp: { y: y(facts.high), height: y(facts.low) - y(facts.high) },
		wet: { y: y(facts.low), height: heightPx - y(facts.low) },
		kept: { y: facts.holds === 'fresh' ? heightPx - keptHeight : 0, height: keptHeight },
		drinking: { y: heightPx - drinkingHeight, height: drinkingHeight },
		flags: placeFlags(facts.flags, y)
	};
}
