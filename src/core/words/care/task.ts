import { DAY_MS } from '../../time/index.js';
import type { CareProblem, TaskDue } from '../../care/index.js';
import type { CareTask, Rig } from '../../logbook/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { sayAhead } from '../when.js';

/** What stands in the way of saying when a task is due. */
export function sayCareProblem(problem: CareProblem): string {
	switch (problem.kind) {
		case 'never-done':
			return 'When it was last done is not logged: counted from the beginning of the log.';
		case 'done-later':
			return 'It is logged as done later than now: check the date.';
		case 'through-gone':
			return `${problem.name} is no longer there: choose what its litres pass now.`;
		case 'counts-nothing':
			return `${problem.name} counts no litres: choose a meter or a tank.`;
	}
}

/** How often a task is done: `every 180 days or 3000 L through Pump meter, in the heat`. */
export function sayRhythm(
	{ every, everyDumps, through, season }: CareTask,
	rig: Rig,
	units: UnitChoice
): string {
	const by = [...rig.instruments, ...rig.tanks].find(({ id }) => id === through)?.name;
	const { days, litres } = every ?? {};
	const rhythm = [
		...(days === undefined ? [] : [days === 1 ? 'day' : `${days} days`]),
		...(litres === undefined ? [] : [`${formatLitres(litres, units)}${by ? ` through ${by}` : ' drawn'}`]),
		...(everyDumps === undefined ? [] : [everyDumps === 1 ? 'dump' : `${everyDumps} dumps`])
	].join(' or ');
	const when =
		season && { frost: 'before frost', summer: 'in the heat', 'lay-up': 'before the winter' }[season];
	return (
		[...(rhythm ? [`every ${rhythm}`] : []), ...(when ? [when] : [])].join(', ') || 'when you think of it'
	);
}

const days = (count: number): string => {
	const whole = Math.round(count);
	return whole === 1 ? '1 day' : `${whole} days`;
};

/** Below this a task was done just now, days. */
const JUST_NOW = 0.5;

/** How long ago a task was done: `212 days and 2840 L ago`; where more may have passed, `at least`. */
export function sayTaskDone({ sinceDays, sinceL, sinceDumps, atLeast }: TaskDue, units: UnitChoice): string {
	if (sinceDays === undefined) return 'not logged as done';
	if (sinceDays < JUST_NOW) return 'done today';
	const litres =
		sinceL === undefined ? '' : ` and ${atLeast ? 'at least ' : ''}${formatLitres(sinceL, units)}`;
	const dumps = sinceDumps === undefined ? '' : ` and ${sinceDumps === 1 ? '1 dump' : `${sinceDumps} dumps`}`;
	return `${days(sinceDays)}${litres}${dumps} ago`;
}

/** When a task is due: `about 9 March, or after 640 L more`, `overdue by 12 days`. */
export function sayDue(
	{ dueMs, leftL, overdue, task, doneMs, by, sinceDumps = 0 }: TaskDue,
	nowMs: number,
	timeZone: string,
	units: UnitChoice
): string {
	const over = (leftL ?? 0) < 0 ? `by ${formatLitres(-(leftL ?? 0), units)}` : undefined;
	const lateDays = dueMs === undefined ? 0 : (nowMs - dueMs) / DAY_MS;
	if (overdue && by === 'dumps')
		return sinceDumps > 1 ? `due: ${sinceDumps} dumps since` : 'due: dumped since';
	if (overdue) {
		const late = [...(lateDays >= 1 ? [`by ${days(lateDays)}`] : []), ...(over ? [over] : [])];
		return late.length > 0 ? `overdue ${listed(late)}` : 'due now';
	}
	// Nobody knows when it was last done: it may be due sooner.
	const latest = doneMs === undefined && task.every !== undefined;
	// A date that is foretold is no more than about right; tomorrow is tomorrow.
	const sayDate = (ms: number): string => {
		const day = sayAhead(ms, nowMs, timeZone);
		return latest || day === 'today' || day === 'tomorrow' ? day : `about ${day}`;
	};
	const date = dueMs === undefined ? [] : [latest ? `by ${sayDate(dueMs)} at the latest` : sayDate(dueMs)];
	const litres =
		leftL === undefined ? [] : [`after ${latest ? 'at most ' : ''}${formatLitres(leftL, units)} more`];
	const dumps = (task.everyDumps ?? 0) - sinceDumps;
	const next =
		task.everyDumps === undefined ? [] : [dumps <= 1 ? 'after the next dump' : `after ${dumps} more dumps`];
	const waits =
		task.season &&
		{
			frost: 'when frost is forecast',
			summer: 'when it is hot',
			'lay-up': 'at winter storage'
		}[task.season];
	return [...date, ...litres, ...next].join(', or ') || (waits ?? 'no date');
}

/** The one line of what is due: `Due: change the filter, rinse the cassette`. */
export const sayDueNow = (tasks: readonly Pick<CareTask, 'name'>[]): string =>
	`Due: ${listed(tasks.map(({ name }) => name))}`;
