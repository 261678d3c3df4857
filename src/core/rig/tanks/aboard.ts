import type { Rig, Tank } from '../../logbook/index.js';
import { usualTimesPerDay } from '../plumbing/usual.js';

/**
 * What stands behind a tank, first what comes first: fresh tanks that are poured, pumped or switched into it, waste tanks that
 * stand in when it is full; and what in turn stands behind those. Tanks that stand level with it share all of that.
 *
 * @param level the ids of the tank and of all that stand level with it
 */
export function behind(rig: Rig, tank: Tank, level: readonly string[] = [tank.id]): readonly Tank[] {
	const link = tank.holds === 'fresh' ? 'feeds' : 'relieves';
	const found = new Set<Tank>();
	let of: readonly string[] = level;
	while (of.length > 0) {
		const next = rig.tanks.filter(
			(one) => !one.retired && !found.has(one) && !level.includes(one.id) && of.includes(one[link] ?? '')
		);
		for (const one of next) found.add(one);
		of = next.map(({ id }) => id);
	}
	return [...found];
}

/** The fresh tank that is drunk from: where the habit draws of which most is drunk, else the one that gives most. */
export function drunkFrom(rig: Rig): Tank | undefined {
	const draws = rig.habits.flatMap((habit) => {
		const outlet = rig.outlets.find(({ id }) => id === habit.outlet);
		const tank = rig.tanks.find(({ id, holds }) => id === outlet?.from && holds === 'fresh');
		const litres = usualTimesPerDay(habit, Math.max(rig.crew, 1)) * habit.litresEach.mean;
		return tank ? [{ tank, litres, keptL: (habit.keptFraction ?? 0) * litres }] : [];
	});
	const byTank = (of: 'litres' | 'keptL'): Tank | undefined => {
		const sums = new Map<Tank, number>();
		for (const one of draws) sums.set(one.tank, (sums.get(one.tank) ?? 0) + one[of]);
		const [most] = [...sums].sort((a, b) => b[1] - a[1]);
		return most && most[1] > 0 ? most[0] : undefined;
	};
	return (
		byTank('keptL') ??
		byTank('litres') ??
		rig.tanks.find(({ holds, feeds, retired }) => holds === 'fresh' && feeds === undefined && !retired)
	);
}
