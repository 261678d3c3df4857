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
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What may be a slip, in words, with its likely cause and what to do. */
export function saySuspicion(rig: Rig, suspicion: Suspicion, units: UnitChoice = METRIC): string {
	const litres = (l: number): string => formatLitres(l, units);
	switch (suspicion.kind) {
		case 'usable-over-plate': {
			const over = `${tankName(rig, suspicion.tank)} has ${percent(suspicion.share - 1)} more usable than its plate says.`;
			return suspicion.gallon
				? `${over} That is a ${suspicion.gallon} to the litre: one of the two is probably in gallons.`
				: `${over} Was a jug counted twice, or did the meter count water that ran on to elsewhere? Try once more.`;
		}
		case 'reserve-too-large':
			return `The reserve of ${tankName(rig, suspicion.tank)} is as large as the tank: it binds at once. Make it smaller.`;
		case 'shape-off-plate': {
			const plate = tankById(rig, suspicion.tank)?.nominalL ?? 0;
			const holds = `The shape of ${tankName(rig, suspicion.tank)} holds ${litres(suspicion.shapeL)}, its plate says ${litres(plate)}.`;
			return suspicion.gallon
				? `${holds} They differ by a ${suspicion.gallon}: one of them is probably in gallons.`
				: `${holds} Was a side measured outside, or in another unit?`;
		}
		case 'curve-falls':
			return `The curve of ${instrumentName(rig, suspicion.instrument)} turns back at ${suspicion.reads}: litres fall where they should rise. Two points are probably swapped.`;
		case 'curve-over-tank':
			return `The curve of ${instrumentName(rig, suspicion.instrument)} goes up to ${litres(suspicion.litres)}, more than its tank holds. Was it written in gallons?`;
		case 'meter-backwards': {
			const meter = instrumentOf(rig, suspicion.instrument);
			const counts = meter?.kind === 'meter' ? meter.counts : 'up';
			return `${instrumentName(rig, suspicion.instrument)} went from ${suspicion.from} to ${suspicion.to}, though it counts ${counts}. Was it reset and not written down, is it set to count the other way, or does it face the flow the wrong way round?`;
		}
		case 'meter-off-log':
			return `${instrumentName(rig, suspicion.instrument)} counts ${suspicion.factor < 1 ? 'about a quarter of' : 'about four times'} what was written down: by a ${suspicion.gallon}. Its unit is probably wrong; see what one displayed unit is.`;
		case 'loop': {
			const names = suspicion.through.map(
				(id) => tankById(rig, id)?.name ?? rig.outlets.find((o) => o.id === id)?.name ?? id
			);
			return `Water goes round in a circle: ${[...names, names[0] ?? ''].join(' → ')}. One of these runs to somewhere else.`;
		}
	}
}

/** What leads nowhere in the plumbing, in words. */
export function sayFault(rig: Rig, fault: PipeFault): string {
	switch (fault.kind) {
		case 'no-outlet':
			return `Nothing draws from ${tankName(rig, fault.tank)}. Add an outlet, or say which tank it is poured into.`;
		case 'nothing-in':
			return `Nothing runs into ${tankName(rig, fault.tank)}. Which outlet drains there?`;
		case 'no-habit':
			return `No habit uses ${outletName(rig, fault.outlet)}, so nothing is forecast for it.`;
		case 'drains-nowhere':
			return `${outletName(rig, fault.outlet)} drains nowhere. If its water is not all drunk, say where it goes.`;
		case 'draws-waste':
			return `${outletName(rig, fault.outlet)} draws from a waste tank. Is that meant?`;
		case 'loop':
			return saySuspicion(rig, fault);
	}
}

/** Why the recommended figure of some trials is what it is. */
export function sayRounding(summary: TrialSummary, units: UnitChoice = METRIC): string {
	const litres = (l: number): string => formatLitres(l, units);
	switch (summary.rounding.kind) {
		case 'single':
			return 'One trial only: 3 % less than it found, rounded down. Repeat it to know better.';
		case 'smaller':
			return 'Two trials: the smaller one, rounded down. A third shows how far they spread.';
		case 'spread':
			return `Mean ${litres(summary.meanL)}, spread ${litres(summary.sdL)}: one spread below the mean, rounded down, so that about five trials in six reach it. Running short or backing up costs more than a litre too few.`;
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
	return `This gauge cannot tell ${listed(parts)}. Go by the log there.`;
}
