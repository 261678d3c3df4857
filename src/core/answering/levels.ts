import { bindingLevel, readLevels, standsBehind, usableOfTank } from '../estimate/index.js';
import { waterStates } from '../care/index.js';
import type { Tank } from '../logbook/index.js';
import { tankById } from '../rig/index.js';
import { sayDrinkAnswer, sayLevelOf, sayRoomIn, sayWaterAboard } from '../words/index.js';
import type { Question } from '../quickline/questions/question.js';
import type { Answered } from './answer.js';
import type { Known } from './known.js';

/** How much is in some tanks, or how much more fits. */
export function answerLevel(question: Extract<Question, { kind: 'level' }>, known: Known): Answered {
	const { estimate, units } = known;
	const { rig } = estimate.model;
	const levels = new Map(readLevels(estimate).tanks.map((level) => [level.id, level]));
	const told = question.tanks.flatMap((id) => {
		const [tank, level] = [tankById(rig, id), levels.get(id)];
		return tank && level ? [{ tank, level }] : [];
	});
	const [first] = told;
	const one = told.length === 1 ? first : undefined;
	const ids = one ? { tank: one.tank.id } : {};
	const act = { href: '/', label: 'Show on Now' };
	if (question.room) {
		const roomOf = ({ id }: Tank): number =>
			Math.max(0, usableOfTank(estimate, id).mean - (levels.get(id)?.litres ?? 0));
		const rooms = told.map(({ tank }) => ({ name: tank.name, litres: roomOf(tank) }));
		const litres = rooms.reduce((sum, room) => sum + room.litres, 0);
		return { answer: { kind: 'level', says: sayRoomIn(rooms, units), ...ids, litres }, act };
	}
	const litres = told.reduce((sum, { level }) => sum + level.litres, 0);
	const each = told.map(({ tank, level }) => ({
		name: tank.name,
		holds: tank.holds,
		litres: level.litres,
		low: level.low,
		high: level.high,
		usableL: level.usableL,
		behind: standsBehind(estimate, tank.id).map((other) => other.tank.name),
		spareL:
			tank.holds === 'fresh'
				? level.litres - bindingLevel(estimate, tank)
				: bindingLevel(estimate, tank) - level.litres
	}));
	const says =
		question.of === 'water'
			? sayWaterAboard(each, units)
			: each.map((level) => sayLevelOf(level, units)).join(' ');
	return {
		answer: { kind: 'level', says, ...ids, ...(question.of === 'all' ? {} : { litres }) },
		act: one ? { href: `/rig/tank/${encodeURIComponent(one.tank.id)}`, label: `Show ${one.tank.name}` } : act
	};
}

/** Whether one may drink what is in some tanks. */
export function answerDrink({ tanks }: Extract<Question, { kind: 'drink' }>, known: Known): Answered {
	const { estimate, points } = known;
	const { rig } = estimate.model;
	const states = waterStates(estimate, points).filter(({ tank }) => tanks.includes(tank));
	const nameOf = (id: string): string => tankById(rig, id)?.name ?? id;
	return {
		answer: {
			kind: 'drink',
			says: states.map((state) => sayDrinkAnswer(nameOf(state.tank), state, nameOf)).join(' '),
			...(states.length === 1 && states[0] ? { tank: states[0].tank } : {})
		},
		act: { href: '/rig/care', label: 'Show its water' }
	};
}
