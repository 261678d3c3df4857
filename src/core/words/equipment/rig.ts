import type { Instrument, Rig } from '../../logbook/index.js';
import {
	tankById,
	type Flat,
	type Impact,
	type PipeFault,
	type Suspicion,
	type TrialSummary
} from '../../rig/index.js';
import { formatLitres, METRIC, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';

const tankName = (rig: Rig, id: string): string => tankById(rig, id)?.name ?? id;
const outletName = (rig: Rig, id: string): string =>
	rig.outlets.find((outlet) => outlet.id === id)?.name ?? id;
const instrumentOf = (rig: Rig, id: string): Instrument | undefined =>
	rig.instruments.find((instrument) => instrument.id === id);
const instrumentName = (rig: Rig, id: string): string => instrumentOf(rig, id)?.name ?? id;
const percent = (share: number): string => `${Math.round(share * 100)}%`;

/** What may be a slip, in words, with its likely cause and what to do. */
export function saySuspicion(rig: Rig, suspicion: Suspicion, units: UnitChoice = METRIC): string {
	const litres = (l: number): string => formatLitres(l, units);
	switch (suspicion.kind) {
		case 'usable-over-plate': {
			const over = `${tankName(rig, suspicion.tank)} has ${percent(suspicion.share - 1)} more usable than its rated size.`;
			return suspicion.gallon
				? `${over} That is a ${suspicion.gallon} to the litre: one of the two is probably in gallons.`
				: `${over} Was a jug counted twice, or did the meter count water that went elsewhere? Try once more.`;
		}
		case 'reserve-too-large':
			return `The reserve of ${tankName(rig, suspicion.tank)} is as large as the tank, so nothing is left to use. Make it smaller.`;
		case 'shape-off-plate': {
			const plate = tankById(rig, suspicion.tank)?.nominalL ?? 0;
			const holds = `${tankName(rig, suspicion.tank)}’s shape comes to ${litres(suspicion.shapeL)}, its rated size is ${litres(plate)}.`;
			return suspicion.gallon
				? `${holds} They differ by a ${suspicion.gallon}: one of them is probably in gallons.`
				: `${holds} Was a side measured outside, or in another unit?`;
		}
		case 'curve-falls':
			return `${instrumentName(rig, suspicion.instrument)}’s calibration turns back at ${suspicion.reads}: litres fall where they should rise. Two points are probably swapped.`;
		case 'curve-over-tank':
			return `${instrumentName(rig, suspicion.instrument)}’s calibration goes up to ${litres(suspicion.litres)}, more than its tank’s usable volume. Was it entered in gallons?`;
		case 'meter-backwards': {
			const meter = instrumentOf(rig, suspicion.instrument);
			const counts = meter?.kind === 'meter' ? meter.counts : 'up';
			return `${instrumentName(rig, suspicion.instrument)} went from ${suspicion.from} to ${suspicion.to}, though it counts ${counts}. Was it reset without logging it, is it set to count the other way, or is it fitted the wrong way round?`;
		}
		case 'meter-off-log':
			return `${instrumentName(rig, suspicion.instrument)} counts ${suspicion.factor < 1 ? 'about a quarter of' : 'about four times'} what was logged: by a ${suspicion.gallon}. Its unit is probably wrong; check what one displayed unit is.`;
		case 'loop': {
			const names = suspicion.through.map(
				(id) => tankById(rig, id)?.name ?? rig.outlets.find((o) => o.id === id)?.name ?? id
			);
			return `Water goes round in a circle: ${[...names, names[0] ?? ''].join(' → ')}. One of these must run somewhere else.`;
		}
	}
}

/** What leads nowhere in the plumbing, in words. */
export function sayFault(rig: Rig, fault: PipeFault): string {
	switch (fault.kind) {
		case 'no-outlet':
			return `Nothing draws from ${tankName(rig, fault.tank)}. Add an outlet, or choose which tank it is poured into.`;
		case 'nothing-in':
			return `Nothing runs into ${tankName(rig, fault.tank)}. Which outlet drains there?`;
		case 'no-habit':
			return `No habit uses ${outletName(rig, fault.outlet)}, so no use is forecast for it.`;
		case 'drains-nowhere':
			return `${outletName(rig, fault.outlet)} drains nowhere. If its water is not all drunk, choose where it goes.`;
		case 'draws-waste':
			return `${outletName(rig, fault.outlet)} draws from a waste tank. Is that right?`;
		case 'loop':
			return saySuspicion(rig, fault);
	}
}

/** Why the recommended figure of some trials is what it is. */
export function sayRounding(summary: TrialSummary, units: UnitChoice = METRIC): string {
	const litres = (l: number): string => formatLitres(l, units);
	switch (summary.rounding.kind) {
		case 'single':
			return 'One trial only: 3% less than it found, rounded down. Repeat it to be surer.';
		case 'smaller':
			return 'Two trials: the smaller one, rounded down. A third would show how far they spread.';
		case 'spread':
			return `Mean ${litres(summary.meanL)}, spread ${litres(summary.sdL)}: one spread below the mean, rounded down, so that about 5 trials in 6 reach it. Running short or backing up costs more than a litre too few.`;
	}
}

/** What a change would do to stored entries, in words. */
export function sayImpact(rig: Rig, impact: Impact, units: UnitChoice = METRIC): string {
	const many = `${impact.entries.length} ${impact.entries.length === 1 ? 'entry' : 'entries'}`;
	switch (impact.kind) {
		case 'fill-over':
			return `${many} moved up to ${formatLitres(impact.mostL, units)} at once in or out of ${tankName(rig, impact.tank)}; it would hold ${formatLitres(impact.capacityL, units)}.`;
		case 'rod-over':
			return `${many} dipped deeper with ${instrumentName(rig, impact.instrument)} than the tank would be high.`;
		case 'now-fresh':
			return `${many} emptied ${tankName(rig, impact.tank)} as a waste tank.`;
		case 'now-waste':
			return `${many} filled ${tankName(rig, impact.tank)} with fresh water.`;
	}
}

/** Where a gauge cannot tell, in words; empty when it tells everywhere. */
export function sayFlats(list: readonly Flat[], units: UnitChoice = METRIC): string {
	if (list.length === 0) return '';
	const parts = list.map(({ from, to, fromL, toL }) => {
		const span = `${formatLitres(fromL, units)} to ${formatLitres(toL, units)}`;
		return from === to ? `while it shows ${from} (${span})` : `between ${from} and ${to} (${span})`;
	});
	return `This gauge can’t tell the level ${listed(parts)}. Go by the log there.`;
}
