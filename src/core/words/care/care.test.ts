import { DAY_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import { layUpOf, sanitisingDose, type DoseRefusal, type FrostRisk, type TaskDue } from '../../care/index.js';
import type { CareTask, Rig } from '../../logbook/index.js';
import { METRIC, type UnitChoice } from '../../units/index.js';
import {
	formatMl,
	sayCareProblem,
	sayTaskDone,
	sayDose,
	sayDue,
	sayDueNow,
	sayFrostNight,
	sayFrostRisk,
	sayLayUpStep,
	sayRefusal,
	sayRemains,
	sayRhythm,
	sayGoingIn,
	sayWaterAge,
	sayWaterWarning,
	sayWayBackStep
} from '../index.js';

const NOW = Date.parse('2027-05-11T10:00:00Z');
const GALLONS: UnitChoice = { ...METRIC, volume: 'usGal' };
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
const task = (more: Partial<CareTask> = {}): CareTask => ({ id: 'f', name: 'Change the filter', ...more });
const due = (more: Partial<TaskDue>): string =>
	plain(
		sayDue(
			{ task: task({ every: { days: 90, litres: 900 } }), overdue: false, doneMs: 0, ...more },
			NOW,
			'Etc/UTC',
			METRIC
		)
	);

describe('a care task', () => {
	it('how often', () => {
		const says = (more: Partial<CareTask>) => plain(sayRhythm(task(more), exactRig, METRIC));
		expect(says({ every: { days: 180, litres: 3000 }, through: 'pump' })).toBe(
			'every 180 days or 3000 L through Pump meter'
		);
		expect(says({ every: { litres: 40 } })).toBe('every 40 L drawn');
		expect(says({ every: { days: 1 }, season: 'summer' })).toBe('every day, in the heat');
		expect(says({})).toBe('when you think of it');
	});

	it('when it is due: foretold, at the latest, over', () => {
		expect(due({ dueMs: NOW + 63 * DAY_MS, leftL: 640 })).toBe('about 13 July, or after 640 L more');
		expect(due({ dueMs: NOW + DAY_MS, leftL: 26 })).toBe('tomorrow, or after 26 L more');
		expect(due({ dueMs: NOW + 300 * DAY_MS })).toBe('about 6 March 2028');
		expect(
			plain(
				sayDue(
					{ task: task({ every: { days: 9 } }), overdue: false, dueMs: NOW + 9 * DAY_MS },
					NOW,
					'Etc/UTC',
					METRIC
				)
			)
		).toBe('by 20 May at the latest');
		expect(due({ dueMs: NOW - 12 * DAY_MS, leftL: -40, overdue: true })).toBe(
			'overdue by 12 days and by 40 L'
		);
		expect(due({ dueMs: NOW, leftL: 0, overdue: true })).toBe('due now');
		expect(due({ task: task({ season: 'frost' }) })).toBe('when frost is forecast');
		expect(due({ task: task() })).toBe('no date');
	});

	it('when it was done, and what is amiss', () => {
		const done = (more: Partial<TaskDue>) =>
			plain(sayTaskDone({ task: task(), overdue: false, ...more }, METRIC));
		expect(done({ sinceDays: 212.2, sinceL: 2840 })).toBe('212 days and 2840 L ago');
		expect(done({ sinceDays: 1, sinceL: 30, atLeast: true })).toBe('1 day and at least 30 L ago');
		expect(done({ sinceDays: 0.1 })).toBe('done today');
		expect(done({})).toBe('not logged as done');
		expect(sayDueNow([task(), task({ name: 'Rinse the cassette' })])).toBe(
			'Due: Change the filter and Rinse the cassette'
		);
		for (const kind of ['never-done', 'through-gone', 'counts-nothing', 'done-later'] as const)
			expect(sayCareProblem({ kind, name: 'Pump', at: '2027-05-20T00:00:00Z' } as never)).toMatch(
				/\w+.*[.]$/
			);
	});
});

describe('a dose', () => {
	it('in the units of the person', () => {
		expect(plain(formatMl(147.5, METRIC))).toBe('148 mL');
		expect(plain(formatMl(147.8676478, GALLONS))).toBe('5 US fl oz');
		expect(plain(formatMl(28.4130625, { ...METRIC, volume: 'impGal' }))).toBe('1 imp fl oz');
	});

	it('says what to do, and how often to rinse', () => {
		const dose = sanitisingDose({
			tankL: 100,
			systemL: 0,
			staysL: 20,
			lowPoints: true,
			ageYears: 0,
			mgPerL: 50,
			percent: 5,
			product: 'plain-bleach',
			inside: 'nothing'
		});
		if (!dose.ok) throw new Error('refused');
		const says = sayDose(dose, { watermaker: true, lowPoints: true }, METRIC).map(plain);
		const at = (of: RegExp): number => says.findIndex((line) => of.test(line));
		expect(says.join(' ')).toContain('100 mL of plain, unscented bleach');
		expect(says.join(' ')).toContain('Leave it for 4 h');
		expect(says.join(' ')).toContain('Rinse 3 times with drinking water, 300 L in all');
		expect(says.join(' ')).toContain('About 0.4 mg/L is left');
		// Cartridges out first and back last; the dose before the water; every tap, hot too.
		expect(at(/cartridges out/)).toBe(0);
		expect(at(/cartridges back/)).toBe(says.length - 1);
		expect(at(/watermaker/)).toBe(1);
		expect(says[at(/bleach/)]).toMatch(/into the empty tank, then fill up/);
		expect(says.filter((line) => /every tap/.test(line))).toHaveLength(2);
	});

	it.each<[DoseRefusal, RegExp]>([
		[{ kind: 'strength', percent: 120, least: 0.5, most: 15 }, /sold at 120%.*between 0\.5% and 15%/],
		[{ kind: 'too-strong', mgPerL: 500, most: 100 }, /over the usual limit of 100 mg\/L/],
		[{ kind: 'too-weak', mgPerL: 1, least: 5 }, /does not sanitise/],
		[{ kind: 'product', product: 'scented-bleach' }, /plain, unscented/],
		[{ kind: 'product', product: 'other' }, /label of that product/],
		[{ kind: 'mixed', inside: 'acid' }, /chlorine gas/],
		[{ kind: 'mixed', inside: 'ammonia' }, /poisonous/],
		[{ kind: 'mixed', inside: 'other' }, /Rinse that out first/],
		[{ kind: 'cannot-rinse', staysL: 90 }, /couldn’t rinse the chlorine out/],
		[{ kind: 'no-volume' }, /how much water there is/]
	])('is refused with its reason: %j', (refused, says) => expect(sayRefusal(refused, METRIC)).toMatch(says));
});

describe('frost', () => {
	it('names the night', () => {
		const night = { stop: 's', name: 'Skarn', minC: -2, fromMs: NOW, lived: true, risks: [] };
		expect(plain(sayFrostNight(night, NOW, 'Etc/UTC', METRIC))).toBe(
			'Skarn, tonight: down to −2 °C (from a file)'
		);
		const { stop: _stop, name: _name, ...typed } = night;
		expect(plain(sayFrostNight({ ...typed, from: 'typed' }, NOW, 'Etc/UTC', METRIC))).toBe(
			'Tonight: down to −2 °C (as you entered it)'
		);
		expect(plain(sayFrostNight({ ...night, from: 'simulated' }, NOW, 'Etc/UTC', METRIC))).toBe(
			'Skarn, tonight: down to −2 °C (simulated, not a forecast)'
		);
		expect(plain(sayFrostNight({ ...night, coldestOf: 20 }, NOW, 'Etc/UTC', METRIC))).toContain(
			'coldest of 20 nights'
		);
		expect(plain(sayFrostNight({ ...night, fromMs: NOW + DAY_MS }, NOW, 'Etc/UTC', METRIC))).toBe(
			'Skarn, tomorrow night: down to −2 °C (from a file)'
		);
	});

	it.each<[FrostRisk, RegExp]>([
		[
			{ kind: 'tank', id: 'g', name: 'Grey', does: 'dump', litres: 12 },
			/^Grey \(12 L\): empty it at a designated place.*never/
		],
		[
			{ kind: 'tank', id: 'm', name: 'Main', does: 'drain', unsaid: true },
			/drain it.*Where it is fitted is not entered yet/
		],
		[{ kind: 'tank', id: 'm', name: 'Main', does: 'heat' }, /warm air/],
		[{ kind: 'pipes', does: 'heat' }, /keep the heating on/],
		[{ kind: 'tank', id: 'g', name: 'Grey', does: 'switch-on' }, /switch its heater on/],
		[{ kind: 'flush-tank', id: 't', name: 'Toilet', does: 'drain' }, /empty the flush tank/],
		[{ kind: 'auto-valve', does: 'look' }, /may have run out/],
		[{ kind: 'tank', id: 'j', name: 'Jug', does: 'bring-in' }, /bring it in/],
		[
			{ kind: 'pipes', does: 'drain', litres: 8 },
			/^Pipes and heater \(8 L\): pump off, heater off and cold, then every tap/
		],
		[{ kind: 'outside-outlet', id: 'o', name: 'Wall shower', does: 'drain' }, /^Wall shower: shut it off/],
		[{ kind: 'hoses', does: 'hose-in' }, /capped, inside/]
	])('says what to do: %j', (risk, says) => expect(plain(sayFrostRisk(risk, METRIC))).toMatch(says));
});

it('every step of draining down and of the way back has words, and those that can hurt their caution', () => {
	const rig: Rig = {
		...exactRig,
		systemL: 8,
		outlets: [...exactRig.outlets, { id: 'wall', name: 'Wall shower', from: 'main', to: 'ground' }]
	};
	const { steps, back, remains } = layUpOf(rig, new Map([['main', 40]]));
	const out = new Map(steps.map((step) => [step.do, sayLayUpStep(step, rig, METRIC)]));
	for (const words of [...out.values(), ...back.map((step) => sayWayBackStep(step, rig, METRIC))])
		expect(words.does).toMatch(/^[A-Z]/);
	expect(plain(out.get('drain')?.does ?? '')).toBe('Drain Main, about 40 L');
	const cautions = {
		'power-off': /scalds/,
		dump: /designated/,
		heater: /cold/,
		toilet: /gloves/,
		traps: /poisonous/
	} as const;
	for (const [step, says] of Object.entries(cautions))
		expect(out.get(step as keyof typeof cautions)?.caution).toMatch(says);
	expect(remains.map((one) => plain(sayRemains(one, rig, METRIC)))).toContain(
		'Water in the traps, unless you emptied them'
	);
	const fill = back
		.map((step) => sayWayBackStep(step, rig, METRIC))
		.find(({ does }) => does.startsWith('Fill'));
	expect(plain(`${fill?.does} ${fill?.how}`)).toBe(
		'Fill Main: 108 L through the hose 8 L of it goes into heater and pipes: fill up, run the taps, fill up again.'
	);
});

describe('the water in a tank', () => {
	it('how old it is', () => {
		const age = { tank: 'm', litres: 60, parts: [], atLeast: false };
		expect(sayWaterAge({ ...age, meanDays: 4, oldDays: 9 })).toBe(
			'4 days on average, a tenth of it older than 9 days'
		);
		expect(sayWaterAge({ ...age, meanDays: 3, oldDays: 3, atLeast: true })).toBe(
			'at least 3 days on average'
		);
	});

	it('what water makes of a tank as it goes in', () => {
		expect(sayGoingIn(true)).toBeUndefined();
		expect(sayGoingIn(false)).toMatch(/not for dishes, teeth or ice, until it is sanitised and filled again/);
		expect(sayGoingIn(undefined)).toMatch(/can’t know whether you may drink/);
	});

	it('what to mind, and whose call it is', () => {
		const says = (warning: Parameters<typeof sayWaterWarning>[0]) =>
			plain(sayWaterWarning(warning, (id) => (id === 'm' ? 'Main' : 'Jug'), METRIC));
		expect(says({ tank: 'm', kind: 'old', days: 8, maxC: 31 })).toMatch(
			/up to 8 days old\. With 31 °C.*health authority/
		);
		expect(says({ tank: 'm', kind: 'old', days: 8, maxC: 12 })).not.toContain('ages faster');
		const doubtful = { tank: 'm', kind: 'doubtful' } as const;
		expect(says({ ...doubtful, drink: 'washing', why: { kind: 'filled', entry: 'e' } })).toMatch(
			/^Main, washing only\..*not for drinking.*dishes, teeth, ice.*running it dry does not/
		);
		expect(says({ ...doubtful, drink: 'unsure', why: { kind: 'poured', entry: 'e', from: 'j' } })).toMatch(
			/poured in from Jug.*health authority/
		);
		expect(says({ ...doubtful, drink: 'washing', why: { kind: 'sanitised', entry: 'e' } })).toMatch(
			/Drain it, rinse it, then fill\.$/
		);
	});
});
