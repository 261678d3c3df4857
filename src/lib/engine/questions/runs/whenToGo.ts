import { livesFrom, whenToGo as goWhen } from '$core/runs';
import { METRIC } from '$core/units';
import { sayWhenToGo } from '$core/words';
import { containersOf, hoseInto, hoseOf, type WithHose } from '../../parts/containers';
import { question } from '../../question';

/** When to go with the tote, where one lives from it; a sentence for each. */
const whenToGo = question({
	answer: (
		{ estimate, entriesUntil, from: { timeZone, units = METRIC } },
		asked: WithHose
	): readonly string[] => {
		const now = estimate();
		const { rig } = now.model;
		const hose = hoseOf(asked);
		return rig.tanks.flatMap((tank) => {
			if (tank.holds === 'fresh' || tank.retired) return [];
			const container = livesFrom(now, tank, entriesUntil());
			if (!container || !containersOf(now).includes(container)) return [];
			const found = goWhen(now, tank, container, tank.portable ? undefined : hoseInto(container, hose));
			return found ? [sayWhenToGo(rig, found, now.atMs, timeZone, units)] : [];
		});
	}
});

declare module '../../question' {
	interface Questions {
		'runs/whenToGo': typeof whenToGo;
	}
}

export default whenToGo;
